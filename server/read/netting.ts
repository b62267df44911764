import { desc, sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import { supplierRecord } from '../../core/buying/purchase.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { plannedBegins } from '../../core/plan/begins.ts';
import { readyDays, type StoredPlan } from '../../core/plan/storedPlan.ts';
import type { WorkCalendar } from '../../core/practice/workingDays.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { type NeededDay, neededDays, type StageToGo } from '../../core/stores/neededDay.ts';
import type { NeedItem, Receipt } from '../../core/stores/needs.ts';
import type { Db, Tx } from '../db/connect.ts';
import { workPlan } from '../db/schema/index.ts';

/** A component as it is netted, with what its row shows. */
export interface StoredItem extends NeedItem {
  readonly name: string;
  readonly kind: ComponentKind;
  readonly supplierId: string;
  readonly supplier: string;
  readonly priceCents: number;
  readonly late: number | null;
}

/** A line that wants something, with its job. */
export interface WantingLine {
  readonly lineId: string;
  readonly componentId: string;
  readonly kind: ComponentKind;
  /** Of a job; null for a kit order. */
  readonly jobId: string | null;
  readonly number: string;
  readonly title: string;
  readonly quantity: number;
  readonly state: 'missing' | 'ordered' | 'inStores' | 'packing';
  readonly due: string | null;
  readonly promised: string | null;
  readonly purchaseLine: string | null;
  readonly needed: NeededDay | { readonly day: number; readonly basis: 'order'; readonly stage: null };
}

export interface JobToGo {
  readonly number: string;
  /** By the plan; null where it is not planned, or something of it cannot be. */
  readonly plannedDay: number | null;
  readonly promisedDay: number | null;
  readonly stages: readonly (StageToGo & { readonly id: string })[];
  /** Person-hours still to do; null without stages. */
  readonly remainingHours: number | null;
}

export interface Netting {
  readonly items: readonly StoredItem[];
  readonly lines: ReadonlyMap<string, WantingLine>;
  readonly jobs: ReadonlyMap<string, JobToGo>;
  readonly today: number;
  readonly hoursPerDay: number;
  readonly calendar: WorkCalendar;
}

/** Lines of open jobs that have not had their pieces, and lines of kits that are being packed. */
const LINES = sql`
  select l.id as "lineId", l.component_id as "componentId", j.id as "jobId", j.number, v.name as title,
    l.quantity * c.unit_size as quantity, l.state, l.due, j.promised,
    l.purchase_line_id as "purchaseLine"
  from part_line l join job j on j.id = l.job_id join vehicle v on v.id = j.vehicle_id join component c on c.id = l.component_id
  where l.state in ('missing', 'ordered', 'inStores') and j.state not in ('handedOver', 'cancelled')
  union all
  select l.id, l.component_id, null, o.number, 'kit', l.first_pieces * c.unit_size, 'inStores', null, o.promised_on, null
  from order_line l join kit_order o on o.id = l.order_id join component c on c.id = l.component_id
  where o.state = 'ordered' and l.first_pieces > 0
  union all
  select l.id, l.component_id, null, o.number, 'kit', (l.pieces - coalesce(l.first_pieces, 0)) * c.unit_size, 'packing', null,
    o.promised_on, null
  from order_line l join kit_order o on o.id = l.order_id join component c on c.id = l.component_id
  where o.state = 'ordered' and l.pieces > coalesce(l.first_pieces, 0)`;

/** Still to come of every line of an order that was sent. */
const COMING = sql`
  select pl.id, pl.component_id as "componentId", p.number, p.supplier_id as "supplierId",
    coalesce(pl.promised_on, p.wanted_on, (p.sent_at + c.lead_days * interval '1 day')::date)::text as day, pl.promised_on is not null as promised,
    (pl.quantity - pl.dropped
      - coalesce((select sum(r.good) from goods_receipt_line r where r.line_id = pl.id), 0)
      + coalesce((select sum(b.quantity) from purchase_return b where b.line_id = pl.id and b.from_bin = 'bin'), 0))::int as quantity
  from purchase_line pl join purchase p on p.id = pl.purchase_id join component c on c.id = pl.component_id
  where p.state in ('sent', 'confirmed')`;

/** The first promise of each line that has come, and the day its last piece came. */
const KEPT = sql`
  select p.supplier_id as "supplierId", pl.first_promised_on::text as promised, max(g.at)::date::text as came
  from purchase_line pl join purchase p on p.id = pl.purchase_id join goods_receipt_line r on r.line_id = pl.id and r.good > 0
    join goods_receipt g on g.id = r.receipt_id
  where pl.first_promised_on is not null group by pl.id, p.supplier_id, pl.first_promised_on`;

/** How many days late each supplier is at the median of what has come. */
export async function usualLateness(db: Db | Tx): Promise<ReadonlyMap<string, number>> {
  return new Map([...(await supplierLateness(db))].map(([id, { median }]) => [id, median]));
}

/** How many days late each supplier is, at the median of what has come and at the most. */
export async function supplierLateness(
  db: Db | Tx,
): Promise<ReadonlyMap<string, { readonly median: number; readonly most: number }>> {
  const { rows } = await db.execute<{ supplierId: string; promised: string; came: string }>(KEPT);
  const bySupplier = new Map<string, { promisedDay: number; cameDay: number }[]>();
  for (const { supplierId, promised, came } of rows) {
    const list = bySupplier.get(supplierId) ?? [];
    list.push({ promisedDay: dayNumber(promised), cameDay: dayNumber(came) });
    bySupplier.set(supplierId, list);
  }
  return new Map(
    [...bySupplier].map(([id, list]) => [
      id,
      {
        median: Math.ceil(supplierRecord(list).medianLateDays ?? 0),
        most: Math.max(0, ...list.map(({ promisedDay, cameDay }) => cameDay - promisedDay)),
      },
    ]),
  );
}

/**
 * Everything netting stands on: what is wanted by whom and from when, what is there, what is to come and when, suppliers as
 * late as they usually are.
 */
export async function netting(
  db: Db | Tx,
  workshop: Workshop,
  today: string,
  only: string | null = null,
): Promise<Netting> {
  const calendar = {
    workingDays: workshop.workingDays,
    closed: new Set((workshop.practice?.closedDays ?? []).map(({ day }) => dayNumber(day))),
  };
  const where = only === null ? sql`true` : sql`x."componentId" = ${only}`;
  const { rows: lineRows } = await db.execute<Omit<WantingLine, 'needed' | 'kind'> & Record<string, unknown>>(
    sql`select * from (${LINES}) x where ${where}`,
  );
  const { rows: coming } = await db.execute<{
    id: string;
    componentId: string;
    number: string;
    supplierId: string;
    day: string;
    promised: boolean;
    quantity: number;
  }>(sql`select * from (${COMING}) x where quantity > 0 and ${where}`);
  const wanted = [...new Set([...lineRows, ...coming].map(({ componentId }) => componentId))];
  const { rows: parts } = await db.execute<{
    id: string;
    name: string;
    kind: ComponentKind;
    unitSize: number;
    onHand: number;
    leadDays: number;
    reorderAt: number | null;
    reorderTo: number | null;
    priceCents: number;
    supplierId: string;
    supplier: string;
  }>(sql`
    select c.id, c.name, c.kind, c.unit_size as "unitSize", c.on_hand as "onHand", c.lead_days as "leadDays",
      c.reorder_at as "reorderAt", c.reorder_to as "reorderTo", c.price_cents as "priceCents", s.id as "supplierId", s.name as supplier
    from component c join supplier s on s.id = c.supplier_id
    where c.id = any(${sql.param(wanted)}::text[]) or ${only === null ? sql`c.reorder_at is not null` : sql`c.id = ${only}`}`);
  const lateness = await usualLateness(db);
  const jobIds = [...new Set(lineRows.flatMap(({ jobId }) => (jobId ? [jobId] : [])))];
  const [inForce] = await db.select({ body: workPlan.body }).from(workPlan).orderBy(desc(workPlan.id)).limit(1);
  const jobs = await jobsToGo(db, jobIds, inForce?.body ?? null);
  const kinds = new Map(parts.map(({ id, kind }) => [id, kind]));
  const begins = plannedBegins(inForce?.body ?? null);
  const needed = new Map(
    [...jobs].map(([id, job]) => {
      const idOf = new Map(job.stages.map((one) => [one.key, one.id]));
      return [id, neededDays(job, workshop.hoursPerDay, calendar, begins(job.number, idOf))];
    }),
  );
  const lines = lineRows.map((line): WantingLine => {
    const kind = kinds.get(line.componentId) ?? 'other';
    const of = line.jobId ? needed.get(line.jobId)?.(kind) : undefined;
    const kitOrder = { day: dayNumber(line.promised ?? today), basis: 'order', stage: null } as const;
    return { ...line, kind, needed: of ?? kitOrder };
  });
  const now = dayNumber(today);
  const receipts = new Map<string, Receipt[]>();
  const expect = (componentId: string, receipt: Receipt) =>
    receipts.set(componentId, [...(receipts.get(componentId) ?? []), receipt]);
  for (const { id, componentId, number, supplierId, day, promised, quantity } of coming) {
    // A promise is as good as its supplier's usual one; what is overdue is not here before tomorrow.
    const late = promised ? (lateness.get(supplierId) ?? 0) : 0;
    const on = Math.max(dayNumber(day) + late, now + 1);
    let left = quantity;
    // Lines that were told to wait for it have it first.
    for (const line of lines.filter((one) => one.purchaseLine === id).sort(byNeededDay)) {
      const own = Math.min(left, line.quantity);
      if (own > 0) expect(componentId, { ref: number, day: on, quantity: own, forLine: line.lineId });
      left -= own;
    }
    if (left > 0) expect(componentId, { ref: number, day: on, quantity: left, forLine: null });
  }
  // Lines that somebody marked as ordered by hand wait for their own delivery.
  for (const { lineId, componentId, state, due, quantity, purchaseLine } of lines)
    if (state === 'ordered' && due && !purchaseLine)
      expect(componentId, { ref: 'ordered', day: Math.max(dayNumber(due), now + 1), quantity, forLine: lineId });
  const demands = new Map<string, WantingLine[]>();
  for (const line of lines) {
    const list = demands.get(line.componentId);
    if (list) list.push(line);
    else demands.set(line.componentId, [line]);
  }
  return {
    items: parts.map(({ id, ...part }) => ({
      ...part,
      componentId: id,
      late: lateness.get(part.supplierId) ?? null,
      lateDays: lateness.get(part.supplierId) ?? 0,
      demands: (demands.get(id) ?? []).map((line) => ({
        ...{ lineId: line.lineId, jobNumber: line.number, quantity: line.quantity },
        ...{ neededDay: line.needed.day, held: line.state === 'inStores' },
      })),
      receipts: receipts.get(id) ?? [],
    })),
    lines: new Map(lines.map((line) => [line.lineId, line])),
    jobs,
    ...{ today: now, hoursPerDay: workshop.hoursPerDay, calendar },
  };
}

const byNeededDay = (a: WantingLine, b: WantingLine): number =>
  (a.needed.day ?? Number.POSITIVE_INFINITY) - (b.needed.day ?? Number.POSITIVE_INFINITY) ||
  (a.number < b.number ? -1 : 1);

/** Stages and promises of jobs. */
async function jobsToGo(db: Db | Tx, ids: readonly string[], plan: StoredPlan | null): Promise<Map<string, JobToGo>> {
  if (ids.length === 0) return new Map();
  const { rows } = await db.execute<{
    id: string;
    number: string;
    promised: string | null;
    stages: JobToGo['stages'];
  }>(sql`
    select j.id, j.number, j.promised::text, coalesce(
      (select json_agg(json_build_object('id', s.id, 'key', s.key, 'after', s.after, 'hours', s.hours, 'done', s.state = 'done') order by s.position)
        from stage s where s.job_id = j.id),
      -- Until its stages are there, those of the kit it takes.
      (select json_agg(json_build_object('id', j.number || ' ' || (s ->> 'key'), 'key', s ->> 'key', 'after', s -> 'after', 'hours', (s ->> 'hours')::float8, 'done', false))
        from kit_revision r, jsonb_array_elements(r.body -> 'stages') s where r.id = j.kit_revision_id),
      '[]'::json) as stages
    from job j where j.id = any(${sql.param(ids)}::uuid[])`);
  const ready = plan ? readyDays(plan) : {};
  return new Map(
    rows.map(({ id, number, promised, stages }) => [
      id,
      {
        number,
        plannedDay: ready[number] ? dayNumber(ready[number]) : null,
        promisedDay: promised === null ? null : dayNumber(promised),
        stages,
        remainingHours:
          stages.length === 0 ? null : stages.reduce((sum, { done, hours }) => sum + (done ? 0 : hours), 0),
      },
    ]),
  );
}
