import { and, eq, sql } from 'drizzle-orm';
import { stateAfterAgreed } from '../../core/job/states.ts';
import type { AdditionState, OfferBody, OfferState } from '../../core/offer/offer.ts';
import { dayOf } from '../../wording/dates.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { addition, design, job, kitRevision, offer } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';
import { addBehind } from '../read/additionStages.ts';
import { addLines } from '../read/addLines.ts';
import { agreedOffer } from '../read/agreed.ts';
import { takeRevision } from '../read/takeKit.ts';
import { beyondKit, kitChangedSince } from './beyondKit.ts';

/** What somebody answered: typed in the workshop, or on the client's page with the address it came from. */
export interface Answer {
  readonly accepted: boolean;
  readonly name: string;
  readonly why: string;
  /** Empty where a person of the workshop wrote it down. */
  readonly from: string;
  readonly at: Date;
  readonly today: string;
  readonly timeZone: string;
}

export interface Answering {
  readonly tx: Tx;
  /** Locked. */
  readonly job: StoredJob;
}

/** Told to the history; null where the same answer was there already. */
export type Told = { readonly what: string } | null;

type Row = Pick<typeof offer.$inferSelect, 'answeredAt' | 'answeredBy'> & {
  readonly state: OfferState | AdditionState;
};

/** The same person saying the same again, over a bad line, is no second answer; anybody else is told who was first. */
function answeredBefore(row: Row, answer: Answer, what: string): boolean {
  if (row.state !== 'accepted' && row.state !== 'declined') return false;
  if ((row.state === 'accepted') === answer.accepted && row.answeredBy === answer.name) return true;
  throw new RuleBroken(
    `${what} was ${row.state} by ${row.answeredBy} on ${dayOf(row.answeredAt!, answer.timeZone)} already.`,
  );
}

const given = ({ accepted, name, from, why, at }: Answer) => ({
  state: accepted ? ('accepted' as const) : ('declined' as const),
  ...{ answeredAt: at, answeredBy: name, answeredFrom: from, answeredWhy: why },
});

/** The design as it was offered, frozen: itself where nobody has changed it since, else a copy that is what was sold. */
async function freezeDesign(tx: Tx, row: typeof offer.$inferSelect, at: Date): Promise<string | null> {
  if (!row.designId || !row.designInputs) return null;
  const now = one(await tx.select().from(design).where(eq(design.id, row.designId)).for('update'), 'design');
  const { rows } = await tx.execute<{ same: boolean }>(
    sql`select d.inputs = o.design_inputs as same from design d, offer o where d.id = ${now.id} and o.id = ${row.id}`,
  );
  if (rows[0]?.same) {
    if (!now.frozenAt)
      await tx
        .update(design)
        .set({ frozenAt: at, version: now.version + 1 })
        .where(eq(design.id, now.id));
    return now.id;
  }
  const copy = await tx
    .insert(design)
    .values({
      ...{ jobId: row.jobId, name: `${now.name}, offer ${row.number}`.slice(0, 80), inputs: row.designInputs },
      ...{ frozenAt: at, followsId: now.id },
    })
    .returning();
  return made(copy).id;
}

/**
 * Takes an answer to an offer. Accepting freezes the design as it was offered and keeps the kit revision with its options;
 * from then on everything else is a change. The job is locked by whoever calls.
 */
export async function answerOffer({ tx, job: stored }: Answering, offerId: string, answer: Answer): Promise<Told> {
  const row = one(
    await tx
      .select()
      .from(offer)
      .where(and(eq(offer.id, offerId), eq(offer.jobId, stored.id)))
      .for('update'),
    'offer',
  );
  const name = `Offer ${row.number}`;
  if (answeredBefore(row, answer, name)) return null;
  if (row.state === 'withdrawn') throw new RuleBroken(`${name} does not stand any more: there is a newer one.`);
  if (row.state === 'draft') throw new RuleBroken(`${name} has not been sent yet.`);
  if (answer.accepted) {
    if (row.body.validUntil < answer.today)
      throw new RuleBroken(`${name} stood until ${row.body.validUntil}. Ask for it to be sent anew.`);
    const sameKit =
      row.kitRevisionId === stored.kitRevisionId &&
      [...row.kitOptions].sort().join() === [...stored.kitOptions].sort().join();
    if (!sameKit) throw new RuleBroken(`The kit has been changed since ${name.toLowerCase()}: a new offer is needed.`);
    if (row.kitRevisionId) {
      const [sold] = await tx.select().from(kitRevision).where(eq(kitRevision.id, row.kitRevisionId));
      if (sold?.state === 'withdrawn')
        throw new RuleBroken(`The kit of ${name.toLowerCase()} is withdrawn since: a new offer is needed.`);
    }
    const designId = await freezeDesign(tx, row, answer.at);
    await tx
      .update(job)
      .set({
        state: stateAfterAgreed(stored.state),
        chosenDesignId: designId ?? stored.chosenDesignId,
        version: stored.version + 1,
      })
      .where(eq(job.id, stored.id));
  }
  await tx
    .update(offer)
    .set({ ...given(answer), version: row.version + 1 })
    .where(eq(offer.id, row.id));
  const said = answer.accepted ? 'accepted' : 'declined';
  return { what: `${answer.name} ${said} offer ${row.number}${answer.why ? `: ${answer.why}` : ''}` };
}

