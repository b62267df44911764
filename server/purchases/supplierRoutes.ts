import { eq, sql } from 'drizzle-orm';
import { type OfferRound, type SupplierRow, type SupplierSheet, supplierAddress } from '../../contract/suppliers.ts';
import { supplierRecord } from '../../core/buying/purchase.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { roundTable, supplierTable } from '../../wording/storesTables.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { component, offerRound, supplier, supplierNote, supplierOffer } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';

const ISO = sql.raw(`'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`);

type Stored = Omit<SupplierRow, 'came' | 'late' | 'medianLateDays'> & {
  readonly kept: readonly { readonly promised: string; readonly came: string }[];
} & Record<string, unknown>;

/** Suppliers with how they keep promises, by what has come. */
async function supplierRows(db: Db | Tx, id: string | null = null): Promise<SupplierRow[]> {
  const { rows } = await db.execute<Stored>(sql`
    select s.id, s.name, s.contact, s.desk_url as "deskUrl", s.version,
      (select count(*)::int from component c where c.supplier_id = s.id) as components,
      (select count(*)::int from purchase p where p.supplier_id = s.id and p.state in ('draft', 'sent', 'confirmed')) as "openOrders",
      (select coalesce(json_agg(json_build_object('promised', k.promised, 'came', k.came)), '[]'::json) from (
        select pl.first_promised_on::text as promised, max(g.at)::date::text as came
        from purchase_line pl join purchase p on p.id = pl.purchase_id join goods_receipt_line r on r.line_id = pl.id and r.good > 0
          join goods_receipt g on g.id = r.receipt_id
        where p.supplier_id = s.id and pl.first_promised_on is not null group by pl.id, pl.first_promised_on) k) as kept,
      coalesce(q.bad, 0)::int as bad, coalesce(q.pieces, 0)::int as pieces,
      (select count(*)::int from supplier_note n where n.supplier_id = s.id and n.ended is null) as "openNotes"
    from supplier s left join lateral (
      select sum(r.damaged + r.wrong) as bad, sum(r.good + r.damaged + r.wrong) as pieces from goods_receipt_line r
      join purchase_line pl on pl.id = r.line_id join purchase p on p.id = pl.purchase_id join component c on c.id = pl.component_id
      where p.supplier_id = s.id and c.unit_size = 1
    ) q on true
    where ${id === null ? sql`true` : sql`s.id = ${id}`} order by s.name`);
  return rows.map(({ kept, ...row }) => {
    const record = supplierRecord(
      kept.map(({ promised, came }) => ({ promisedDay: dayNumber(promised), cameDay: dayNumber(came) })),
    );
    return { ...row, came: record.lines, late: record.late, medianLateDays: record.medianLateDays } as SupplierRow;
  });
}

async function supplierSheet(db: Db | Tx, id: string): Promise<SupplierSheet> {
  const row = one(await supplierRows(db, id), 'supplier');
  const { rows: notes } = await db.execute<SupplierSheet['notes'][number] & Record<string, unknown>>(sql`
    select n.id, n.kind, n.text, w.name as by, to_char(n.at at time zone 'UTC', ${ISO}) as at, n.ended,
      (select name from person where id = n.ended_by_id) as "endedBy"
    from supplier_note n join person w on w.id = n.by_id where n.supplier_id = ${id}
    order by n.ended is not null, n.at desc limit 200`);
  return { ...row, notes };
}

/** Rounds of offers, open ones first, each with what is wanted and who offers what. */
async function roundRows(db: Db): Promise<OfferRound[]> {
  const { rows } = await db.execute<OfferRound & Record<string, unknown>>(sql`
    select r.id, r.name, w.name as by, to_char(r.at at time zone 'UTC', ${ISO}) as at, r.closed_at is not null as closed, r.version,
      (select coalesce(json_agg(json_build_object('componentId', c.id, 'name', c.name, 'quantity', (x.one ->> 'quantity')::int,
          'aloneCents', case when c.price_cents > 0 then c.price_cents::bigint * (x.one ->> 'quantity')::int end, 'leadDays', c.lead_days)
          order by x.n), '[]'::json)
        from jsonb_array_elements(r.wanted) with ordinality x(one, n) join component c on c.id = x.one ->> 'componentId') as wanted,
      (select coalesce(json_agg(json_build_object('id', o.id, 'supplierId', o.supplier_id, 'supplier', s.name, 'priceCents', o.price_cents,
          'currency', o.currency, 'rateMillionths', o.rate_millionths, 'rateDay', o.rate_day,
          'ownCents', round(o.price_cents::numeric * o.rate_millionths / 1000000), 'deliveryDays', o.delivery_days,
          'includes', o.includes, 'validUntil', o.valid_until, 'note', o.note) order by o.at), '[]'::json)
        from supplier_offer o join supplier s on s.id = o.supplier_id where o.round_id = r.id) as offers
    from offer_round r join person w on w.id = r.by_id order by r.closed_at is not null, r.at desc limit 50`);
  return rows;
}

