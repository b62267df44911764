import { and, eq, isNull } from 'drizzle-orm';
import type { ClockOn } from '../../contract/build.ts';
import type { SignedIn } from '../../contract/session.ts';
import { hvPresenceProblem, openBefore } from '../../core/build/stageRules.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { job, stage, timeEntry } from '../db/schema/index.ts';
import { ruleBroken } from '../problems.ts';
import { PRESENCE_SENTENCE } from './presence.ts';
import { peopleOn, stageForChange, stagesOfJob } from './queries.ts';

/** Where a person is clocked on now, or null. */
async function openEntryOf(tx: Tx, personId: string) {
  const [row] = await tx
    .select({ entry: timeEntry, stage, number: job.number })
    .from(timeEntry)
    .innerJoin(stage, eq(stage.id, timeEntry.stageId))
    .innerJoin(job, eq(job.id, stage.jobId))
    .where(and(eq(timeEntry.personId, personId), isNull(timeEntry.to)));
  return row ?? null;
}

/**
 * Clocks a person on to a stage. The first one on starts an ordinary stage; a live high-voltage stage starts only
 * when its presence is confirmed. A finished stage takes rework only.
 */
export async function clockOn(
  { tx, log }: Change,
  stageId: string,
  person: SignedIn,
  body: ClockOn,
  now: Date,
  today: string,
) {
  const row = await stageForChange(tx, stageId);
  const elsewhere = await openEntryOf(tx, person.id);
  if (elsewhere) {
    const here = elsewhere.stage.id === stageId;
    throw ruleBroken(
      here
        ? 'You are clocked on to this stage already.'
        : `You are clocked on to “${elsewhere.stage.name}” of ${elsewhere.number}. Clock off there first.`,
    );
  }
  if (row.stage.state === 'done' && body.kind !== 'rework')
    throw ruleBroken('This stage is finished. Clock on for rework, with its cause.');
  if (row.stage.state === 'done' && row.stage.liveHv) {
    // A finished stage is not confirmed again, so rework on it begins with the authorised person.
    const problem = hvPresenceProblem(
      [...(await peopleOn(tx, stageId)), { personId: person.id, hvUntil: person.hvUntil }],
      today,
    );
    if (problem && problem !== 'secondPersonMissing') throw ruleBroken(PRESENCE_SENTENCE[problem]);
  }
  const waitingFor = openBefore(row.stage, await stagesOfJob(tx, row.stage.jobId));
  if (waitingFor.length > 0) throw ruleBroken(`First finish ${waitingFor.map((s) => `“${s.name}”`).join(' and ')}.`);
  await tx.insert(timeEntry).values({ personId: person.id, stageId, kind: body.kind, cause: body.cause, from: now });
  if (row.stage.state === 'waiting' && !row.stage.liveHv) {
    await tx
      .update(stage)
      .set({ state: 'inHand', startedAt: now, version: row.stage.version + 1 })
      .where(eq(stage.id, stageId));
  }
  if (['enquiry', 'sizing', 'waitingForClient', 'waitingForPart'].includes(row.jobState)) {
    await tx.update(job).set({ state: 'building' }).where(eq(job.number, row.number));
  }
  await log({
    what: 'clocked on',
    resource: 'stage',
    id: stageId,
    job: row.number,
    after: { person: person.name, ...body },
  });
  return { stageId };
}

/** Clocks a person off wherever they are. Live work left by one of the two is no longer confirmed. */
export async function clockOff({ tx, log }: Change, person: SignedIn, now: Date, today: string) {
  const open = await openEntryOf(tx, person.id);
  if (!open) throw ruleBroken('You are not clocked on anywhere.');
  await tx.update(timeEntry).set({ to: now }).where(eq(timeEntry.id, open.entry.id));
  if (open.stage.liveHv && open.stage.hvConfirmed && hvPresenceProblem(await peopleOn(tx, open.stage.id), today)) {
    await tx.update(stage).set({ hvConfirmed: false }).where(eq(stage.id, open.stage.id));
  }
  await log({
    what: 'clocked off',
    resource: 'stage',
    id: open.stage.id,
    job: open.number,
    after: { person: person.name },
  });
  return { stageId: open.stage.id };
}