/** Takes an answer to a priced change. Accepting puts its parts on the list and its hours into the stages, and takes its kit or design. */
export async function answerAddition({ tx, job: stored }: Answering, id: string, answer: Answer): Promise<Told> {
  const row = one(
    await tx
      .select()
      .from(addition)
      .where(and(eq(addition.id, id), eq(addition.jobId, stored.id)))
      .for('update'),
    'change',
  );
  const name = `Change ${row.number}`;
  if (answeredBefore(row, answer, name)) return null;
  if (row.state === 'withdrawn') throw new RuleBroken(`${name} does not stand any more.`);
  if (row.state === 'asked') throw new RuleBroken(`${name} has not been priced yet.`);
  const left: string[] = [];
  if (answer.accepted) {
    if (!(await agreedOffer(tx, stored.id))) throw new RuleBroken('Nothing is agreed that this could be a change of.');
    if (row.body.validUntil < answer.today)
      throw new RuleBroken(`${name} stood until ${row.body.validUntil}. Ask for it to be priced anew.`);
    await refuseOtherKit(tx, row);
    left.push(...(await build(tx, stored, row, answer.at)));
  }
  await tx
    .update(addition)
    .set({ ...given(answer), version: row.version + 1 })
    .where(eq(addition.id, row.id));
  const said = answer.accepted ? 'accepted' : 'declined';
  return {
    what: `${answer.name} ${said} change ${row.number}, ${[row.wish, answer.why, ...left].filter(Boolean).join('; ')}`,
  };
}

/** What a change of the kit was priced against must still be the kit: another one that was accepted since has changed it. */
async function refuseOtherKit(tx: Tx, row: typeof addition.$inferSelect): Promise<void> {
  if (!row.revisionId) return;
  const since = await kitChangedSince(tx, row.jobId, row.createdAt);
  if (since !== null)
    throw new RuleBroken(
      `Change ${since} has changed the kit since change ${row.number} was wished: it has to be wished and priced anew.`,
    );
}

async function build(tx: Tx, stored: StoredJob, row: typeof addition.$inferSelect, at: Date): Promise<string[]> {
  const left: string[] = [];
  const more = await beyondKit(tx, stored, row);
  const set: Partial<StoredJob> = {};
  if (row.revisionId) {
    const [revision] = await tx.select().from(kitRevision).where(eq(kitRevision.id, row.revisionId));
    if (!revision || revision.state === 'withdrawn')
      throw new RuleBroken('The kit of this change is withdrawn: it has to be priced anew.');
    Object.assign(set, { kitRevisionId: revision.id, kitOptions: row.options });
    left.push(...(await takeRevision(tx, { ...stored, ...set }, revision, row.options)));
  }
  if (row.designId) {
    await tx
      .update(design)
      .set({ frozenAt: at, version: sql`${design.version} + 1` })
      .where(and(eq(design.id, row.designId), sql`${design.frozenAt} is null`));
    set.chosenDesignId = row.designId;
  }
  await addLines(
    tx,
    stored.id,
    more.parts.map((part) => ({ ...part, from: 'added' as const, packedIn: '' })),
  );
  await addBehind(
    tx,
    stored.id,
    row.body.stages.flatMap((own) => {
      const hours = Math.min(own.hours, more.hours.get(own.skill) ?? 0);
      return hours > 0 ? [{ key: own.key, name: own.name, skill: own.skill, hours }] : [];
    }),
  );
  await tx
    .update(job)
    .set({ ...set, version: stored.version + 1 })
    .where(eq(job.id, stored.id));
  return left;
}

/** What was sold of a job: the accepted offer first, then its accepted changes. */
export async function soldBodies(tx: Db | Tx, jobId: string): Promise<OfferBody[]> {
  const agreed = await agreedOffer(tx, jobId);
  const more = await tx
    .select({ body: addition.body })
    .from(addition)
    .where(and(eq(addition.jobId, jobId), eq(addition.state, 'accepted')));
  return agreed ? [agreed.body, ...more.map(({ body }) => body)] : [];
}
