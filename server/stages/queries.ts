import { eq } from 'drizzle-orm';
import type { StageRow } from '../../contract/stages.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { stage } from '../db/schema/index.ts';
import { partOf } from '../read/sheet.ts';

/** All stages of a job in order, with steps, newest readings, hours and who is on them. */
export const stagesOfJob = (db: Db | Tx, jobId: string): Promise<readonly StageRow[]> =>
  partOf(db, { id: jobId }, 'stages');

/** The job a stage belongs to; never changes, so it can be asked for before anything is locked. */
async function jobIdOfStage(tx: Tx, stageId: string): Promise<string> {
  return one(await tx.select({ jobId: stage.jobId }).from(stage).where(eq(stage.id, stageId)), 'stage').jobId;
}

/**
 * A stage and its job, both locked for the change that follows. Everything that reads or changes who is on a stage, its
 * confirmation, readings or state comes through here, so that no two of them see half of each other.
 */
export async function stageForChange({ tx, job }: Change, stageId: string) {
  const own = await job({ id: await jobIdOfStage(tx, stageId) });
  const [locked] = await tx.select().from(stage).where(eq(stage.id, stageId)).for('no key update');
  return { stage: one(locked ? [locked] : [], 'stage'), job: own };
}
