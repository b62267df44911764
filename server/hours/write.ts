import { eq, sql } from 'drizzle-orm';
import type { Correction, HoursSaid, LateEntry } from '../../contract/hours.ts';
import { hasRole } from '../../contract/rights.ts';
import type { SignedIn } from '../../contract/session.ts';
import { LONGEST_H, OLDEST_DAYS, type SpanProblem, spanProblem } from '../../core/hours/entry.ts';
import type { Change } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { job, person, stage, timeCorrection, timeEntry } from '../db/schema/index.ts';
import { BadInput, NotAllowed, RuleBroken, Stale } from '../problems.ts';
import { hoursWhere } from './rows.ts';

export type StoredEntry = typeof timeEntry.$inferSelect;

const SENTENCE: Record<SpanProblem, readonly [field: 'from' | 'to', sentence: string]> = {
  backwards: ['to', 'To is not after from.'],
  ahead: ['to', 'These hours are still to come.'],
  tooLong: ['to', `That is more than ${LONGEST_H} hours in one go: enter each day by itself.`],
  tooOld: ['from', `That is more than ${OLDEST_DAYS} days ago: those hours are settled.`],
};

/** Somebody's own hours, or anybody's for a manager. */
export function mayWrite(who: SignedIn, personId: string): void {
  if (who.id !== personId && !hasRole(who.role, 'manager'))
    throw new NotAllowed('Other people’s hours are corrected by a manager.');
}

/** One entry as it is, locked with its job, its stage and its person: nobody clocks on or off meanwhile. */
export async function lockEntry({ tx, job: lock }: Change, entryId: number, version: number | null) {
  const seen = one(
    await tx
      .select({ personId: timeEntry.personId, stageId: timeEntry.stageId, jobId: stage.jobId })
      .from(timeEntry)
      .innerJoin(stage, eq(stage.id, timeEntry.stageId))
      .where(eq(timeEntry.id, entryId)),
    'hours',
  );
  const own = await lock({ id: seen.jobId });
  await lockPerson(tx, seen.personId);
  const stored = one(await tx.select().from(timeEntry).where(eq(timeEntry.id, entryId)).for('update'), 'hours');
  if (version !== null && stored.version !== version)
    throw new Stale((await hoursWhere(tx, sql`t.id = ${entryId}`))[0] ?? null);
  return { stored, job: own };
}

/** Hours of one person are written one after the other. */
export async function lockPerson(tx: Tx, personId: string): Promise<{ readonly name: string }> {
  return one(
    await tx.select({ name: person.name }).from(person).where(eq(person.id, personId)).for('no key update'),
    'person',
  );
}

/** Holds hours against the clock and against the person's others. */
export async function holdSpan(
  tx: Tx,
  { personId, from, to }: { readonly personId: string; readonly from: Date; readonly to: Date | null },
  now: Date,
  except: number | null,
): Promise<void> {
  const problem = spanProblem({ from: from.getTime(), to: to?.getTime() ?? null }, now.getTime());
  if (problem) {
    const [field, sentence] = SENTENCE[problem];
    throw new BadInput({ [field]: sentence });
  }
  const [other] = await hoursWhere(
    tx,
    sql`t.person_id = ${personId} and tstzrange(t."from", t."to") && tstzrange(${from.toISOString()}::timestamptz, ${to?.toISOString() ?? null}::timestamptz)
      and t.id is distinct from ${except}::bigint`,
  );
  if (other) {
    const said = `“${other.stage}” of ${other.jobNumber}`;
    throw new BadInput({
      from:
        other.to === null
          ? `They overlap hours that are on the clock: ${said}.`
          : `They overlap hours that are in the books: ${said}.`,
    });
  }
}

/** The stage hours are for, with its job. */
export const stageOf = async (tx: Tx, stageId: string) => {
  const [found] = await tx
    .select({ id: stage.id, name: stage.name, jobId: stage.jobId, hvConfirmed: stage.hvConfirmed, job: job.number })
    .from(stage)
    .innerJoin(job, eq(job.id, stage.jobId))
    .where(eq(stage.id, stageId));
  if (!found) throw new BadInput({ stageId: 'Choose a stage.' });
  return found;
};

