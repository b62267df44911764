import { and, eq, isNull, sql } from 'drizzle-orm';
import { type ApprovalRow, orderAddress } from '../../contract/orders.ts';
import { made, one } from '../db/one.ts';
import { client, kit, kitOrder, orderLink, orderQuestion, orderReading, partnerApproval } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { hashOf } from './links.ts';
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
  serve(orderAddress.packing, async ({ db, params, press, workshop, person, now, res }) => {
    const order = await orderSheet(db, params.order);
    const pdf = await press.print({ paper: 'packing', order, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${order.number}-packing.pdf"`);
    res.send(pdf);
    return undefined;
  }),
  serve(orderAddress.labels, async ({ db, params, press, workshop, person, now, res }) => {
    const order = await orderSheet(db, params.order);
    const pdf = await press.print({ paper: 'labels', order, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${order.number}-labels.pdf"`);
    res.send(pdf);
    return undefined;
  }),
  serve(orderAddress.fitting, async ({ db, params, press, workshop, person, now, res }) => {
    const order = await orderSheet(db, params.order);
    const pdf = await press.print({ paper: 'fitting', order, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${order.number}-fitting.pdf"`);
    res.send(pdf);
    return undefined;
  }),
  serve(orderAddress.approvals, async ({ db }) => {
    const { rows } = await db.execute<ApprovalRow & Record<string, unknown>>(sql`
      select a.id, json_build_object('id', c.id, 'name', c.name) as client, k.id as "kitId", k.name as "kitName",
        a.valid_until::text as "validUntil", a.note, a.ended_on::text as "endedOn", a.ended_why as "endedWhy", p.name as by
      from partner_approval a join client c on c.id = a.client_id join kit k on k.id = a.kit_id
      join person p on p.id = a.by_id order by (a.ended_on is not null), c.name, k.name, a.at`);
    return rows;
  }),
  serve(orderAddress.approve, ({ change, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const [shop] = await tx.select().from(client).where(eq(client.id, body.clientId)).for('no key update');
      if (!shop || shop.removedAt) throw new BadInput({ clientId: 'There is no such client.' });
      const [of] = await tx.select().from(kit).where(eq(kit.id, body.kitId));
      if (!of) throw new BadInput({ kitId: 'There is no such kit.' });
      if (body.validUntil < today) throw new BadInput({ validUntil: `Until is in the past: today is ${today}.` });
      const [has] = await tx
        .select()
        .from(partnerApproval)
        .where(
          and(eq(partnerApproval.clientId, shop.id), eq(partnerApproval.kitId, of.id), isNull(partnerApproval.endedOn)),
        );
      if (has)
        throw new BadInput({ kitId: `${shop.name} has an approval for it until ${has.validUntil}. End that first.` });
      const row = made(
        await tx
          .insert(partnerApproval)
          .values({ ...body, byId: person.id, at: now() })
          .returning(),
      );
      const what = `approved ${shop.name} to fit the ${of.name}`;
      await log({ what, resource: 'client', id: shop.id, after: body });
      return { id: row.id };
    }),
  ),
  serve(orderAddress.endApproval, ({ change, params, body, today }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(partnerApproval).where(eq(partnerApproval.id, params.id)).for('update'),
        'approval',
      );
      if (stored.endedOn) throw new RuleBroken('This approval was ended already.');
      await tx
        .update(partnerApproval)
        .set({ endedOn: today, endedWhy: body.why })
        .where(eq(partnerApproval.id, stored.id));
      const what = `ended an approval to fit: ${body.why}`;
      await log({ what, resource: 'client', id: stored.clientId, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
];
