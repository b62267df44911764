import { inArray, sql } from 'drizzle-orm';
import type { ClockOn } from '../../contract/stages.ts';
import { type FirstOfKind, sisterHold } from '../../core/job/sister.ts';
import { isAtWork } from '../../core/stage/stageRules.ts';
import { missingKinds } from '../../core/toolbox/tool.ts';
import type { Tx } from '../db/connect.ts';
import { tool } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';
import { FIRST_OF_KIND, LESSONS_WAITING } from '../read/firstOfKind.ts';

/** Work that takes a tool waits for one as it waits for a part; whoever only waits does not need it. */
export async function holdTools(tx: Tx, kinds: readonly string[], kind: ClockOn['kind'], day: string): Promise<void> {
  if (kinds.length === 0 || !isAtWork(kind)) return;
  const tools = await tx
    .select()
    .from(tool)
    .where(inArray(tool.kind, [...kinds]));
  const missing = missingKinds(kinds, tools, day);
  if (missing.length > 0)
    throw new RuleBroken(
      `There is no ${missing.join(' and no ')} that may be used today: none is to be had in calibration. See Tools in Stores.`,
    );
}

/** A sister's stage is not begun while `sisterHold` holds it; whoever waits may say so on the clock. What has begun goes on. */
export async function holdSister(tx: Tx, followsId: string | null, kind: ClockOn['kind']): Promise<void> {
  if (followsId === null || !isAtWork(kind)) return;
  const { rows } = await tx.execute<{ first: FirstOfKind & { number: string } }>(sql`
    select json_build_object('number', f.number, ${FIRST_OF_KIND}, 'lessons', ${LESSONS_WAITING}) as first
    from job f where f.id = ${followsId}`);
  const first = rows[0]?.first;
  const hold = first && sisterHold(first);
  if (!hold) return;
  const lets = 'A manager can let it stand by itself, in Plan of this job.';
  if (hold.kind === 'first')
    throw new RuleBroken(`This job follows ${first.number}, the first of its kind, which is not through yet. ${lets}`);
  throw new RuleBroken(
    `${hold.lessons} ${hold.lessons === 1 ? 'lesson' : 'lessons'} of ${first.number}, the first of its kind, ${hold.lessons === 1 ? 'waits' : 'wait'} to be taken into the kit or set aside. ${lets}`,
  );
}
