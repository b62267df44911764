import { and, desc, eq, sql } from 'drizzle-orm';
import { offerAddress } from '../../contract/offers.ts';
import { stateAfterSent } from '../../core/job/states.ts';
import { offerFromJob } from '../../core/offer/fromJob.ts';
import { inWords } from '../../wording/offers.ts';
import { made, one } from '../db/one.ts';
import { design, job, offer } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { agreedOffer } from '../read/agreed.ts';
import { jobByNumber } from '../read/jobs.ts';
import { refuseUnknownParts, sumsOf } from '../read/soldLines.ts';
import { answerOffer } from './answer.ts';
import { offerGround } from './ground.ts';
import { lockOffer } from './lock.ts';
import { priceSheet } from './priceSheet.ts';

const AGREED = (number: number) =>
  new RuleBroken(`Offer ${number} is agreed: what is wished now is priced as a change of it.`);

export const offerEndpoints = [
  serve(offerAddress.sheet, async ({ db, params, workshop, today }) =>
    priceSheet(db, await jobByNumber(db, params.number), workshop, today),
  ),
  serve(offerAddress.make, ({ change, params, person, workshop, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const agreed = await agreedOffer(tx, stored.id);
      if (agreed) throw AGREED(agreed.number);
      const all = await tx.select().from(offer).where(eq(offer.jobId, stored.id)).orderBy(desc(offer.number));
      const draft = all.find(({ state }) => state === 'draft');
      if (draft) throw new RuleBroken(`Offer ${draft.number} is being written already.`);
      const before = all.find(({ state }) => state !== 'withdrawn') ?? all[0];
      const ground = await offerGround(tx, stored, workshop, today, before?.body ?? null);
      const body = offerFromJob(ground);
      const { id, number } = made(
        await tx
          .insert(offer)
          .values({
            ...{ jobId: stored.id, number: (all[0]?.number ?? 0) + 1, body, currency: workshop.currency },
            ...{ ...sumsOf(body), byId: person.id, createdAt: now() },
          })
          .returning(),
      );
      await log({ what: `began offer ${number}`, resource: 'offer', id, job: stored.number, after: sumsOf(body) });
      return { id };
    }),
  ),
  serve(offerAddress.change, ({ change, params, body: { body, version } }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockOffer(work, params.id, version);
      if (row.state !== 'draft')
        throw new RuleBroken(`Offer ${row.number} was sent: it never changes. Make a new one.`);
      await refuseUnknownParts(tx, body.lines, 'body.lines');
      await tx
        .update(offer)
        .set({ body, ...sumsOf(body), version: version + 1 })
        .where(eq(offer.id, row.id));
      const what = `changed offer ${row.number}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, before: row.body, after: body });
      return { version: version + 1 };
    }),
  ),
  serve(offerAddress.refresh, ({ change, params, body: { version }, workshop, today }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockOffer(work, params.id, version);
      if (row.state !== 'draft')
        throw new RuleBroken(`Offer ${row.number} was sent: it never changes. Make a new one.`);
      const body = offerFromJob(await offerGround(tx, stored, workshop, today, row.body));
      await tx
        .update(offer)
        .set({ body, ...sumsOf(body), version: version + 1 })
        .where(eq(offer.id, row.id));
      const what = `took today’s parts and hours into offer ${row.number}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, before: row.body, after: body });
      return { version: version + 1 };
    }),
  ),
  serve(offerAddress.send, ({ change, params, body: { version }, today, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockOffer(work, params.id, version);
      if (row.state !== 'draft') throw new RuleBroken(`Offer ${row.number} was sent already.`);
      const agreed = await agreedOffer(tx, stored.id);
      if (agreed) throw AGREED(agreed.number);
      if (row.body.lines.length === 0) throw new RuleBroken(`Offer ${row.number} has no line yet.`);
      if (row.body.validUntil < today)
        throw new BadInput({ validUntil: `Stands until is in the past: today is ${today}.` });
      if (row.totalCents <= 0) throw new RuleBroken(`Offer ${row.number} comes to nothing: it has no price yet.`);
      await tx
        .update(offer)
        .set({
          ...{ state: 'withdrawn', answeredAt: now(), answeredWhy: `offer ${row.number} took its place` },
          version: sql`${offer.version} + 1`,
        })
        .where(and(eq(offer.jobId, stored.id), eq(offer.state, 'sent')));
      const [chosen] = stored.chosenDesignId
        ? await tx.select().from(design).where(eq(design.id, stored.chosenDesignId))
        : [];
      await tx
        .update(offer)
        .set({
          ...{ state: 'sent', sentAt: now(), designId: chosen?.id ?? null, designInputs: chosen?.inputs ?? null },
          ...{ kitRevisionId: stored.kitRevisionId, kitOptions: stored.kitOptions, version: version + 1 },
        })
        .where(eq(offer.id, row.id));
      await tx
        .update(job)
        .set({ state: stateAfterSent(stored.state), version: stored.version + 1 })
        .where(eq(job.id, stored.id));
      const what = `sent offer ${row.number}, ${inWords(row.totalCents, row.currency)}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, after: row.body });
      return { version: version + 1 };
    }),
  ),
  serve(offerAddress.answer, ({ change, params, body, today, now, workshop }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { jobId } = one(
        await tx.select({ jobId: offer.jobId }).from(offer).where(eq(offer.id, params.id)),
        'offer',
      );
      const stored = await work.job({ id: jobId });
      const told = await answerOffer({ tx, job: stored }, params.id, {
        ...{ ...body, from: '', at: now(), today, timeZone: workshop.timeZone },
      });
      if (told) await log({ ...told, resource: 'offer', id: params.id, job: stored.number, after: body });
      const row = one(await tx.select().from(offer).where(eq(offer.id, params.id)), 'offer');
      return { version: row.version };
    }),
  ),
  serve(offerAddress.withdraw, ({ change, params, body: { why, version }, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockOffer(work, params.id, version);
      if (row.state !== 'draft' && row.state !== 'sent')
        throw new RuleBroken(`Offer ${row.number} is ${row.state}: it is not withdrawn any more.`);
      await tx
        .update(offer)
        .set({ state: 'withdrawn', answeredAt: now(), answeredWhy: why, version: version + 1 })
        .where(eq(offer.id, row.id));
      await log({
        ...{ what: `withdrew offer ${row.number}: ${why}`, resource: 'offer', id: row.id, job: stored.number },
        after: { why },
      });
      return { version: version + 1 };
    }),
  ),
];
