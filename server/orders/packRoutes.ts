import { and, eq, ne, sql } from 'drizzle-orm';
import { orderAddress } from '../../contract/orders.ts';
import { hasRole } from '../../contract/rights.ts';
import { dispatchNeeds } from '../../core/order/dispatch.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { DISPATCH_NEED_NAME } from '../../wording/orders.ts';
import type { Tx } from '../db/connect.ts';
import {
  component,
  kitOrder,
  orderCrate,
  orderDispatch,
  orderLine,
  orderPaper,
  orderSerial,
} from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotAllowed, RuleBroken } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { numbersProblem } from '../read/stock.ts';
import { lockLine, lockOrder } from './lock.ts';
import { orderSheet } from './rows.ts';
import { sendFromBins } from './sendFromBins.ts';

const TO_PACK = { states: ['ordered'], what: 'packed' } as const;

const nameOf = async (tx: Tx, componentId: string) =>
  (await tx.select().from(component).where(eq(component.id, componentId)))[0]!;

/** What is missing before it leaves, in sentences: what the page has shown is held against it. */
const unmetOf = (sheet: Awaited<ReturnType<typeof orderSheet>>) =>
  dispatchNeeds({ ...sheet, papers: sheet.papers.map(({ kind }) => kind) }).filter(({ met }) => !met);

