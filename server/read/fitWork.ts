import { and, eq, inArray, sql } from 'drizzle-orm';
import type { FitWork, WorkEffects } from '../../core/fit/finding.ts';
import type { StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { design, partLine, reading, stage, step } from '../db/schema/index.ts';

/** The stage that gathers what Match asks for beside the kit's own stages. */
const MATCH_KEY = 'match-work';
const MATCH_NAME = 'Work that Match asks for';

/** The gathering stage of a job that has stages, locked; made where there is none that is still open. */
async function matchStage(tx: Tx, jobId: string) {
  const stages = await tx.select().from(stage).where(eq(stage.jobId, jobId)).for('update');
  if (stages.length === 0) return null;
  const open = stages.find(({ key, state }) => key.startsWith(MATCH_KEY) && state !== 'done');
  if (open) return open;
  const before = stages.filter(({ key }) => key.startsWith(MATCH_KEY)).length;
  return made(
    await tx
      .insert(stage)
      .values({
        jobId,
        position: Math.max(...stages.map(({ position }) => position)) + 1,
        key: before === 0 ? MATCH_KEY : `${MATCH_KEY}-${before + 1}`,
        name: MATCH_NAME,
        hours: 0,
        people: 1,
        liveHv: false,
      })
      .returning(),
  );
}

async function addStep(tx: Tx, jobId: string, text: string, hours: number) {
  const own = await matchStage(tx, jobId);
  if (!own) return { stageId: null, stepId: null };
  await tx
    .update(stage)
    .set({ hours: own.hours + hours, version: own.version + 1 })
    .where(eq(stage.id, own.id));
  const position = await tx.$count(step, eq(step.stageId, own.id));
  const { id } = made(await tx.insert(step).values({ stageId: own.id, position, text }).returning());
  return { stageId: own.id, stepId: id };
}

/** Does to a job what an accepted finding asks for: a step with its hours, parts on the list, a torque cap in the design. */
export async function takeIn(tx: Tx, job: StoredJob, work: FitWork, subject: string): Promise<WorkEffects> {
  const text = work.step ?? (work.capNm ? `Set and prove the torque cap of ${Math.round(work.capNm)} N·m` : subject);
  const { stageId, stepId } =
    work.hours > 0 ? await addStep(tx, job.id, text, work.hours) : { stageId: null, stepId: null };
  const lines =
    work.parts && work.parts.length > 0
      ? await tx
          .insert(partLine)
          .values(work.parts.map((part) => ({ ...part, jobId: job.id, from: 'added' as const })))
          .returning({ id: partLine.id })
      : [];
  return { stageId, stepId, partLineIds: lines.map(({ id }) => id), cap: await setCap(tx, job, work.capNm ?? null) };
}

async function setCap(tx: Tx, job: StoredJob, capNm: number | null): Promise<WorkEffects['cap']> {
  if (capNm === null || !job.chosenDesignId) return null;
  const [own] = await tx.select().from(design).where(eq(design.id, job.chosenDesignId)).for('update');
  // A sold design never changes: the cap is a step of the work, and a new design may take it up.
  if (!own || own.frozenAt) return null;
  const before = own.inputs.torqueCapNm;
  if (before !== null && before <= capNm) return null;
  const inputs = { ...own.inputs, torqueCapNm: Math.floor(capNm) };
  await tx
    .update(design)
    .set({ inputs, version: own.version + 1 })
    .where(eq(design.id, own.id));
  return { designId: own.id, before };
}

/**
 * Undoes what was taken in, as far as nobody has begun on it: a step that was read stays, parts that were ordered or
 * fetched stay, a cap that was changed since stays. Answers what stayed, in words; empty when all is undone.
 */
export async function takeBack(
  tx: Tx,
  { stageId, stepId, partLineIds, cap }: WorkEffects,
  work: FitWork,
): Promise<string[]> {
  const stayed: string[] = [];
  if (stageId && stepId) {
    const [own] = await tx.select().from(stage).where(eq(stage.id, stageId)).for('update');
    if (!own || own.state === 'done' || (await tx.$count(reading, eq(reading.stepId, stepId))) > 0)
      stayed.push('the step is done already');
    else {
      await tx.delete(step).where(eq(step.id, stepId));
      const left = await tx.$count(step, eq(step.stageId, stageId));
      const { rows } = await tx.execute<{ n: number }>(
        sql`select count(*)::int as n from time_entry where stage_id = ${stageId}`,
      );
      if (left === 0 && (rows[0]?.n ?? 0) === 0) await tx.delete(stage).where(eq(stage.id, stageId));
      else
        await tx
          .update(stage)
          .set({ hours: Math.max(0, own.hours - work.hours), version: own.version + 1 })
          .where(eq(stage.id, stageId));
    }
  }
  if (partLineIds.length > 0) {
    const gone = await tx
      .delete(partLine)
      .where(and(inArray(partLine.id, [...partLineIds]), eq(partLine.state, 'missing')))
      .returning({ id: partLine.id });
    if (gone.length < partLineIds.length) stayed.push('parts that were ordered or fetched stay on the list');
  }
  if (cap) {
    const [own] = await tx.select().from(design).where(eq(design.id, cap.designId)).for('update');
    if (own && !own.frozenAt && work.capNm !== undefined && own.inputs.torqueCapNm === Math.floor(work.capNm))
      await tx
        .update(design)
        .set({ inputs: { ...own.inputs, torqueCapNm: cap.before }, version: own.version + 1 })
        .where(eq(design.id, own.id));
    else stayed.push('the torque cap was changed since and stays');
  }
  return stayed;
}

/** Work that was accepted before a job had stages, taken into them now that they are made. */
export async function takeInEarlier(tx: Tx, job: StoredJob): Promise<void> {
  const { rows } = await tx.execute<{ id: string; subject: string; work: FitWork; effects: WorkEffects | null }>(sql`
    select id, subject, work, effects from (select distinct on (rule, subject) * from verdict_decision where job_id = ${job.id}
      order by rule, subject, at desc, id desc) newest
    where decision = 'accepted' and work is not null order by at, id`);
  for (const { id, subject, work, effects } of rows) {
    if (effects?.stepId || work.hours <= 0) continue;
    const text = work.step ?? (work.capNm ? `Set and prove the torque cap of ${Math.round(work.capNm)} N·m` : subject);
    const added = await addStep(tx, job.id, text, work.hours);
    const next = { partLineIds: [], cap: null, ...effects, ...added };
    await tx.execute(sql`update verdict_decision set effects = ${JSON.stringify(next)}::jsonb where id = ${id}`);
  }
}
