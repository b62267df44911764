import { sql } from 'drizzle-orm';
import type { Announced, InvoiceRow, PurchaseRow, PurchaseSheet } from '../../contract/purchases.ts';
import type { DeskMessage } from '../../contract/supplierDesk.ts';
import {
  arrivalFindings,
  type InvoicedLine,
  invoiceFindings,
  lineCents,
  outstanding,
} from '../../core/buying/purchase.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { deskMessageText } from '../../wording/purchases.ts';
import type { InvoiceOfOrder } from '../../wording/storesTables.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { instantText } from '../read/instant.ts';

/** How much of a line has come, was sent back, is still to come; over `pl`. */
const ACCEPTED = `coalesce((select sum(r.good) from goods_receipt_line r where r.line_id = pl.id), 0)::int`;
const RETURNED = `coalesce((select sum(b.quantity) from purchase_return b where b.line_id = pl.id and b.from_bin = 'bin'), 0)::int`;

/** The lines of orders, one row each. */
const LINES = sql.raw(`
  select pl.id, pl.purchase_id as "purchaseId", pl.position, pl.component_id as "componentId", c.name, c.kind, c.part_number as "partNumber",
    c.unit_size as "unitSize", pl.quantity, pl.price_cents as "priceCents", pl.promised_on::text as "promisedOn",
    pl.first_promised_on::text as "firstPromisedOn", pl.dropped, ${ACCEPTED} as accepted, ${RETURNED} as returned,
    (select coalesce(array_agg(distinct j.number), '{}') from part_line l join job j on j.id = l.job_id where l.purchase_line_id = pl.id) as "forJobs"
  from purchase_line pl join component c on c.id = pl.component_id`);

interface LineRow {
  readonly id: string;
  readonly purchaseId: string;
  readonly position: number;
  readonly componentId: string;
  readonly name: string;
  readonly kind: ComponentKind;
  readonly partNumber: string;
  readonly unitSize: number;
  readonly quantity: number;
  readonly priceCents: number;
  readonly promisedOn: string | null;
  readonly firstPromisedOn: string | null;
  readonly dropped: number;
  readonly accepted: number;
  readonly returned: number;
  readonly forJobs: readonly string[];
  readonly [other: string]: unknown;
}

interface HeadRow {
  readonly id: string;
  readonly number: string;
  readonly supplierId: string;
  readonly supplier: string;
  readonly deskUrl: string;
  readonly state: PurchaseRow['state'];
  readonly currency: PurchaseRow['currency'];
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  readonly wantedOn: string | null;
  readonly note: string;
  readonly endedWhy: string | null;
  readonly sentOn: string | null;
  readonly takenAt: string | null;
  readonly version: number;
  readonly messages: readonly { readonly body: DeskMessage; readonly at: string; readonly done: boolean }[];
  readonly invoices: readonly Omit<InvoiceRow, 'findings'>[];
  readonly [other: string]: unknown;
}

const HEADS = sql.raw(`
  select p.id, p.number, p.supplier_id as "supplierId", s.name as supplier, s.desk_url as "deskUrl", p.state, p.currency,
    p.rate_millionths as "rateMillionths", p.rate_day::text as "rateDay", p.wanted_on::text as "wantedOn", p.note,
    p.ended_why as "endedWhy", p.sent_at::date::text as "sentOn", ${instantText('p.taken_at')} as "takenAt", p.version,
    (select coalesce(json_agg(json_build_object('body', m.body, 'at', ${instantText('m.at')}, 'done', m.done_at is not null) order by m.id), '[]'::json)
      from purchase_message m where m.purchase_id = p.id) as messages,
    (select coalesce(json_agg(json_build_object('id', i.id, 'number', i.number, 'day', i.day, 'lines', i.lines, 'taxCents', i.tax_cents,
        'totalCents', i.total_cents, 'state', i.state, 'why', i.why, 'version', i.version,
        'settledBy', (select name from person where id = i.settled_by_id)) order by i.at), '[]'::json)
      from purchase_invoice i where i.purchase_id = p.id) as invoices
  from purchase p join supplier s on s.id = p.supplier_id`);

const openOf = (line: LineRow) => outstanding({ ...line, ordered: line.quantity });

