import { and, desc, eq, getTableColumns, isNull, ne, sql } from 'drizzle-orm';
import type { SignedIn } from '../../contract/session.ts';
import type { ReadingBody } from '../../contract/stages.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { stateAfterFinish } from '../../core/job/states.ts';
import { readingLiftedBy } from '../../core/practice/blocks.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { judgeReading } from '../../core/stage/limit.ts';
import { finishProblem, hvPresenceProblem, isAtWork } from '../../core/stage/stageRules.ts';
import { type ToolProblem, toolProblem } from '../../core/toolbox/tool.ts';
import { clock, dayOf } from '../../wording/dates.ts';
import { PRESENCE_SENTENCE } from '../../wording/presence.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job, person, reading, stage, step, timeEntry, tool } from '../db/schema/index.ts';
import { BadInput, NotAllowed, RuleBroken, Stale } from '../problems.ts';
import { WAY_MS } from '../read/hours.ts';
import { peopleOn } from '../read/leftStage.ts';
import { holdLive } from '../read/liveBarrier.ts';
import { stageForChange, stagesOfJob } from './queries.ts';

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
  await holdLive(tx, current.jobId);
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

/** What somebody did, and when: which may be before it could be told. */
export interface Done<B> {
  readonly who: SignedIn;
  readonly body: B;
  readonly at: Date;
  readonly workshop: Workshop;
}

const newestReading = (tx: Tx, stepId: string) =>
  tx
    .select({ ...getTableColumns(reading), by: person.name })
    .from(reading)
    .innerJoin(person, eq(person.id, reading.byId))
    .where(eq(reading.stepId, stepId))
    .orderBy(desc(reading.id))
    .limit(1);

/** What was read before the newest reading and comes in after it says nothing of how things are: it would lift a stop. */
async function holdNewest(tx: Tx, own: { readonly id: string }, at: Date, timeZone: string): Promise<void> {
  const [last] = await newestReading(tx, own.id);
  if (last && last.at.getTime() - at.getTime() > WAY_MS)
    throw new RuleBroken(
      `${last.by} has read this after that, at ${clock(last.at.toISOString(), timeZone)}. Read it again if theirs is wrong.`,
    );
}

/** Stores a reading and holds it against the step's limits: out of limits stops the stage, back within lets it go on. */
export async function takeReading(
  change: Change,
  stepId: string,
  { who: person, body: { value, toolId = null }, at, workshop: { timeZone } }: Done<ReadingBody>,
) {
  const { tx, log } = change;
  const day = dayOf(at, timeZone);
  const { own, stage: current, job: on } = await stepForChange(change, stepId);
  if (current.state === 'done') throw new RuleBroken('This stage is finished. Its readings stay as they are.');
  await requireOnStage(tx, current.id, person);
  if (current.liveHv) {
    await requirePresence(tx, current.id, day);
    await holdLive(tx, current.jobId);
    if (!current.hvConfirmed) throw new RuleBroken(CONFIRM_FIRST);
  }
  await holdNewest(tx, own, at, timeZone);
  const measured = own.limitKind !== null;
  if (!measured && value !== 1 && value !== 0) throw new BadInput({ value: 'This step is confirmed, not measured.' });
  const taken = await toolFor(tx, own.tool, toolId, day);
  const verdict = measured
    ? judgeReading(value, { min: own.limitMin, max: own.limitMax })
    : value === 1
      ? 'within'
      : 'under';
  await tx.insert(reading).values({ stepId, value, verdict, toolId: taken?.id ?? null, byId: person.id, at });
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
    after: { step: own.text, value, verdict, with: taken?.name },
  });
  return { verdict };
}

const TOOL_SENTENCE: Record<ToolProblem, string> = {
  out: 'It is not to be had.',
  neverCalibrated: 'It has never been calibrated: nobody knows what it shows.',
  calibrationOver: 'Its calibration has run out: take another, or have it calibrated.',
  otherKind: 'It is something else.',
};

