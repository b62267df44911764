import { and, desc, eq, isNull, ne } from 'drizzle-orm';
import type { SignedIn } from '../../contract/session.ts';
import { stateAfterFinish } from '../../core/job/states.ts';
import { judgeReading } from '../../core/stage/limit.ts';
import { finishProblem, hvPresenceProblem, isAtWork } from '../../core/stage/stageRules.ts';
import { PRESENCE_SENTENCE } from '../../wording/presence.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job, reading, stage, step, timeEntry } from '../db/schema/index.ts';
import { BadInput, NotAllowed, RuleBroken, Stale } from '../problems.ts';
import { peopleOn, stageForChange, stagesOfJob } from './queries.ts';

const CONFIRM_FIRST = 'Confirm isolation and the two people first.';

async function requirePresence(tx: Tx, stageId: string, today: string): Promise<void> {
  const problem = hvPresenceProblem(await peopleOn(tx, stageId), today);
  if (problem) throw new RuleBroken(PRESENCE_SENTENCE[problem]);
}

async function requireOnStage(tx: Tx, stageId: string, person: SignedIn): Promise<void> {
  const on = await peopleOn(tx, stageId);
  if (!on.some((p) => p.personId === person.id && isAtWork(p.kind)))
    throw new RuleBroken('Clock on to this stage first, so that the work has a name to it.');
}

/** Confirms isolation and presence before live work: by the authorised person, with a second one clocked on. */
export async function confirmLive(change: Change, stageId: string, person: SignedIn, now: Date, today: string) {
  const { tx, log } = change;
  const { stage: current, job: own } = await stageForChange(change, stageId);
  if (!current.liveHv) throw new RuleBroken('This stage has no live high-voltage work.');
  if (current.state === 'done') throw new RuleBroken('This stage is finished. Nothing is confirmed on it any more.');
  await requireOnStage(tx, stageId, person);
  // As it is under the stage's lock: it may have been ended since this person was let in.
  const hvUntil = (await peopleOn(tx, stageId)).find((one) => one.personId === person.id)?.hvUntil;
  if (!hvUntil) throw new NotAllowed('Only the HV authorised person can confirm this.');
  if (hvUntil < today)
    throw new NotAllowed(`Your HV authorisation ran out on ${hvUntil}. Another authorised person must confirm.`);
  await requirePresence(tx, stageId, today);
  const people = (await peopleOn(tx, stageId)).filter((p) => isAtWork(p.kind));
  const names = people.map((p) => p.name);
  if (current.hvConfirmed) return { people: names };
  const state = current.state === 'waiting' ? 'inHand' : current.state;
  await tx
    .update(stage)
    .set({ hvConfirmed: true, state, startedAt: current.startedAt ?? now, version: current.version + 1 })
    .where(eq(stage.id, stageId));
  await log({ what: 'confirmed live work', resource: 'stage', id: stageId, job: own.number, after: { people: names } });
  return { people: names };
}

async function stepForChange(change: Change, stepId: string) {
  const own = one(await change.tx.select().from(step).where(eq(step.id, stepId)), 'step');
  return { own, ...(await stageForChange(change, own.stageId)) };
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
  change: Change,
  stepId: string,
  value: number,
  person: SignedIn,
  now: Date,
  today: string,
) {
  const { tx, log } = change;
  const { own, stage: current, job: on } = await stepForChange(change, stepId);
  if (current.state === 'done') throw new RuleBroken('This stage is finished. Its readings stay as they are.');
  await requireOnStage(tx, current.id, person);
  if (current.liveHv) {
    await requirePresence(tx, current.id, today);
    if (!current.hvConfirmed) throw new RuleBroken(CONFIRM_FIRST);
  }
  const measured = own.limitKind !== null;
  if (!measured && value !== 1 && value !== 0) throw new BadInput({ value: 'This step is confirmed, not measured.' });
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
    job: on.number,
    after: { step: own.text, value, verdict },
  });
  return { verdict };
}

/** A person with the right to do so lets the stage go on with a reading out of limits, with a reason. */
export async function decideReading(change: Change, stepId: string, reason: string, person: SignedIn, now: Date) {
  const { tx, log } = change;
  const { own, stage: current, job: on } = await stepForChange(change, stepId);
  const [last] = await tx.select().from(reading).where(eq(reading.stepId, stepId)).orderBy(desc(reading.id)).limit(1);
  if (!last || last.verdict === 'within' || last.reason) throw new RuleBroken('There is nothing to decide here.');
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
    job: on.number,
    after: { step: own.text, value: last.value, reason },
  });
  return { stepId };
}

/** Finishes a stage made from a known version and clocks everybody off it. The last one moves the job on to Prove. */
export async function finishStage(
  change: Change,
  stageId: string,
  version: number,
  person: SignedIn,
  now: Date,
  today: string,
) {
  const { tx, log } = change;
  const { stage: current, job: on } = await stageForChange(change, stageId);
  if (current.state === 'done') {
    const all = await stagesOfJob(tx, current.jobId);
    throw new Stale({
      message: `Finished already by ${all.find((s) => s.id === stageId)?.finishedBy ?? 'somebody else'}.`,
      state: 'done',
    });
  }
  if (current.version !== version) throw new Stale({ state: current.state, version: current.version });
  if (current.state === 'waiting') throw new RuleBroken('This stage has not been started.');
  await requireOnStage(tx, stageId, person);
  if (current.liveHv) {
    await requirePresence(tx, stageId, today);
    if (!current.hvConfirmed) throw new RuleBroken(CONFIRM_FIRST);
  }
  const own = (await stagesOfJob(tx, current.jobId)).find((s) => s.id === stageId);
  const problem = finishProblem(
    (own?.steps ?? []).map((s) => ({
      done: s.reading !== null,
      outOfLimits: s.reading !== null && s.reading.verdict !== 'within',
      decided: s.reading?.reason != null,
    })),
  );
  if (problem === 'stopped')
    throw new RuleBroken('A reading is out of limits. Measure again, or a manager decides with a reason.');
  if (problem === 'stepsOpen') throw new RuleBroken('Some steps have no answer yet.');
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
  const state = stateAfterFinish(on.state, open.length);
  if (state !== on.state) await tx.update(job).set({ state }).where(eq(job.id, on.id));
  await log({
    what: `finished ${current.name}`,
    resource: 'stage',
    id: stageId,
    job: on.number,
    after: { by: person.name },
  });
  return { stageId };
}