/** Invoices with what does not match; each sees what those before it have taken. */
export function judgedInvoices(lines: readonly LineRow[], invoices: HeadRow['invoices']): InvoiceRow[] {
  const before = new Map<string, number>();
  return invoices.map((invoice) => {
    const known: InvoicedLine[] = [];
    const unknown = invoice.lines.filter(({ lineId }) => !lines.some(({ id }) => id === lineId));
    for (const { lineId, quantity, priceCents } of invoice.lines) {
      const line = lines.find(({ id }) => id === lineId);
      if (!line) continue;
      known.push({
        ...{
          lineId,
          unitSize: line.unitSize,
          ordered: line.quantity,
          accepted: line.accepted,
          returned: line.returned,
        },
        ...{ dropped: line.dropped, priceCents: line.priceCents, invoicedBefore: before.get(lineId) ?? 0 },
        ...{ invoiced: quantity, invoicedPriceCents: priceCents },
      });
    }
    const findings = [
      ...invoiceFindings(known, invoice),
      ...unknown.map(({ lineId }) => ({ finding: 'unknownLine' as const, lineId })),
    ];
    if (invoice.state !== 'refused')
      for (const { lineId, quantity } of invoice.lines) before.set(lineId, (before.get(lineId) ?? 0) + quantity);
    return { ...invoice, findings };
  });
}

/** Deliveries that were announced and that nobody has counted in; a note said twice is one. */
function announcedOf(head: HeadRow, lines: readonly LineRow[]): Announced[] {
  const seen = new Set<string>();
  return head.messages.flatMap(({ body, done }): Announced[] => {
    if (body.kind !== 'dispatched' || done || seen.has(body.note)) return [];
    seen.add(body.note);
    return [
      {
        ...{ key: body.key, note: body.note, arrivesOn: body.arrivesOn },
        lines: body.lines.flatMap(({ line, quantity }) => {
          const of = lines.find(({ position }) => position === line);
          return of ? [{ lineId: of.id, quantity }] : [];
        }),
      },
    ];
  });
}

/** What the supplier last confirmed a line at, where that is not what it was ordered at and nobody has answered. */
function saidCents({ messages }: HeadRow, line: LineRow): number | null {
  const said = messages.flatMap(({ body, done }) =>
    body.kind === 'confirmed' && !done
      ? body.lines.flatMap(({ line: position, priceCents }) => (position === line.position ? (priceCents ?? []) : []))
      : [],
  );
  const last = said.at(-1) ?? null;
  return last === line.priceCents ? null : last;
}

const total = (lines: readonly LineRow[]) =>
  lines.reduce((sum, line) => sum + lineCents(line.quantity - line.dropped, line.unitSize, line.priceCents), 0);

const inOwn = (cents: number, rateMillionths: number) => Math.round((cents * rateMillionths) / 1_000_000);

function rowOf(head: HeadRow, lines: readonly LineRow[], today: string): PurchaseRow {
  const open = lines.filter((line) => openOf(line) > 0);
  const coming = head.state === 'sent' || head.state === 'confirmed';
  const late = coming && open.some(({ promisedOn }) => promisedOn !== null && promisedOn < today);
  const wrong = judgedInvoices(lines, head.invoices).some(({ state }) => state === 'open');
  return {
    ...{ number: head.number, supplierId: head.supplierId, supplier: head.supplier, state: head.state },
    ...{ currency: head.currency, totalCents: total(lines), ownCents: inOwn(total(lines), head.rateMillionths) },
    ...{ lines: lines.length, open: open.length, wantedOn: head.wantedOn, sentOn: head.sentOn },
    promisedOn: open.reduce<string | null>(
      (last, { promisedOn }) => (promisedOn && (!last || promisedOn > last) ? promisedOn : last),
      null,
    ),
    asks: [
      ...(announcedOf(head, lines).length > 0 ? (['announced'] as const) : []),
      ...(wrong ? (['invoice'] as const) : []),
      ...(coming && lines.some((line) => saidCents(head, line) !== null) ? (['price'] as const) : []),
      ...(late ? (['late'] as const) : []),
      ...(head.state === 'sent' && head.deskUrl !== '' && head.takenAt === null ? (['notTaken'] as const) : []),
    ],
  };
}

const MOST = 500;

/** Lines of orders, by the order they are of. */
async function linesBy(db: Db, heads: readonly HeadRow[]): Promise<ReadonlyMap<string, LineRow[]>> {
  const { rows: lines } = await db.execute<LineRow>(
    sql`select * from (${LINES}) l where "purchaseId" = any(${sql.param(heads.map(({ id }) => id))}::uuid[]) order by position`,
  );
  const by = new Map<string, LineRow[]>();
  for (const line of lines) by.set(line.purchaseId, [...(by.get(line.purchaseId) ?? []), line]);
  return by;
}

