import { and, eq } from 'drizzle-orm';
import { offerAddress } from '../../contract/offers.ts';
import { wishEffect } from '../../core/offer/effect.ts';
import type { OfferBody } from '../../core/offer/offer.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { inWords } from '../../wording/offers.ts';
import { made, one } from '../db/one.ts';
import { addition, design } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { agreedOffer } from '../read/agreed.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';
import { refuseUnknownParts, sumsOf } from '../read/soldLines.ts';
import { answerAddition } from './answer.ts';
import { kitChangedSince, kitLines, ratesOf } from './beyondKit.ts';
import { dayAfter } from './ground.ts';
import { lockWish } from './lock.ts';
import { wishOf } from './wish.ts';

/** The hours of a change are a stage of their own: what it takes is held against it. */
const stagesOfWish = (number: number, wish: string, lines: OfferBody['lines']): OfferBody['stages'] =>
  lines
    .filter(({ kind, quantity }) => kind === 'work' && quantity > 0)
    .map(({ skill, quantity }, n) => ({
      ...{ key: `addition-${number}${n === 0 ? '' : `-${n + 1}`}`, name: `Change ${number}: ${wish}`.slice(0, 120) },
      ...{ skill: skill ?? '', hours: quantity },
    }));

export const wishEndpoints = [
  serve(offerAddress.wish, ({ change, params, body, person, workshop, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const agreed = await agreedOffer(tx, stored.id);
      if (!agreed) throw new RuleBroken('Nothing is agreed yet: a wish goes into the brief and the next offer.');
      const practice = practiceOf(workshop.practice);
      const number = (await tx.$count(addition, eq(addition.jobId, stored.id))) + 1;
      const { kit } = body;
      if (kit) {
        const revision = await kitRevisionOf(tx, kit.revisionId);
        if (!revision) throw new BadInput({ 'kit.revisionId': 'There is no such kit revision.' });
        if (revision.state !== 'released') throw new RuleBroken(`Revision ${revision.revision} is ${revision.state}.`);
        const known = new Set(revision.options.map(({ id }) => id));
        if (kit.options.some((option) => !known.has(option)))
          throw new BadInput({ 'kit.options': 'This kit has no such option.' });
      }
      const lines = kit ? await kitLines(tx, stored, kit, ratesOf(workshop, practice)) : [];
      const sold: OfferBody = {
        ...{ lines, stages: stagesOfWish(number, body.wish, lines), contingencyShare: 0, roundToCents: 1 },
        ...{ taxRule: agreed.body.taxRule, taxShare: workshop.taxShare, open: agreed.body.open, note: '' },
        validUntil: dayAfter(today, practice.offerDays),
      };
      const { id } = made(
        await tx
          .insert(addition)
          .values({
            ...{ jobId: stored.id, number, wish: body.wish, askedBy: body.askedBy, body: sold },
            ...{ currency: agreed.currency, ...sumsOf(sold), byId: person.id, createdAt: now() },
            ...{ revisionId: kit?.revisionId ?? null, options: [...(kit?.options ?? [])] },
          })
          .returning(),
      );
      const what = `noted the wish ${number}, ${body.wish}`;
      await log({ what, resource: 'offer', id, job: stored.number, after: body });
      return { id };
    }),
  ),
  serve(offerAddress.changeWish, ({ change, params, body: { version, lines, note, ...body } }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockWish(work, params.id, version);
      if (row.state !== 'asked') throw new RuleBroken(`Change ${row.number} was priced: it never changes.`);
      await refuseUnknownParts(tx, lines, 'lines');
      if (body.designId) {
        const [own] = await tx
          .select()
          .from(design)
          .where(and(eq(design.id, body.designId), eq(design.jobId, stored.id)));
        if (!own) throw new BadInput({ designId: 'This job has no such design.' });
      }
      const sold = { ...row.body, lines, note, stages: stagesOfWish(row.number, body.wish, lines) };
      await tx
        .update(addition)
        .set({ ...body, body: sold, ...sumsOf(sold), version: version + 1 })
        .where(eq(addition.id, row.id));
      const what = `changed the wish ${row.number}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, before: row.body, after: sold });
      return { version: version + 1 };
    }),
  ),
  serve(offerAddress.priceWish, ({ change, params, body: { version }, workshop, today, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockWish(work, params.id, version);
      if (row.state !== 'asked') throw new RuleBroken(`Change ${row.number} is ${row.state} already.`);
      if (row.body.lines.length === 0) throw new RuleBroken(`Change ${row.number} has no line yet: it has no price.`);
      const since = row.revisionId ? await kitChangedSince(tx, stored.id, row.createdAt) : null;
      if (since !== null)
        throw new RuleBroken(
          `Change ${since} has changed the kit since: note this wish anew, so that it is priced against it.`,
        );
      const { input } = await figureInputOfJob(tx, stored, workshop, today);
      const kit = row.revisionId ? { revisionId: row.revisionId, options: row.options } : null;
      const effect = wishEffect(input, await wishOf(tx, { ...row, kit }, input));
      // It stands from the day it is laid before the client, not from the day it was wished.
      const body = { ...row.body, validUntil: dayAfter(today, practiceOf(workshop.practice).offerDays) };
      await tx
        .update(addition)
        .set({ state: 'priced', pricedAt: now(), effect, body, version: version + 1 })
        .where(eq(addition.id, row.id));
      const what = `priced change ${row.number}, ${row.wish}: ${inWords(row.totalCents, row.currency)}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, after: { effect, ...sumsOf(body) } });
      return { version: version + 1 };
    }),
  ),
  serve(offerAddress.answerWish, ({ change, params, body, today, now, workshop }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { jobId } = one(
        await tx.select({ jobId: addition.jobId }).from(addition).where(eq(addition.id, params.id)),
        'change',
      );
      const stored = await work.job({ id: jobId });
      const told = await answerAddition({ tx, job: stored }, params.id, {
        ...{ ...body, from: '', at: now(), today, timeZone: workshop.timeZone },
      });
      if (told) await log({ ...told, resource: 'offer', id: params.id, job: stored.number, after: body });
      const row = one(await tx.select().from(addition).where(eq(addition.id, params.id)), 'change');
      return { version: row.version };
    }),
  ),
  serve(offerAddress.withdrawWish, ({ change, params, body: { why, version }, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job: stored } = await lockWish(work, params.id, version);
      if (row.state !== 'asked' && row.state !== 'priced')
        throw new RuleBroken(`Change ${row.number} is ${row.state}: it is not withdrawn any more.`);
      await tx
        .update(addition)
        .set({ state: 'withdrawn', answeredAt: now(), answeredWhy: why, version: version + 1 })
        .where(eq(addition.id, row.id));
      await log({
        ...{ what: `withdrew change ${row.number}: ${why}`, resource: 'offer', id: row.id, job: stored.number },
        after: { why },
      });
      return { version: version + 1 };
    }),
  ),
];