export const packEndpoints = [
  serve(orderAddress.count, ({ change, params, body, person: me, now }) =>
    change(async ({ tx, log }) => {
      const { order, line } = await lockLine(tx, params.id, TO_PACK);
      const { name } = await nameOf(tx, line.componentId);
      if (body.pieces !== null && body.pieces > line.pieces)
        throw new BadInput({ pieces: `${body.pieces} is more than the ${line.pieces} on the list.` });
      if (body.which === 'first') {
        // Counting it puts it into the crate: nobody else can have it any more.
        const free = (await freeStockLocked(tx, line.componentId)) + (line.firstPieces ?? 0);
        if ((body.pieces ?? 0) > free)
          throw new BadInput({ pieces: `Stores have ${Math.max(0, free)} free of ${name}.` });
        const by = body.pieces === null ? null : me.id;
        const kept = body.pieces === line.firstPieces && line.firstById === me.id;
        await tx
          .update(orderLine)
          .set({
            ...{ firstPieces: body.pieces, firstById: by, firstAt: by === null ? null : now() },
            // The second count was of what lay there before.
            ...(kept ? {} : { secondPieces: null, secondById: null, secondAt: null }),
          })
          .where(eq(orderLine.id, line.id));
      } else {
        if (body.pieces !== null && line.firstById === null)
          throw new RuleBroken(`${name} has not been counted once yet.`);
        if (line.firstById === me.id)
          throw new RuleBroken(`You counted ${name} first. Somebody else counts it the second time.`);
        const by = body.pieces === null ? null : me.id;
        await tx
          .update(orderLine)
          .set({ secondPieces: body.pieces, secondById: by, secondAt: by === null ? null : now() })
          .where(eq(orderLine.id, line.id));
      }
      const what =
        body.pieces === null
          ? `took back a count of ${name}`
          : `counted ${body.pieces} × ${name}${body.which === 'second' ? ', second count' : ''}`;
      await log({ what, resource: 'order', id: order.number, after: { line: line.id, ...body } });
      return { id: line.id };
    }),
  ),
  serve(orderAddress.serials, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const { order, line } = await lockLine(tx, params.id, TO_PACK);
      const { name, kind } = await nameOf(tx, line.componentId);
      if (!wantsSerials(kind as Parameters<typeof wantsSerials>[0]))
        throw new RuleBroken(`${name} carries no number of its own.`);
      if (body.serials.length > line.pieces)
        throw new BadInput({ serials: `${body.serials.length} numbers for ${line.pieces} pieces.` });
      // One at a time over all orders: a number can be in one crate.
      await tx.execute(sql`select pg_advisory_xact_lock(4417035)`);
      for (const serial of body.serials) {
        const [taken] = await tx
          .select({ number: kitOrder.number })
          .from(orderSerial)
          .innerJoin(orderLine, eq(orderLine.id, orderSerial.lineId))
          .innerJoin(kitOrder, eq(kitOrder.id, orderLine.orderId))
          .where(
            and(
              eq(orderSerial.componentId, line.componentId),
              sql`lower(${orderSerial.serial}) = lower(${serial})`,
              ne(orderSerial.lineId, line.id),
            ),
          );
        if (taken) throw new BadInput({ serials: `${serial} is in ${taken.number} already.` });
      }
      const wrong = await numbersProblem(tx, line.componentId, body.serials);
      if (wrong) throw new BadInput({ serials: wrong });
      await tx.delete(orderSerial).where(eq(orderSerial.lineId, line.id));
      if (body.serials.length > 0)
        await tx
          .insert(orderSerial)
          .values(body.serials.map((serial) => ({ serial, lineId: line.id, componentId: line.componentId })));
      await log({ what: `wrote down numbers of ${name}`, resource: 'order', id: order.number, after: body });
      return { id: line.id };
    }),
  ),
  serve(orderAddress.crate, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const order = await lockOrder(tx, params.order, TO_PACK);
      const [there] = await tx
        .select()
        .from(orderLine)
        .where(and(eq(orderLine.orderId, order.id), eq(orderLine.crate, body.name)))
        .limit(1);
      if (!there) throw new BadInput({ name: 'Nothing of this order goes into such a crate.' });
      await tx
        .insert(orderCrate)
        .values({ ...body, orderId: order.id })
        .onConflictDoUpdate({ target: [orderCrate.orderId, orderCrate.name], set: body });
      await log({ what: `weighed ${body.name}`, resource: 'order', id: order.number, after: body });
      return { id: order.id };
    }),
  ),
  serve(orderAddress.paper, ({ change, params, body, person: me, today, now }) =>
    change(async ({ tx, log }) => {
      const order = await lockOrder(tx, params.order, TO_PACK);
      if (body.day > today) throw new BadInput({ day: `This day is still to come: today is ${today}.` });
      const row = { ...body, byId: me.id, at: now() };
      await tx
        .insert(orderPaper)
        .values({ ...row, orderId: order.id })
        .onConflictDoUpdate({ target: [orderPaper.orderId, orderPaper.kind], set: row });
      await log({ what: `put papers in: ${body.reference}`, resource: 'order', id: order.number, after: body });
      return { id: order.id };
    }),
  ),
  serve(orderAddress.send, ({ change, params, body, person: me, now }) =>
    change(async ({ tx, log }) => {
      const order = await lockOrder(tx, params.order, { ...TO_PACK, version: body.version });
      const unmet = unmetOf(await orderSheet(tx, order.number));
      const hard = unmet.find(({ hard: must }) => must);
      if (hard) throw new RuleBroken(`${order.number} stays here: ${hard.missing.join(', ')}.`);
      const missing = unmet.flatMap(({ need, missing: what }) =>
        what.map((one) => `${DISPATCH_NEED_NAME[need]}: ${one}`),
      );
      if (missing.length > 0) {
        if (!hasRole(me.role, 'manager'))
          throw new NotAllowed(`Something is missing (${missing[0]}). Only a manager lets a kit go like this.`);
        if (body.why === '') throw new BadInput({ why: `Say why it leaves although this is missing: ${missing[0]}.` });
        // Nobody decides about what they have not seen.
        const unseen = missing.filter((one) => !body.missing.includes(one));
        if (unseen.length > 0)
          throw new RuleBroken(`Something else is missing since you looked: ${unseen[0]}. Look again, then decide.`);
      }
      await tx.insert(orderDispatch).values({
        ...{ orderId: order.id, carrier: body.carrier, missing, why: missing.length > 0 ? body.why : '' },
        ...{ byId: me.id, at: now() },
      });
      // Off the shelf with it, component by component in one order.
      const lines = await tx.select().from(orderLine).where(eq(orderLine.orderId, order.id));
      const gone = new Map<string, number>();
      for (const { componentId, firstPieces } of lines)
        gone.set(componentId, (gone.get(componentId) ?? 0) + (firstPieces ?? 0));
      for (const [id, pieces] of [...gone].sort(([a], [b]) => (a < b ? -1 : 1)))
        if (pieces > 0) await sendFromBins(tx, { order, componentId: id, pieces, byId: me.id, at: now() });
      const version = order.version + 1;
      await tx.update(kitOrder).set({ state: 'sent', version }).where(eq(kitOrder.id, order.id));
      const what =
        missing.length > 0
          ? `sent ${order.number} although ${missing.length} things were missing: ${body.why}`
          : `sent ${order.number} with ${body.carrier}`;
      await log({
        what,
        resource: 'order',
        id: order.number,
        before: { state: order.state },
        after: { ...body, missing },
      });
      return { version };
    }),
  ),
];
