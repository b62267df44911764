import { and, eq, isNull, sql } from 'drizzle-orm';
import { hvPresenceProblem, type PersonOn } from '../../core/stage/stageRules.ts';
import type { Tx } from '../db/connect.ts';
import { person, stage, timeEntry } from '../db/schema/index.ts';

/** People clocked on to a stage, with what for and the end of their high-voltage authorisation. */
export async function peopleOn(tx: Tx, stageId: string): Promise<(PersonOn & { readonly name: string })[]> {
  return tx
    .select({
      personId: timeEntry.personId,
      name: person.name,
      kind: timeEntry.kind,
      hvUntil: sql<string | null>`(select a.until::text from hv_authorised a where a.person_id = ${person.id})`,
    })
    .from(timeEntry)
    .innerJoin(person, eq(person.id, timeEntry.personId))
    .where(and(eq(timeEntry.stageId, stageId), isNull(timeEntry.to)));
}

/** Somebody left a stage: live work for which the two are not there any more is no longer confirmed. */
export async function leftStage(
  tx: Tx,
  current: { readonly id: string; readonly hvConfirmed: boolean },
  today: string,
): Promise<void> {
  if (current.hvConfirmed && hvPresenceProblem(await peopleOn(tx, current.id), today))
    await tx.update(stage).set({ hvConfirmed: false }).where(eq(stage.id, current.id));
}
