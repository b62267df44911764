import { and, eq, isNull } from 'drizzle-orm';
import type { SignedIn } from '../../contract/session.ts';
import type { ClockOff, ClockOn } from '../../contract/stages.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { isForgotten } from '../../core/hours/sums.ts';
import { stateAfterClockOn } from '../../core/job/states.ts';
import { hvPresenceProblem, isAtWork, openBefore } from '../../core/stage/stageRules.ts';
import { clock, dayOf, weekdayAndDay } from '../../wording/dates.ts';
import { PRESENCE_SENTENCE } from '../../wording/presence.ts';
import { zoneDays } from '../../wording/zoneDays.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { job, person, stage, timeEntry } from '../db/schema/index.ts';
import { RuleBroken, SignInNeeded } from '../problems.ts';
import { freeFrom, WAY_MS } from '../read/hours.ts';
import { leftStage, peopleOn } from '../read/leftStage.ts';
import { holdSister, holdTools } from './holds.ts';
import { stageForChange, stagesOfJob } from './queries.ts';

/** Where a person is clocked on now, or null. */
async function openEntryOf(tx: Tx, personId: string) {
  const [row] = await tx
    .select({
      ...{ id: timeEntry.id, from: timeEntry.from, stageId: stage.id, stageName: stage.name },
      ...{ jobId: stage.jobId, number: job.number },
    })
    .from(timeEntry)
    .innerJoin(stage, eq(stage.id, timeEntry.stageId))
    .innerJoin(job, eq(job.id, stage.jobId))
    .where(and(eq(timeEntry.personId, personId), isNull(timeEntry.to)));
  return row ?? null;
}

/** A person who is being switched off at this moment is waited for, and does not clock on. */
async function holdActive(tx: Tx, personId: string): Promise<void> {
  const [row] = await tx.select({ active: person.active }).from(person).where(eq(person.id, personId)).for('share');
  if (!row?.active) throw new SignInNeeded();
}

interface Clocking {
  readonly who: SignedIn;
  readonly body: ClockOn;
  /** When it was done, which may be before it could be told; tools and authorisations are held to its day. */
  readonly at: Date;
  /** Says whether those who stay may go on. */
  readonly today: string;
  readonly workshop: Workshop;
}

/**
 * Clocks a person on to a stage, leaving where they are if they say so. The first one at work starts an ordinary stage; a
 * live high-voltage stage starts only when its presence is confirmed. A finished stage takes rework only. A clock left
 * running since a day before is asked about first: only its person knows when they stopped.
 */
export async function clockOn(change: Change, stageId: string, { who, body, at, today, workshop }: Clocking) {
  const { tx, log } = change;
  const day = dayOf(at, workshop.timeZone);
  const { stage: current, job: own } = await stageForChange(change, stageId);
  await holdActive(tx, who.id);
  const elsewhere = await openEntryOf(tx, who.id);
  if (elsewhere) {
    if (elsewhere.stageId === stageId) throw new RuleBroken('You are clocked on to this stage already.');
    const days = zoneDays(workshop.timeZone);
    if (isForgotten({ from: elsewhere.from.getTime(), to: null }, at.getTime(), days))
      throw new RuleBroken(
        `Your clock on “${elsewhere.stageName}” of ${elsewhere.number} has run since ${weekdayAndDay(elsewhere.from.toISOString(), workshop.timeZone)}. Say first when you stopped there.`,
      );
    if (!body.leave)
      throw new RuleBroken(
        `You are clocked on to “${elsewhere.stageName}” of ${elsewhere.number}. Clock off there first.`,
      );
  }
  if (current.state === 'done' && body.kind !== 'rework')
    throw new RuleBroken('This stage is finished. Clock on for rework, with its cause.');
  const waitingFor = openBefore(current, await stagesOfJob(tx, own.id));
  if (waitingFor.length > 0)
    throw new RuleBroken(`First finish ${waitingFor.map((s) => `“${s.name}”`).join(' and ')}.`);
  if (current.state === 'waiting') await holdSister(tx, own.followsId, body.kind);
  await holdTools(tx, current.tools, body.kind, day);
  if (elsewhere) await clockOff(change, { who, body: {}, at, today, workshop });
  if (current.state === 'done' && current.liveHv) {
    // A finished stage is not confirmed again, so rework on it begins with the authorised person. A locked service switch
    // or a failed connector is no bar: either is what rework is done behind, and for.
    const problem = hvPresenceProblem(
      [...(await peopleOn(tx, stageId)), { personId: who.id, kind: body.kind, hvUntil: who.hvUntil }],
      day,
    );
    if (problem && problem !== 'secondPersonMissing') throw new RuleBroken(PRESENCE_SENTENCE[problem]);
  }
  const from = await freeFrom(tx, who.id, at);
  if (!from) {
    const { timeZone } = workshop;
    const when = `${clock(at.toISOString(), timeZone)} on ${dayOf(at, timeZone)}`;
    throw new RuleBroken(`The books have you elsewhere after ${when} already. Enter these hours afterwards.`);
  }
  const { kind, cause } = body;
  await tx.insert(timeEntry).values({ personId: who.id, stageId, kind, cause, from });
  if (isAtWork(body.kind)) {
    if (current.state === 'waiting' && !current.liveHv) {
      await tx
        .update(stage)
        .set({ state: 'inHand', startedAt: from, version: current.version + 1 })
        .where(eq(stage.id, stageId));
    }
    const state = stateAfterClockOn(own.state);
    if (state !== own.state) await tx.update(job).set({ state }).where(eq(job.id, own.id));
  }
  await log({
    what: 'clocked on',
    resource: 'stage',
    id: stageId,
    job: own.number,
    after: { personId: who.id, person: who.name, kind, cause, from },
  });
  return { stageId };
}

type Leaving = Omit<Clocking, 'body'> & { readonly body: ClockOff };

/** Clocks a person off wherever they are. Live work left by one of the two is no longer confirmed. */
export async function clockOff(change: Change, { who, body, at, today, workshop: { timeZone } }: Leaving) {
  const { tx, log } = change;
  const found = await openEntryOf(tx, who.id);
  if (!found) throw new RuleBroken('You are not clocked on anywhere.');
  if (found.from.getTime() - at.getTime() > WAY_MS)
    throw new RuleBroken(
      `You clocked on to “${found.stageName}” of ${found.number} after that, at ${clock(found.from.toISOString(), timeZone)}, and are still there. Correct your hours in People if that is wrong.`,
    );
  const { stage: current, job: own } = await stageForChange(change, found.stageId);
  // Looked at again under the lock: the same person may have clocked off, or the stage been finished, meanwhile.
  const to = at > found.from ? at : found.from;
  const closed = await tx
    .update(timeEntry)
    .set({ to, paused: body.pause ?? false })
    .where(and(eq(timeEntry.id, found.id), isNull(timeEntry.to)))
    .returning({ id: timeEntry.id });
  if (closed.length === 0) throw new RuleBroken('You are not clocked on anywhere.');
  await leftStage(tx, current, today);
  await log({
    what: body.pause ? 'went on a break' : 'clocked off',
    resource: 'stage',
    id: current.id,
    job: own.number,
    after: { personId: who.id, person: who.name, to },
  });
  return { stageId: current.id };
}
