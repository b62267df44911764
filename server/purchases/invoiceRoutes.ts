import { and, eq, sql } from 'drizzle-orm';
import { purchaseAddress } from '../../contract/purchases.ts';
import { invoiceTable } from '../../wording/storesTables.ts';
import { made, one } from '../db/one.ts';
import { purchase, purchaseInvoice } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { COMING, linesOf, lockPurchase } from './lock.ts';
import { allInvoices, purchaseSheet } from './rows.ts';

export const invoiceEndpoints = [
  serve(purchaseAddress.invoiceTable, async ({ db, res }) =>
    sendCsv(res, 'invoices.csv', invoiceTable(await allInvoices(db))),
  ),
  serve(purchaseAddress.invoice, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const states = [...COMING, 'closed'] as const;
      const stored = await lockPurchase(tx, params.purchase, { version: null, states, what: 'invoiced', today });
      const lines = await linesOf(tx, stored.id);
      for (const [i, { lineId }] of body.lines.entries())
        if (!lines.some(({ id }) => id === lineId))
          throw new BadInput({ [`lines.${i}.lineId`]: 'This line is of another order.' });
      const [same] = await tx
        .select({ id: purchaseInvoice.id })
        .from(purchaseInvoice)
        .where(
          and(eq(purchaseInvoice.purchaseId, stored.id), sql`lower(${purchaseInvoice.number}) = lower(${body.number})`),
        );
      if (same) throw new BadInput({ number: `Invoice ${body.number} is there already.` });
      const { id } = made(
        await tx
          .insert(purchaseInvoice)
          .values({ ...body, purchaseId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      await tx
        .update(purchase)
        .set({ version: stored.version + 1 })
        .where(eq(purchase.id, stored.id));
      await log({
        what: `entered invoice ${body.number} of ${stored.number}`,
        resource: 'purchase',
        id: stored.number,
        after: body,
      });
      return { id };
    }),
  ),
  serve(purchaseAddress.settle, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const known = one(
        await tx
          .select({ number: purchase.number })
          .from(purchaseInvoice)
          .innerJoin(purchase, eq(purchase.id, purchaseInvoice.purchaseId))
          .where(eq(purchaseInvoice.id, params.id)),
        'invoice',
      );
      const states = [...COMING, 'closed'] as const;
      await lockPurchase(tx, known.number, { version: null, states, what: 'settled', today });
      const sheet = await purchaseSheet(tx, known.number, today);
      const invoice = sheet.invoices.find(({ id }) => id === params.id)!;
      if (invoice.version !== body.version) throw new Stale(sheet);
      if (invoice.state !== 'open') throw new RuleBroken(`Invoice ${invoice.number} is settled already.`);
      if (body.agreed && invoice.findings.length > 0 && body.why === '')
        throw new BadInput({
          why: 'It does not match what was ordered and received: say why it is paid all the same.',
        });
      if (!body.agreed && body.why === '') throw new BadInput({ why: 'Say why it is refused.' });
      const version = body.version + 1;
      await tx
        .update(purchaseInvoice)
        .set({
          state: body.agreed ? 'agreed' : 'refused',
          why: body.why,
          settledById: person.id,
          settledAt: now(),
          version,
        })
        .where(eq(purchaseInvoice.id, params.id));
      const what = `${body.agreed ? 'agreed to' : 'refused'} invoice ${invoice.number} of ${known.number}`;
      await log({ what, resource: 'purchase', id: known.number, after: body });
      return { version };
    }),
  ),
];