export const supplierEndpoints = [
  serve(supplierAddress.list, ({ db }) => supplierRows(db)),
  serve(supplierAddress.table, async ({ db, res }) =>
    sendCsv(res, 'suppliers.csv', supplierTable(await supplierRows(db))),
  ),
  serve(supplierAddress.one, ({ db, params }) => supplierSheet(db, params.supplier)),
  serve(supplierAddress.change, ({ change, params, body: { version: seen, ...body } }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(supplier).where(eq(supplier.id, params.supplier)).for('update'),
        'supplier',
      );
      if (stored.version !== seen) throw new Stale(await supplierSheet(tx, stored.id));
      await tx
        .update(supplier)
        .set({ ...body, version: seen + 1 })
        .where(eq(supplier.id, stored.id));
      await log({ what: `changed what is known of ${stored.name}`, resource: 'purchase', id: stored.id, after: body });
      return { version: seen + 1 };
    }),
  ),
  serve(supplierAddress.note, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(await tx.select().from(supplier).where(eq(supplier.id, params.supplier)), 'supplier');
      const { id } = made(
        await tx
          .insert(supplierNote)
          .values({ ...body, supplierId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({ what: `noted of ${stored.name}: ${body.text}`, resource: 'purchase', id: stored.id, after: body });
      return { id };
    }),
  ),
  serve(supplierAddress.endNote, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(supplierNote).where(eq(supplierNote.id, params.id)).for('update'),
        'note',
      );
      if (stored.ended !== null) throw new RuleBroken('This was ended already.');
      await tx
        .update(supplierNote)
        .set({ ended: body.ended, endedById: person.id, endedAt: now() })
        .where(eq(supplierNote.id, stored.id));
      await log({
        what: `ended: ${stored.text}: ${body.ended}`,
        resource: 'purchase',
        id: stored.supplierId,
        after: body,
      });
      return { id: stored.id };
    }),
  ),
  serve(supplierAddress.rounds, ({ db }) => roundRows(db)),
  serve(supplierAddress.roundTable, async ({ db, res }) =>
    sendCsv(res, 'offers-compared.csv', roundTable(await roundRows(db))),
  ),
  serve(supplierAddress.addRound, ({ change, body, person, now }) =>
    change(async ({ tx, log }) => {
      for (const [i, { componentId }] of body.wanted.entries())
        if ((await tx.$count(component, eq(component.id, componentId))) === 0)
          throw new BadInput({ [`wanted.${i}.componentId`]: 'Choose a component from the library.' });
      const { id } = made(
        await tx
          .insert(offerRound)
          .values({ ...body, byId: person.id, at: now() })
          .returning(),
      );
      await log({ what: `asked for offers: ${body.name}`, resource: 'purchase', id, after: body });
      return { id };
    }),
  ),
  serve(supplierAddress.addOffer, ({ change, params, body, workshop, now }) =>
    change(async ({ tx, log }) => {
      const round = one(
        await tx.select().from(offerRound).where(eq(offerRound.id, params.id)).for('update'),
        'round of offers',
      );
      if (round.closedAt) throw new RuleBroken('This round is closed.');
      const [of] = await tx.select().from(supplier).where(eq(supplier.id, body.supplierId));
      if (!of) throw new BadInput({ supplierId: 'Choose a supplier.' });
      const other = body.includes.find((id) => !round.wanted.some(({ componentId }) => componentId === id));
      if (other) throw new BadInput({ includes: 'Something in it is not wanted in this round.' });
      if (body.currency !== workshop.currency && body.rateDay === null)
        throw new BadInput({ rateDay: 'Say of which day the rate is: a price remembers it.' });
      const { id } = made(
        await tx
          .insert(supplierOffer)
          .values({ ...body, roundId: round.id, at: now() })
          .returning(),
      );
      await log({
        what: `noted an offer of ${of.name} for ${round.name}`,
        resource: 'purchase',
        id: round.id,
        after: body,
      });
      return { id };
    }),
  ),
];