/** The newest orders, those that ask for somebody first. */
export async function purchaseRows(db: Db, today: string): Promise<PurchaseRow[]> {
  const { rows: heads } = await db.execute<HeadRow>(
    sql`select * from (${HEADS}) h order by state in ('closed', 'cancelled'), number desc limit ${MOST}`,
  );
  const by = await linesBy(db, heads);
  return heads.map((head) => rowOf(head, by.get(head.id) ?? [], today));
}

/** Invoices of all orders, held against what was ordered and came, the newest order first. */
export async function allInvoices(db: Db): Promise<InvoiceOfOrder[]> {
  const { rows: heads } = await db.execute<HeadRow>(
    sql`select * from (${HEADS}) h where json_array_length(invoices) > 0 order by number desc`,
  );
  const lines = await linesBy(db, heads);
  return heads.flatMap((head) =>
    judgedInvoices(lines.get(head.id) ?? [], head.invoices).map((invoice) => ({
      ...invoice,
      ...{ order: head.number, supplier: head.supplier, currency: head.currency },
    })),
  );
}

/** One order with all that came of it. */
export async function purchaseSheet(db: Db | Tx, number: string, today: string): Promise<PurchaseSheet> {
  const { rows: heads } = await db.execute<HeadRow>(sql`select * from (${HEADS}) h where number = ${number}`);
  const head = one(heads, 'order');
  const { rows: lines } = await db.execute<LineRow>(
    sql`select * from (${LINES}) l where "purchaseId" = ${head.id} order by position`,
  );
  const { rows: receipts } = await db.execute<
    Omit<PurchaseSheet['receipts'][number], 'lines'> & {
      lines: Omit<PurchaseSheet['receipts'][number]['lines'][number], 'findings'>[];
    } & Record<string, unknown>
  >(sql`
    select g.id, g.note, ${sql.raw(instantText('g.at'))} as at, w.name as by,
      (select coalesce(json_agg(json_build_object('lineId', r.line_id, 'name', c.name, 'unitSize', c.unit_size, 'good', r.good,
          'damaged', r.damaged, 'wrong', r.wrong, 'announced', r.announced, 'remark', r.remark) order by pl.position), '[]'::json)
        from goods_receipt_line r join purchase_line pl on pl.id = r.line_id join component c on c.id = pl.component_id
        where r.receipt_id = g.id) as lines
    from goods_receipt g join person w on w.id = g.by_id where g.purchase_id = ${head.id} order by g.at`);
  const { rows: returns } = await db.execute<PurchaseSheet['returns'][number] & Record<string, unknown>>(sql`
    select b.id, b.line_id as "lineId", b.quantity, b.reason, ${sql.raw(instantText('b.at'))} as at, w.name as by
    from purchase_return b join person w on w.id = b.by_id join purchase_line pl on pl.id = b.line_id
    where pl.purchase_id = ${head.id} order by b.at`);
  const row = rowOf(head, lines, today);
  const { lines: _, open: __, asks: ___, ...plain } = row;
  // Each delivery is held against what was still to come before it.
  const left = new Map(lines.map((line) => [line.id, line.quantity - line.dropped]));
  return {
    ...plain,
    ...{ note: head.note, rateMillionths: head.rateMillionths, rateDay: head.rateDay, endedWhy: head.endedWhy },
    ...{ byDesk: head.deskUrl !== '', takenAt: head.takenAt, version: head.version },
    lines: lines.map(({ purchaseId: _p, position: _n, kind, ...line }) => ({
      ...line,
      saidCents: saidCents(head, { ...line, kind, position: _n } as LineRow),
      numbered: wantsSerials(kind),
      outstanding: openOf({ ...line, kind } as LineRow),
    })) as unknown as PurchaseSheet['lines'],
    receipts: receipts.map((receipt) => ({
      ...receipt,
      lines: receipt.lines.map((line) => {
        const open = Math.max(0, left.get(line.lineId) ?? 0);
        left.set(line.lineId, open - line.good);
        return { ...line, findings: arrivalFindings(line, open, line.announced) };
      }),
    })),
    announced: announcedOf(head, lines),
    returns,
    invoices: judgedInvoices(lines, head.invoices),
    said: head.messages
      .map(({ body, at }) => ({
        at,
        text: deskMessageText(body, (n) => lines.find(({ position }) => position === n)?.name ?? `line ${n}`),
      }))
      .reverse(),
  };
}
