import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import type { Timetable } from './timetable.ts';

const HOUR_MS = 3_600_000;
/** Why things were done again, and what was waited for, in turn. */
const WHY_AGAIN = ['wrongDrawing', 'ownMistake', 'wrongPart', 'wrongDrawing', 'changedWish'] as const;
const WAITED_FOR = ['part', 'outsideFirm', 'part', 'bay'] as const;

/** What was done again after these stages, and what was waited for before it. */
export async function loadAgain(
  tx: Tx,
  now: Date,
  when: Timetable,
  everyone: readonly string[],
  reworks: readonly { readonly stageId: string; readonly to: Date }[],
): Promise<void> {
  // What was done again was so in the evening of its day, by whoever was there.
  for (const [i, { stageId, to: done }] of reworks.entries()) {
    const from = new Date(done);
    from.setUTCHours(16, 30, 0, 0);
    const to = new Date(from.getTime() + 0.8 * HOUR_MS);
    const [personId] = when.free(everyone, from, to);
    if (!personId || to > now) continue;
    when.take(personId, from, to);
    const cause = WHY_AGAIN[i % WHY_AGAIN.length]!;
    await tx.insert(t.timeEntry).values({ personId, stageId, kind: 'rework', cause, from, to });
    const since = new Date(from.getTime() - 0.5 * HOUR_MS);
    const [who] = when.free(everyone, since, from);
    if (!who || i % 2 === 1) continue;
    when.take(who, since, from);
    const waited = { kind: 'waiting' as const, cause: WAITED_FOR[(i / 2) % WAITED_FOR.length]! };
    await tx.insert(t.timeEntry).values({ personId: who, stageId, ...waited, from: since, to: from });
  }
}
