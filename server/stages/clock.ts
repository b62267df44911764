import { and, eq, isNull } from 'drizzle-orm';
import type { SignedIn } from '../../contract/session.ts';
import type { ClockOn } from '../../contract/stages.ts';
import { stateAfterClockOn } from '../../core/job/states.ts';
import { hvPresenceProblem, isAtWork, openBefore } from '../../core/stage/stageRules.ts';
import { PRESENCE_SENTENCE } from '../../wording/presence.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { job, person, stage, timeEntry } from '../db/schema/index.ts';
import { RuleBroken, SignInNeeded } from '../problems.ts';
import { peopleOn, stageForChange, stagesOfJob } from './queries.ts';

/** Where a person is clocked on now, or null. */
async function openEntryOf(tx: Tx, personId: string) {
  const [row] = await tx
    .select({ id: timeEntry.id, stageId: stage.id, stageName: stage.name, jobId: stage.jobId, number: job.number })
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

/**
 * Clocks a person on to a stage. The first one at work starts an ordinary stage; a live high-voltage stage starts only
 * when its presence is confirmed. A finished stage takes rework only.
 */
export async function clockOn(change: Change, stageId: string, who: SignedIn, body: ClockOn, now: Date, today: string) {
  const { tx, log } = change;
  const { stage: current, job: own } = await stageForChange(change, stageId);
  await holdActive(tx, who.id);
  const elsewhere = await openEntryOf(tx, who.id);
  if (elsewhere) {
    throw new RuleBroken(
      elsewhere.stageId === stageId
        ? 'You are clocked on to this stage already.'
        : `You are clocked on to “${elsewhere.stageName}” of ${elsewhere.number}. Clock off there first.`,
    );
  }
  if (current.state === 'done' && body.kind !== 'rework')
    throw new RuleBroken('This stage is finished. Clock on for rework, with its cause.');
  if (current.state === 'done' && current.liveHv) {
    // A finished stage is not confirmed again, so rework on it begins with the authorised person.
    const problem = hvPresenceProblem(
      [...(await peopleOn(tx, stageId)), { personId: who.id, kind: body.kind, hvUntil: who.hvUntil }],
      today,
    );
    if (problem && problem !== 'secondPersonMissing') throw new RuleBroken(PRESENCE_SENTENCE[problem]);
  }
  const waitingFor = openBefore(current, await stagesOfJob(tx, own.id));
  if (waitingFor.length > 0)
    throw new RuleBroken(`First finish ${waitingFor.map((s) => `“${s.name}”`).join(' and ')}.`);
  await tx.insert(timeEntry).values({ personId: who.id, stageId, kind: body.kind, cause: body.cause, from: now });
  if (isAtWork(body.kind)) {
    if (current.state === 'waiting' && !current.liveHv) {
      await tx
        .update(stage)
        .set({ state: 'inHand', startedAt: now, version: current.version + 1 })
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
    after: { personId: who.id, person: who.name, ...body },
  });
  return { stageId };
}

/** Clocks a person off wherever they are. Live work left by one of the two is no longer confirmed. */
export async function clockOff(change: Change, person: SignedIn, now: Date, today: string) {
  const { tx, log } = change;
  const found = await openEntryOf(tx, person.id);
  if (!found) throw new RuleBroken('You are not clocked on anywhere.');
  const { stage: current, job: own } = await stageForChange(change, found.stageId);
  // Looked at again under the lock: the same person may have clocked off, or the stage been finished, meanwhile.
  const closed = await tx
    .update(timeEntry)
    .set({ to: now })
    .where(and(eq(timeEntry.id, found.id), isNull(timeEntry.to)))
    .returning({ id: timeEntry.id });
  if (closed.length === 0) throw new RuleBroken('You are not clocked on anywhere.');
  if (current.hvConfirmed && hvPresenceProblem(await peopleOn(tx, current.id), today))
    await tx.update(stage).set({ hvConfirmed: false }).where(eq(stage.id, current.id));
  await log({
    what: 'clocked off',
    resource: 'stage',
    id: current.id,
    job: own.number,
    after: { personId: person.id, person: person.name },
  });
  return { stageId: current.id };
}
