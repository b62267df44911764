import { and, eq, isNull } from 'drizzle-orm';
import { offerAddress } from '../../contract/offers.ts';
import { converted } from '../../core/money/exact.ts';
import { actualTable } from '../../wording/offers.ts';
import { made, one } from '../db/one.ts';
import { design, jobCost, jobWay, kitRevision } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { jobByNumber } from '../read/jobs.ts';
import { madeGood } from '../read/madeGood.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { actualSheet } from './actualSheet.ts';

const MOST_WAYS = 12;

export const costEndpoints = [
  serve(offerAddress.actual, async ({ db, params, workshop }) =>
    actualSheet(db, await jobByNumber(db, params.number), workshop),
  ),
  serve(offerAddress.actualTable, async ({ db, params, workshop, res }) => {
    const sheet = await actualSheet(db, await jobByNumber(db, params.number), workshop);
    return sendCsv(res, `${params.number}-actual.csv`, actualTable(sheet));
  }),
  serve(offerAddress.cost, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      if (body.day > today) throw new BadInput({ day: `Day lies ahead: today is ${today}.` });
      // A foreign amount decides; what it is in the own currency follows from its rate.
      const { foreign } = body;
      const cents = foreign ? converted(foreign.cents, foreign.rateMillionths) : body.cents;
      if (cents === 0) throw new BadInput({ cents: 'Cost is needed: nothing is no cost.' });
      const { id } = made(
        await tx
          .insert(jobCost)
          .values({ ...body, cents, jobId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      const what = `entered a cost: ${body.text}`;
      await log({ what, resource: 'offer', id, job: stored.number, after: { ...body, cents } });
      return { id };
    }),
  ),
  serve(offerAddress.dropCost, ({ change, params, body, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const { jobId } = one(
        await tx.select({ jobId: jobCost.jobId }).from(jobCost).where(eq(jobCost.id, params.id)),
        'cost',
      );
      const stored = await lock({ id: jobId });
      const [row] = await tx
        .update(jobCost)
        .set({ droppedAt: now(), droppedWhy: body.why })
        .where(and(eq(jobCost.id, params.id), isNull(jobCost.droppedAt)))
        .returning();
      if (!row) throw new RuleBroken('This cost was taken out already.');
      const what = `took out the cost ${row.text}: ${body.why}`;
      await log({ what, resource: 'offer', id: row.id, job: stored.number, before: row });
      return { id: row.id };
    }),
  ),
  serve(offerAddress.way, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      if (body.designId) {
        const [own] = await tx
          .select()
          .from(design)
          .where(and(eq(design.id, body.designId), eq(design.jobId, stored.id)));
        if (!own) throw new BadInput({ designId: 'This job has no such design.' });
      }
      if (body.revisionId) {
        const [known] = await tx.select().from(kitRevision).where(eq(kitRevision.id, body.revisionId));
        if (!known) throw new BadInput({ revisionId: 'There is no such kit revision.' });
      }
      if (body.serialId && (await madeGood(tx, 0, [body.serialId])).length === 0)
        throw new BadInput({ serialId: 'Nobody has made this unit good again.' });
      const there = await tx.$count(jobWay, and(eq(jobWay.jobId, stored.id), isNull(jobWay.droppedAt)));
      if (there >= MOST_WAYS) throw new RuleBroken(`${MOST_WAYS} ways are enough to compare: take one out first.`);
      const { id } = made(
        await tx
          .insert(jobWay)
          .values({ ...body, options: [...body.options], jobId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({
        ...{ what: `put the way ${body.name} beside`, resource: 'offer', id, job: stored.number },
        after: body,
      });
      return { id };
    }),
  ),
  serve(offerAddress.dropWay, ({ change, params, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const { jobId } = one(
        await tx.select({ jobId: jobWay.jobId }).from(jobWay).where(eq(jobWay.id, params.id)),
        'way',
      );
      const stored = await lock({ id: jobId });
      const [row] = await tx
        .update(jobWay)
        .set({ droppedAt: now() })
        .where(and(eq(jobWay.id, params.id), isNull(jobWay.droppedAt)))
        .returning();
      if (!row) throw new RuleBroken('This way was taken out already.');
      await log({
        ...{ what: `took the way ${row.name} out`, resource: 'offer', id: row.id, job: stored.number },
        before: row,
      });
      return { id: row.id };
    }),
  ),
];