type SaidOf = Pick<StoredEntry, 'kind' | 'cause' | 'from' | 'to'>;
export const saidOf = (entry: SaidOf, of: { readonly name: string; readonly job: string }): HoursSaid => ({
  ...{ job: of.job, stage: of.name, kind: entry.kind, cause: entry.cause },
  ...{ from: entry.from.toISOString(), to: entry.to?.toISOString() ?? null },
});

interface Trace {
  readonly entryId: number;
  readonly personId: string;
  readonly byId: string;
  readonly at: Date;
  readonly why: string;
  readonly before: HoursSaid | null;
  readonly after: HoursSaid | null;
}
export const keepTrace = async (tx: Tx, trace: Trace): Promise<void> => {
  await tx.insert(timeCorrection).values(trace);
};

/** Enters hours that were not clocked. */
export async function enterLate({ tx, log, job: lock }: Change, body: LateEntry, who: SignedIn, now: Date) {
  mayWrite(who, body.personId);
  const of = await stageOf(tx, body.stageId);
  await lock({ id: of.jobId });
  const { name } = await lockPerson(tx, body.personId);
  const { personId, stageId, kind, cause, why } = body;
  const span = { from: new Date(body.from), to: new Date(body.to) };
  await holdSpan(tx, { personId, ...span }, now, null);
  const row = made(
    await tx
      .insert(timeEntry)
      .values({ personId, stageId, kind, cause, ...span })
      .returning(),
  );
  const after = saidOf(row, of);
  await keepTrace(tx, { entryId: row.id, personId, byId: who.id, at: now, why, before: null, after });
  await log({ what: `entered hours of ${name}: ${why}`, resource: 'hours', id: stageId, job: of.job, after });
  return { id: row.id };
}

/** Puts hours right. One on the clock may be ended or moved back, and stays where it is. */
export async function correct(change: Change, entryId: number, body: Correction, who: SignedIn, now: Date) {
  const { tx, log, job: lock } = change;
  const { stored, job: own } = await lockEntry(change, entryId, body.version);
  mayWrite(who, stored.personId);
  const was = await stageOf(tx, stored.stageId);
  const of = body.stageId === stored.stageId ? was : await stageOf(tx, body.stageId);
  if (stored.to === null && body.stageId !== stored.stageId)
    throw new BadInput({ stageId: 'They are on the clock: clock off first, then say where they belong.' });
  if (stored.to !== null && body.to === null) throw new BadInput({ to: 'To is needed.' });
  if (of.jobId !== own.id) await lock({ id: of.jobId });
  const span = { from: new Date(body.from), to: body.to === null ? null : new Date(body.to) };
  await holdSpan(tx, { personId: stored.personId, ...span }, now, entryId);
  const { stageId, kind, cause, why } = body;
  const version = stored.version + 1;
  const next = { stageId, kind, cause, ...span, version };
  await tx.update(timeEntry).set(next).where(eq(timeEntry.id, entryId));
  const [before, after] = [saidOf(stored, was), saidOf({ ...stored, ...next }, of)];
  const { personId } = stored;
  await keepTrace(tx, { entryId, personId, byId: who.id, at: now, why, before, after });
  await log({ what: `corrected hours: ${why}`, resource: 'hours', id: stageId, job: of.job, before, after });
  if (was.job !== of.job)
    await log({
      what: `moved hours to ${of.job}: ${why}`,
      resource: 'hours',
      id: stored.stageId,
      job: was.job,
      before,
    });
  return { stored, was, version };
}

/** Strikes hours out that nobody worked; what they were stays in the trace. */
export async function strike(
  change: Change,
  entryId: number,
  body: { readonly why: string; readonly version: number },
  who: SignedIn,
  now: Date,
) {
  const { tx, log } = change;
  const { stored, job: own } = await lockEntry(change, entryId, body.version);
  mayWrite(who, stored.personId);
  if (stored.to === null) throw new RuleBroken('They are on the clock: clock off first.');
  const was = await stageOf(tx, stored.stageId);
  await tx.delete(timeEntry).where(eq(timeEntry.id, entryId));
  const before = saidOf(stored, was);
  const { personId } = stored;
  await keepTrace(tx, { entryId, personId, byId: who.id, at: now, why: body.why, before, after: null });
  await log({ what: `struck out hours: ${body.why}`, resource: 'hours', id: stored.stageId, job: own.number, before });
  return { id: entryId };
}
