import { eq, inArray } from 'drizzle-orm';
import { needsAddress } from '../../contract/needs.ts';
import { needTable } from '../../wording/storesTables.ts';
import { made, one } from '../db/one.ts';
import { job, kitOrder, orderLine, partLine, stockTaken } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { lockStock } from '../read/stock.ts';
import { dayIn, freeForKit } from './freeForKit.ts';
import { needRows, needSheet } from './needs.ts';
import { takeFrom } from './takeFrom.ts';

export const needEndpoints = [
  serve(needsAddress.list, ({ db, workshop, today }) => needRows(db, workshop, today)),
  serve(needsAddress.table, async ({ db, workshop, today, res }) =>
    sendCsv(res, 'needs.csv', needTable(await needRows(db, workshop, today))),
  ),
  serve(needsAddress.one, ({ db, workshop, today, params }) => needSheet(db, workshop, today, params.component)),
  serve(needsAddress.take, ({ change, body, person, workshop, today }) =>
    change(async ({ tx, log, job: lock }) => {
      if (body.toLineId === body.fromLineId) throw new BadInput({ fromLineId: 'That is the same line.' });
      const [packed] = await tx
        .select({ number: kitOrder.number })
        .from(orderLine)
        .innerJoin(kitOrder, eq(kitOrder.id, orderLine.orderId))
        .where(eq(orderLine.id, body.toLineId));
      if (packed)
        return freeForKit({ tx, log, job: lock }, body, { order: packed.number, byId: person.id, workshop, today });
      const jobs = await tx
        .select({ lineId: partLine.id, jobId: partLine.jobId })
        .from(partLine)
        .where(inArray(partLine.id, [body.toLineId, body.fromLineId]));
      const jobOf = (lineId: string) =>
        one(
          jobs.filter((row) => row.lineId === lineId),
          'line of a parts list',
        ).jobId;
      const [toJobId, fromJobId] = [jobOf(body.toLineId), jobOf(body.fromLineId)];
      if (toJobId === fromJobId) throw new BadInput({ fromLineId: 'Both lines are of one job.' });
      // Jobs before stock, both in one order, so that two who take from each other do not wait for ever.
      for (const id of [toJobId, fromJobId].sort()) await lock({ id });
      const [to, from] = await Promise.all([lineNow(tx, body.toLineId), lineNow(tx, body.fromLineId)]);
      const { name } = await lockStock(tx, from.componentId);
      if (to.componentId !== from.componentId) throw new BadInput({ fromLineId: 'The lines are of different parts.' });
      if (from.state !== 'inStores')
        throw new RuleBroken(`${name} is not held for that job any more. Look again, then decide.`);
      if (to.state !== 'missing' && to.state !== 'ordered')
        throw new RuleBroken('The job has its pieces already. Look again, then decide.');
      if (to.quantity > from.quantity)
        throw new RuleBroken(`That job holds ${from.quantity} of ${name}; ${to.quantity} are wanted.`);
      const sheet = await needSheet(tx, workshop, today, from.componentId);
      const after = sheet.choices.find(({ lineId }) => lineId === to.id);
      const before = sheet.choices.find(({ lineId }) => lineId === from.id);
      const [toAfter, fromAfter] = [dayIn(after, to.id), dayIn(after, from.id)];
      if (toAfter !== body.toReadyOn || fromAfter !== body.fromReadyOn)
        throw new RuleBroken('The days have moved since you looked. Look again, then decide.');
      // What was ordered for the one comes for the other now.
      const swapped = to.purchaseLineId !== null && to.quantity === from.quantity;
      const waits = { state: 'ordered' as const, due: to.due, purchaseLineId: to.purchaseLineId };
      await takeFrom(tx, from, to.quantity, to.id, swapped ? waits : null);
      await tx
        .update(partLine)
        .set({ state: 'inStores', due: null, purchaseLineId: null, version: to.version + 1 })
        .where(eq(partLine.id, to.id));
      const row = made(
        await tx
          .insert(stockTaken)
          .values({
            ...{
              componentId: from.componentId,
              fromJobId,
              toJobId,
              quantity: to.quantity,
              why: body.why,
              byId: person.id,
            },
            ...{ fromBefore: dayIn(before, from.id), fromAfter, toBefore: dayIn(before, to.id), toAfter },
          })
          .returning(),
      );
      const numbers = new Map(
        (
          await tx
            .select({ id: job.id, number: job.number })
            .from(job)
            .where(inArray(job.id, [toJobId, fromJobId]))
        ).map(({ id, number }) => [id, number]),
      );
      const [toNumber, fromNumber] = [numbers.get(toJobId)!, numbers.get(fromJobId)!];
      await log({
        ...{ what: `gave ${to.quantity} of ${name} to ${toNumber}: ${body.why}`, resource: 'stock', id: row.id },
        ...{ job: fromNumber, after: row },
      });
      await log({
        ...{ what: `took ${to.quantity} of ${name} from ${fromNumber}: ${body.why}`, resource: 'stock', id: row.id },
        ...{ job: toNumber, after: row },
      });
      return { id: row.id };
    }),
  ),
];

const lineNow = async (tx: Parameters<typeof lockStock>[0], id: string) =>
  one(await tx.select().from(partLine).where(eq(partLine.id, id)), 'line of a parts list');
