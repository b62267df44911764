import { and, desc, eq, isNull, ne } from 'drizzle-orm';
import type { SignedIn } from '../../contract/session.ts';
import { judgeReading } from '../../core/build/limit.ts';
import { finishProblem, hvPresenceProblem } from '../../core/build/stageRules.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { job, reading, stage, step, timeEntry } from '../db/schema/index.ts';
import { badInput, notFound, ProblemError, ruleBroken, stale } from '../problems.ts';
import { PRESENCE_SENTENCE } from './presence.ts';
import { peopleOn, stageForChange, stagesOfJob } from './queries.ts';

async function requirePresence(tx: Tx, stageId: string, today: string): Promise<void> {
  const problem = hvPresenceProblem(await peopleOn(tx, stageId), today);
  if (problem) throw ruleBroken(PRESENCE_SENTENCE[problem]);
}

async function requireOnStage(tx: Tx, stageId: string, person: SignedIn): Promise<void> {
  const on = await peopleOn(tx, stageId);
  if (!on.some((p) => p.personId === person.id))
    throw ruleBroken('Clock on to this stage first, so that the work has a name to it.');
}

/** Confirms isolation and presence before live work: by the authorised person, with a second one clocked on. */
export async function confirmLive({ tx, log }: Change, stageId: string, person: SignedIn, now: Date, today: string) {
  const row = await stageForChange(tx, stageId);
  if (!row.stage.liveHv) throw ruleBroken('This stage has no live high-voltage work.');
  await requireOnStage(tx, stageId, person);
  if (!person.hvUntil) throw new ProblemError('notAllowed', 'Only the HV authorised person can confirm this.');
  if (person.hvUntil < today)
    throw new ProblemError(
      'notAllowed',
      `Your HV authorisation ran out on ${person.hvUntil}. Another authorised person must confirm.`,
    );
  await requirePresence(tx, stageId, today);
  const state = row.stage.state === 'waiting' ? 'inHand' : row.stage.state;
  await tx
    .update(stage)
    .set({ hvConfirmed: true, state, startedAt: row.stage.startedAt ?? now, version: row.stage.version + 1 })
    .where(eq(stage.id, stageId));
  const names = (await peopleOn(tx, stageId)).map((p) => p.name);
  await log({ what: 'confirmed live work', resource: 'stage', id: stageId, job: row.number, after: { people: names } });
  return { people: names };
}

async function stepForChange(tx: Tx, stepId: string) {
  const [own] = await tx.select().from(step).where(eq(step.id, stepId));
  if (!own) throw notFound('step');
  return { own, ...(await stageForChange(tx, own.stageId)) };
}

/** Is any other step of the stage still out of limits without a decision? */
async function otherStops(tx: Tx, jobId: string, stageId: string, stepId: string): Promise<boolean> {
  const own = (await stagesOfJob(tx, jobId)).find((s) => s.id === stageId);
  return (own?.steps ?? []).some(
    (s) => s.id !== stepId && s.reading !== null && s.reading.verdict !== 'within' && !s.reading.reason,
  );
}

/** Stores a reading and holds it against the step's limits: out of limits stops the stage, back within lets it go on. */
export async function takeReading(
  { tx, log }: Change,
  stepId: string,
  value: number,
  person: SignedIn,
  now: Date,
  today: string,
) {
  const { own, stage: current, number } = await stepForChange(tx, stepId);
  if (current.state === 'done') throw ruleBroken('This stage is finished. Its readings stay as they are.');
  await requireOnStage(tx, current.id, person);
  if (current.liveHv) {
    await requirePresence(tx, current.id, today);
    if (!current.hvConfirmed) throw ruleBroken('Confirm isolation and the two people first.');
  }
  const measured = own.limitKind !== null;
  if (!measured && value !== 1 && value !== 0) throw badInput({ value: 'This step is confirmed, not measured.' });
  const verdict = measured
    ? judgeReading(value, { min: own.limitMin, max: own.limitMax })
    : value === 1
      ? 'within'
      : 'under';
  await tx.insert(reading).values({ stepId, value, verdict, byId: person.id, at: now });
  const stops = verdict !== 'within' || (await otherStops(tx, current.jobId, current.id, stepId));
  await tx
    .update(stage)
    .set({ state: stops ? 'stopped' : 'inHand', version: current.version + 1 })
    .where(eq(stage.id, current.id));
  await log({
    what: verdict === 'within' ? 'took a reading' : 'took a reading out of limits',
    resource: 'stage',
    id: current.id,
    job: number,
    after: { step: own.text, value, verdict },
  });
  return { verdict };
}

