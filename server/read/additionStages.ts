import { and, eq } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { addition, stage } from '../db/schema/index.ts';

/** What a stage of an accepted change is: its own, done last unless somebody moves it. */
export interface AdditionStage {
  readonly key: string;
  readonly name: string;
  readonly hours: number;
  readonly skill: string;
}

/** Puts stages behind those a job has; where it has none yet they come when its stages are made. */
export async function addBehind(tx: Tx, jobId: string, stages: readonly AdditionStage[]): Promise<void> {
  const there = await tx.select({ key: stage.key, position: stage.position }).from(stage).where(eq(stage.jobId, jobId));
  if (there.length === 0) return;
  const known = new Set(there.map(({ key }) => key));
  const last = Math.max(...there.map(({ position }) => position));
  const fresh = stages.filter(({ key }) => !known.has(key));
  if (fresh.length > 0)
    await tx
      .insert(stage)
      .values(fresh.map((one, i) => ({ ...one, jobId, position: last + 1 + i, people: 1, liveHv: false })));
}

/** Stages of changes that were accepted before the job had any. */
export async function addAcceptedBefore(tx: Tx, jobId: string): Promise<void> {
  const accepted = await tx
    .select({ body: addition.body })
    .from(addition)
    .where(and(eq(addition.jobId, jobId), eq(addition.state, 'accepted')))
    .orderBy(addition.number);
  await addBehind(
    tx,
    jobId,
    accepted.flatMap(({ body }) => body.stages.map(({ key, name, hours, skill }) => ({ key, name, hours, skill }))),
  );
}
