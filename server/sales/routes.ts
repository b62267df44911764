import { eq, sql } from 'drizzle-orm';
import { type SaleRow, saleAddress } from '../../contract/sales.ts';
import type { OfferBody } from '../../core/offer/offer.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { toCsv } from '../../wording/csv.ts';
import { dayOf } from '../../wording/dates.ts';
import { inWords, SALE_STATE_NAME } from '../../wording/offers.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { client, counterSale } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { refuseUnknownParts, sumsOf } from '../read/soldLines.ts';
import { sellFromBins } from './sellFromBins.ts';

/** Every sale, the newest first: the books want all of them; one of them by its number. */
async function saleRows(db: Db | Tx, number: string | null = null): Promise<SaleRow[]> {
  const { rows } = await db.execute<SaleRow & Record<string, unknown>>(sql`
    select s.id, s.number, s.state, s.client_id as "clientId", c.name as client, s.body, s.currency,
      s.net_cents::float8 as "netCents", s.tax_cents::float8 as "taxCents", s.total_cents::float8 as "totalCents",
      p.name as by, ${instant('s.created_at')} as "createdAt", ${instant('s.sold_at')} as "soldAt", s.ended_why as "endedWhy", s.version
    from counter_sale s join client c on c.id = s.client_id join person p on p.id = s.by_id
    where ${number === null ? sql`true` : sql`s.number = ${number}`} order by s.created_at desc, s.number desc`);
  return rows;
}

/** A sale that is still written, locked. */
async function lockSale(tx: Tx, number: string, version: number) {
  const stored = one(await tx.select().from(counterSale).where(eq(counterSale.number, number)).for('update'), 'sale');
  if (stored.version !== version) throw new Stale((await saleRows(tx, number))[0]);
  if (stored.state !== 'draft')
    throw new RuleBroken(`${number} is ${SALE_STATE_NAME[stored.state]}: it never changes.`);
  return stored;
}

/** S26-007: the year, then how many there were in it. */
async function nextNumber(tx: Tx, today: string): Promise<string> {
  await tx.execute(sql`select pg_advisory_xact_lock(4417042)`);
  const year = `S${today.slice(2, 4)}-`;
  const { rows } = await tx.execute<{ last: number | null }>(
    sql`select max(substring(number from 5)::int) as last from counter_sale where number like ${`${year}%`}`,
  );
  return `${year}${String((rows[0]?.last ?? 0) + 1).padStart(3, '0')}`;
}

const SALE_HEAD = ['Sale', 'State', 'Client', 'Sold on', 'Currency', 'Before tax', 'Tax', 'To pay', 'By'];

export const saleEndpoints = [
  serve(saleAddress.list, ({ db }) => saleRows(db)),
  serve(saleAddress.csv, async ({ db, res, workshop }) => {
    const rows = await saleRows(db);
    const cells = rows.map((row) => [
      ...[row.number, SALE_STATE_NAME[row.state], row.client],
      ...[row.soldAt && dayOf(row.soldAt, workshop.timeZone), row.currency],
      ...[row.netCents / 100, row.taxCents / 100, row.totalCents / 100, row.by],
    ]);
    return sendCsv(res, 'counter-sales.csv', toCsv(SALE_HEAD, cells));
  }),
  serve(saleAddress.one, async ({ db, params }) => one(await saleRows(db, params.sale), 'sale')),
  serve(saleAddress.paper, async ({ db, params, workshop, person, press, now, res }) => {
    const sale = one(await saleRows(db, params.sale), 'sale');
    const paper = {
      ...{ title: `Sale ${sale.number}`, to: sale.client, about: [], body: { ...sale.body, open: true } },
      ...{ currency: sale.currency, sentOn: sale.soldAt && dayOf(sale.soldAt, workshop.timeZone), specification: [] },
      ...{ accepted: null, isOffer: false },
    };
    const pdf = await press.print({ paper: 'offer', offer: paper, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${sale.number}.pdf"`);
    res.send(pdf);
    return undefined;
  }),
  serve(saleAddress.add, ({ change, body, person, today, workshop, now }) =>
    change(async ({ tx, log }) => {
      const [known] =
        body.clientId === null
          ? []
          : await tx.select().from(client).where(eq(client.id, body.clientId)).for('key share');
      if (body.clientId !== null && (!known || known.removedAt))
        throw new BadInput({ clientId: 'Choose a client that is known here.' });
      const clientId =
        known?.id ??
        made(await tx.insert(client).values({ name: body.clientName, contact: body.clientContact }).returning()).id;
      const number = await nextNumber(tx, today);
      const practice = practiceOf(workshop.practice);
      const empty: OfferBody = {
        ...{ lines: [], stages: [], contingencyShare: 0, roundToCents: 1, taxRule: practice.taxRule },
        ...{ taxShare: workshop.taxShare, open: true, note: '', validUntil: today },
      };
      await tx.insert(counterSale).values({
        ...{ number, clientId, body: empty, currency: workshop.currency, ...sumsOf(empty) },
        ...{ byId: person.id, createdAt: now() },
      });
      await log({ what: `began the sale ${number}`, resource: 'sale', id: number, after: body });
      return { number };
    }),
  ),
  serve(saleAddress.change, ({ change, params, body: { body, version } }) =>
    change(async ({ tx, log }) => {
      const stored = await lockSale(tx, params.sale, version);
      await refuseUnknownParts(tx, body.lines, 'body.lines');
      body.lines.forEach(({ quantity, kind }, i) => {
        if (kind === 'part' && !(quantity > 0 && Number.isInteger(quantity)))
          throw new BadInput({ [`body.lines.${i}.quantity`]: 'So many must be a whole number above nothing.' });
      });
      await tx
        .update(counterSale)
        .set({ body, ...sumsOf(body), version: version + 1 })
        .where(eq(counterSale.id, stored.id));
      const what = `changed the sale ${stored.number}`;
      await log({ what, resource: 'sale', id: stored.number, before: stored.body, after: body });
      return { version: version + 1 };
    }),
  ),
  serve(saleAddress.sell, ({ change, params, body: { serials, version }, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = await lockSale(tx, params.sale, version);
      if (stored.body.lines.length === 0) throw new RuleBroken(`${stored.number} has no line yet.`);
      if (stored.totalCents <= 0) throw new RuleBroken(`${stored.number} comes to nothing: it has no price yet.`);
      await sellFromBins(tx, { sale: stored, serials, byId: person.id, at: now() });
      await tx
        .update(counterSale)
        .set({ state: 'sold', soldAt: now(), version: version + 1 })
        .where(eq(counterSale.id, stored.id));
      const what = `sold ${stored.number} over the counter, ${inWords(stored.totalCents, stored.currency)}`;
      await log({ what, resource: 'sale', id: stored.number, after: { serials } });
      return { version: version + 1 };
    }),
  ),
  serve(saleAddress.cancel, ({ change, params, body: { why, version } }) =>
    change(async ({ tx, log }) => {
      const stored = await lockSale(tx, params.sale, version);
      await tx
        .update(counterSale)
        .set({ state: 'cancelled', endedWhy: why, version: version + 1 })
        .where(eq(counterSale.id, stored.id));
      await log({
        what: `gave up the sale ${stored.number}: ${why}`,
        resource: 'sale',
        id: stored.number,
        after: { why },
      });
      return { version: version + 1 };
    }),
  ),
];