/** A person with the right to do so lets the stage go on with a reading out of limits, with a reason. */
export async function decideReading({ tx, log }: Change, stepId: string, reason: string, person: SignedIn, now: Date) {
  const { own, stage: current, number } = await stepForChange(tx, stepId);
  const [last] = await tx.select().from(reading).where(eq(reading.stepId, stepId)).orderBy(desc(reading.id)).limit(1);
  if (!last || last.verdict === 'within' || last.reason) throw ruleBroken('There is nothing to decide here.');
  await tx.update(reading).set({ decidedById: person.id, decidedAt: now, reason }).where(eq(reading.id, last.id));
  if (current.state === 'stopped' && !(await otherStops(tx, current.jobId, current.id, stepId))) {
    await tx
      .update(stage)
      .set({ state: 'inHand', version: current.version + 1 })
      .where(eq(stage.id, current.id));
  }
  await log({
    what: 'let a reading stand',
    resource: 'stage',
    id: current.id,
    job: number,
    after: { step: own.text, value: last.value, reason },
  });
  return { stepId };
}

/** Finishes a stage made from a known version and clocks everybody off it. The last one moves the job on to Prove. */
export async function finishStage(
  { tx, log }: Change,
  stageId: string,
  version: number,
  person: SignedIn,
  now: Date,
  today: string,
) {
  const { stage: current, number } = await stageForChange(tx, stageId);
  if (current.state === 'done') {
    const all = await stagesOfJob(tx, current.jobId);
    throw stale({
      message: `Finished already by ${all.find((s) => s.id === stageId)?.finishedBy ?? 'somebody else'}.`,
      state: 'done',
    });
  }
  if (current.version !== version) throw stale({ state: current.state, version: current.version });
  if (current.state === 'waiting') throw ruleBroken('This stage has not been started.');
  await requireOnStage(tx, stageId, person);
  if (current.liveHv) await requirePresence(tx, stageId, today);
  const own = (await stagesOfJob(tx, current.jobId)).find((s) => s.id === stageId);
  const problem = finishProblem(
    (own?.steps ?? []).map((s) => ({
      done: s.reading !== null,
      outOfLimits: s.reading !== null && s.reading.verdict !== 'within',
      decided: s.reading?.reason != null,
    })),
  );
  if (problem === 'stopped')
    throw ruleBroken('A reading is out of limits. Measure again, or a manager decides with a reason.');
  if (problem === 'stepsOpen') throw ruleBroken('Some steps have no answer yet.');
  await tx
    .update(stage)
    .set({ state: 'done', hvConfirmed: false, finishedAt: now, finishedById: person.id, version: version + 1 })
    .where(eq(stage.id, stageId));
  await tx
    .update(timeEntry)
    .set({ to: now })
    .where(and(eq(timeEntry.stageId, stageId), isNull(timeEntry.to)));
  const open = await tx
    .select({ id: stage.id })
    .from(stage)
    .where(and(eq(stage.jobId, current.jobId), ne(stage.state, 'done')));
  if (open.length === 0)
    await tx
      .update(job)
      .set({ state: 'proving' })
      .where(and(eq(job.number, number), eq(job.state, 'building')));
  await log({
    what: `finished ${current.name}`,
    resource: 'stage',
    id: stageId,
    job: number,
    after: { by: person.name },
  });
  return { stageId };
}
