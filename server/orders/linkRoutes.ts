import { and, eq, isNull } from 'drizzle-orm';
import { orderAddress } from '../../contract/orders.ts';
import { one } from '../db/one.ts';
import { kitOrder, orderLink, orderQuestion, orderReading } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { hashOf } from '../read/secretWord.ts';
import { lockOrder } from './lock.ts';
import { orderSheet } from './rows.ts';

const DAY_MS = 86_400_000;

export const orderLinkEndpoints = [
  serve(orderAddress.link, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const order = await lockOrder(tx, params.order, { states: ['ordered', 'sent'], what: 'opened to a fitter' });
      const tokenHash = hashOf(body.token);
      const [same] = await tx.select().from(orderLink).where(eq(orderLink.tokenHash, tokenHash));
      if (same?.orderId === order.id && !same.revokedAt) return { until: same.until.toISOString() };
      if (same) throw new BadInput({ token: 'This word was used before. Open the page anew.' });
      // A new link closes the one before.
      await tx
        .update(orderLink)
        .set({ revokedAt: now() })
        .where(and(eq(orderLink.orderId, order.id), isNull(orderLink.revokedAt)));
      const until = new Date(now().getTime() + body.days * DAY_MS);
      await tx.insert(orderLink).values({ orderId: order.id, tokenHash, until, byId: person.id, at: now() });
      const what = `opened a fitter’s page for ${order.number}`;
      await log({ what, resource: 'order', id: order.number, after: { until: until.toISOString() } });
      return { until: until.toISOString() };
    }),
  ),
  serve(orderAddress.revoke, ({ change, params, now }) =>
    change(async ({ tx, log }) => {
      const order = await lockOrder(tx, params.order, {
        ...{ states: ['ordered', 'sent', 'signed', 'cancelled'], what: 'closed' },
      });
      const closed = await tx
        .update(orderLink)
        .set({ revokedAt: now() })
        .where(and(eq(orderLink.orderId, order.id), isNull(orderLink.revokedAt)))
        .returning();
      if (closed.length === 0) throw new RuleBroken('No fitter’s page is open for this order.');
      await log({ what: `closed the fitter’s page of ${order.number}`, resource: 'order', id: order.number });
      return { id: order.id };
    }),
  ),
  serve(orderAddress.allow, ({ change, params, body, person }) =>
    change(async ({ tx, log }) => {
      const { number } = one(
        await tx
          .select({ number: kitOrder.number })
          .from(orderReading)
          .innerJoin(kitOrder, eq(kitOrder.id, orderReading.orderId))
          .where(eq(orderReading.id, params.id)),
        'reading',
      );
      const order = await lockOrder(tx, number, { states: ['sent'], what: 'decided about' });
      const stored = one(await tx.select().from(orderReading).where(eq(orderReading.id, params.id)), 'reading');
      if (stored.allowedById) throw new RuleBroken('Somebody has decided about this reading already.');
      await tx
        .update(orderReading)
        .set({ allowedById: person.id, allowedWhy: body.why })
        .where(eq(orderReading.id, stored.id));
      const what = `let a reading outside its limits stand: ${body.why}`;
      await log({ what, resource: 'order', id: order.number, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
  serve(orderAddress.answer, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(orderQuestion).where(eq(orderQuestion.id, params.id)).for('update'),
        'question',
      );
      if (stored.answer !== null) throw new RuleBroken('This question was answered already.');
      const { number } = one(await tx.select().from(kitOrder).where(eq(kitOrder.id, stored.orderId)), 'kit order');
      await tx
        .update(orderQuestion)
        .set({ answer: body.answer, answeredById: person.id, answeredAt: now() })
        .where(eq(orderQuestion.id, stored.id));
      await log({ what: 'answered a fitter', resource: 'order', id: number, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
  ...(['packing', 'labels', 'fitting'] as const).map((paper) =>
    serve(orderAddress[paper], async ({ db, params, press, workshop, person, now, res }) => {
      const order = await orderSheet(db, params.order);
      const pdf = await press.print({ paper, order, print: printFor(workshop, person, now()) });
      res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${order.number}-${paper}.pdf"`);
      res.send(pdf);
      return undefined;
    }),
  ),
];
