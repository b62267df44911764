import { eq, sql } from 'drizzle-orm';
import { refurbishingAddress } from '../../contract/refurbishing.ts';
import type { Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import {
  component,
  refurbishing,
  refurbishingHours,
  refurbishingPart,
  serialItem,
  stockPlace,
} from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { hourCostOf, madeGood } from '../read/madeGood.ts';
import { book, lockStock, outOfBins, placeOf } from '../read/stock.ts';

/** An open order on a numbered thing, locked. */
async function lockOpen(tx: Tx, id: string) {
  const stored = one(await tx.select().from(refurbishing).where(eq(refurbishing.id, id)).for('update'), 'refurbishing');
  if (stored.state !== 'open') throw new RuleBroken('This refurbishing is over: nothing more goes into it.');
  const item = one(await tx.select().from(serialItem).where(eq(serialItem.id, stored.serialId)), 'number');
  return { stored, item };
}

export const refurbishingEndpoints = [
  serve(refurbishingAddress.list, ({ db, workshop }) => madeGood(db, hourCostOf(workshop))),
  serve(refurbishingAddress.begin, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const { componentId } = one(
        await tx.select({ componentId: serialItem.componentId }).from(serialItem).where(eq(serialItem.id, params.id)),
        'number',
      );
      // Its ledger first: whoever takes it out of its bin at this moment does so before or after, never between.
      await lockStock(tx, componentId);
      const item = one(await tx.select().from(serialItem).where(eq(serialItem.id, params.id)).for('update'), 'number');
      const [place] = await tx.select().from(stockPlace).where(eq(stockPlace.id, item.placeId!));
      if (place?.kind !== 'bin')
        throw new RuleBroken(`${item.serial} is not in a bin: only what lies in the house is refurbished.`);
      const [open] = await tx
        .select({ id: refurbishing.id })
        .from(refurbishing)
        .where(sql`${refurbishing.serialId} = ${item.id} and ${refurbishing.state} = 'open'`);
      if (open) throw new RuleBroken(`${item.serial} is being refurbished already.`);
      const { id } = made(
        await tx
          .insert(refurbishing)
          .values({ ...body, serialId: item.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({
        what: `began refurbishing ${item.serial}: ${body.what}`,
        resource: 'stock',
        id: item.id,
        after: body,
      });
      return { id };
    }),
  ),
  serve(refurbishingAddress.part, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const { stored, item } = await lockOpen(tx, params.id);
      const { componentId, quantity, serials } = body;
      const [known] = await tx.select().from(component).where(eq(component.id, componentId));
      if (!known) throw new BadInput({ componentId: 'Choose a part from the catalogue.' });
      const { name, unitSize } = await lockStock(tx, componentId);
      const free = await freeStockLocked(tx, componentId);
      if (free < quantity)
        throw new RuleBroken(`Stores have ${Math.max(0, free)} free of ${name}; ${quantity} are wanted.`);
      const toId = await placeOf(tx, 'refurbishing', stored.id);
      const takings = await outOfBins(tx, { componentId, quantity: quantity * unitSize, serials, partLineId: null });
      for (const taking of takings)
        await book(tx, {
          ...{ kind: 'fitted', componentId, fromId: taking.placeId, toId, quantity: taking.quantity },
          ...{ serialIds: taking.serialIds, note: item.serial, byId: person.id, at: now() },
        });
      const { id } = made(
        await tx
          .insert(refurbishingPart)
          .values({
            ...{ refurbishingId: stored.id, componentId, quantity, unitCents: known.priceCents },
            ...{ byId: person.id, at: now() },
          })
          .returning(),
      );
      const what = `put ${quantity} × ${name} into ${item.serial}`;
      await log({ what, resource: 'stock', id: item.id, after: body });
      return { id };
    }),
  ),
  serve(refurbishingAddress.hours, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const { stored, item } = await lockOpen(tx, params.id);
      if (body.day > today) throw new BadInput({ day: `Day lies ahead: today is ${today}.` });
      const { id } = made(
        await tx
          .insert(refurbishingHours)
          .values({ ...body, refurbishingId: stored.id, personId: person.id, at: now() })
          .returning(),
      );
      await log({ what: `worked ${body.hours} h on ${item.serial}`, resource: 'stock', id: item.id, after: body });
      return { id };
    }),
  ),
  serve(refurbishingAddress.end, ({ change, params, body: { good, version, ...body }, person, now }) =>
    change(async ({ tx, log }) => {
      const { stored, item } = await lockOpen(tx, params.id);
      if (stored.version !== version) throw new Stale(stored);
      await tx
        .update(refurbishing)
        .set({
          ...{ ...body, state: good ? 'done' : 'givenUp', endedById: person.id, endedAt: now() },
          version: version + 1,
        })
        .where(eq(refurbishing.id, stored.id));
      // What was made good carries the workshop's own warranty from now on.
      if (good && body.warrantyUntil)
        await tx
          .update(serialItem)
          .set({ warrantyUntil: body.warrantyUntil, version: item.version + 1 })
          .where(eq(serialItem.id, item.id));
      const what = good
        ? `refurbished ${item.serial}: ${body.ended}`
        : `gave up refurbishing ${item.serial}: ${body.ended}`;
      await log({ what, resource: 'stock', id: item.id, after: { good, ...body } });
      return { version: version + 1 };
    }),
  ),
];