/** The tool a step is done with, held for the change: of its kind, to be had, in date. */
async function toolFor(tx: Tx, kind: string | null, toolId: string | null, today: string) {
  if (toolId === null) {
    if (kind !== null) throw new BadInput({ toolId: `Say with which ${kind}.` });
    return null;
  }
  const [found] = await tx.select().from(tool).where(eq(tool.id, toolId)).for('share');
  if (!found) throw new BadInput({ toolId: 'Choose one from the register.' });
  const problem = toolProblem(found, kind, today);
  if (problem) throw new BadInput({ toolId: TOOL_SENTENCE[problem] });
  return found;
}

/** A second person looks at what was read and signs for it; never the one who read it. */
export async function signSecond(change: Change, stepId: string, person: SignedIn, now: Date) {
  const { tx, log } = change;
  const { own, stage: current, job: on } = await stepForChange(change, stepId);
  if (!own.second) throw new RuleBroken('This step takes one signature.');
  if (current.state === 'done') throw new RuleBroken('This stage is finished. Its readings stay as they are.');
  const [last] = await newestReading(tx, stepId);
  if (!last) throw new RuleBroken('There is nothing to sign yet.');
  if (last.secondById) throw new RuleBroken('It is signed already.');
  if (last.byId === person.id) throw new RuleBroken('You read it yourself: somebody else looks and signs.');
  await tx.update(reading).set({ secondById: person.id, secondAt: now }).where(eq(reading.id, last.id));
  await tx
    .update(stage)
    .set({ version: current.version + 1 })
    .where(eq(stage.id, current.id));
  await log({
    what: `signed second: ${own.text}`,
    resource: 'stage',
    id: current.id,
    job: on.number,
    after: { by: person.name },
  });
  return { stepId };
}

/** A person with the right to do so lets the stage go on with a reading out of limits, with a reason. */
export async function decideReading(change: Change, stepId: string, reason: string, person: SignedIn, now: Date) {
  const { tx, log } = change;
  const { own, stage: current, job: on } = await stepForChange(change, stepId);
  const [last] = await newestReading(tx, stepId);
  if (!last || last.verdict === 'within' || last.reason) throw new RuleBroken('There is nothing to decide here.');
  if (readingLiftedBy(own.limitKind as QuantityKind | null) === 'nobody')
    throw new RuleBroken('Insulation out of limits is let stand by nobody: find the fault, mend it, measure again.');
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

/**
 * Finishes a stage made from a known version (null: as it stands) and clocks everybody off it: whoever finished it when that
 * was, others now, since nobody told them. The last one moves the job on to Prove.
 */
export async function finishStage(
  change: Change,
  stageId: string,
  { who: person, body: { version }, at, workshop: { timeZone } }: Done<{ readonly version: number | null }>,
  now: Date,
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
  if (version !== null && current.version !== version)
    throw new Stale({ state: current.state, version: current.version });
  if (current.state === 'waiting') throw new RuleBroken('This stage has not been started.');
  await requireOnStage(tx, stageId, person);
  if (current.liveHv) {
    await requirePresence(tx, stageId, dayOf(at, timeZone));
    await holdLive(tx, current.jobId);
    if (!current.hvConfirmed) throw new RuleBroken(CONFIRM_FIRST);
  }
  const own = (await stagesOfJob(tx, current.jobId)).find((s) => s.id === stageId);
  const problem = finishProblem(
    (own?.steps ?? []).map((s) => ({
      done: s.reading !== null,
      outOfLimits: s.reading !== null && s.reading.verdict !== 'within',
      decided: s.reading?.reason != null,
      unsigned: s.second && s.reading !== null && s.reading.secondBy === null,
    })),
  );
  if (problem === 'stopped')
    throw new RuleBroken('A reading is out of limits. Measure again, or a manager decides with a reason.');
  if (problem === 'unsigned') throw new RuleBroken('A second person signs first what is marked so.');
  if (problem === 'stepsOpen') throw new RuleBroken('Some steps have no answer yet.');
  await tx
    .update(stage)
    .set({ state: 'done', hvConfirmed: false, finishedAt: at, finishedById: person.id, version: current.version + 1 })
    .where(eq(stage.id, stageId));
  await tx
    .update(timeEntry)
    // Their own entry may have begun since, where clocking on was set right by what reached the server first.
    .set({
      to: sql`greatest(${timeEntry.from}, case when ${timeEntry.personId} = ${person.id} then ${at}::timestamptz else ${now}::timestamptz end)`,
    })
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
