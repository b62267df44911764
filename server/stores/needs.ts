import { sql } from 'drizzle-orm';
import type { AllocationChoice, NeedLine, NeedRow, NeedSheet, TakenRow } from '../../contract/needs.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { dayNumber, isoDay } from '../../core/quantity/format.ts';
import { choicesOf, type Wanting } from '../../core/stores/allocation.ts';
import { type Cover, type Need, netAll, netItem, stockCurve } from '../../core/stores/needs.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { type Netting, netting, type StoredItem, type WantingLine } from '../read/netting.ts';

const iso = (day: number | null): string | null => (day === null ? null : isoDay(day));

function lineOf({ lines }: Netting, cover: Cover): NeedLine {
  const line = lines.get(cover.lineId)!;
  return {
    ...{ lineId: line.lineId, number: line.number, title: line.title, quantity: cover.quantity },
    ...{ neededOn: iso(line.needed.day), basis: line.needed.basis, from: cover.from },
    ...{ comesOn: iso(cover.day), short: cover.short },
  };
}

const rowOf = (net: Netting, item: StoredItem, need: Need): NeedRow => ({
  ...{ componentId: item.componentId, name: item.name, kind: item.kind, supplierId: item.supplierId },
  ...{ supplier: item.supplier, unitSize: item.unitSize, priceCents: item.priceCents, leadDays: item.leadDays },
  ...{ lateDays: item.late, state: need.state, needed: need.needed, onHand: need.onHand, ordered: need.ordered },
  ...{ first: need.first && lineOf(net, need.first), order: need.order, orderBy: iso(need.orderBy) },
});

/** What is wanted over all jobs, the most pressing first. */
export async function needRows(db: Db, workshop: Workshop, today: string): Promise<NeedRow[]> {
  const net = await netting(db, workshop, today);
  const items = new Map(net.items.map((item) => [item.componentId, item]));
  return netAll(net.items, net.today).map((need) => rowOf(net, items.get(need.componentId)!, need));
}

/** One component: who has what from where, how much there will be, who could have what is there. */
export async function needSheet(
  db: Db | Tx,
  workshop: Workshop,
  today: string,
  componentId: string,
): Promise<NeedSheet> {
  const net = await netting(db, workshop, today, componentId);
  const item = one(
    net.items.filter((each) => each.componentId === componentId),
    'component',
  );
  const need = netItem(item, net.today);
  const curve = (ordered: number) =>
    stockCurve(item, net.today, ordered).map(({ day, balance }) => ({ day: isoDay(day), balance }));
  return {
    row: rowOf(net, item, need),
    lines: need.covers.map((cover) => lineOf(net, cover)),
    curve: curve(0),
    withOrder: need.order > 0 ? curve(need.order) : [],
    choices: await choices(db, net, item),
    taken: await takenRows(db, componentId),
  };
}

/** Who could have what is there, when more want it than there is. */
async function choices(db: Db | Tx, net: Netting, item: StoredItem): Promise<AllocationChoice[]> {
  // Jobs, and kits that are being packed and have not all their pieces.
  const lines = [...net.lines.values()].filter(
    (line) => line.componentId === item.componentId && (line.jobId !== null || line.state === 'packing'),
  );
  const wanted = lines.reduce((sum, { quantity }) => sum + quantity, 0);
  if (lines.length < 2 || wanted <= item.onHand || item.onHand === 0) return [];
  const others = await otherParts(
    db,
    lines.map(({ lineId }) => lineId),
  );
  const wanting = lines.map((line): Wanting => {
    const job = line.jobId === null ? packing(line) : net.jobs.get(line.jobId)!;
    const begin = 'begin' in line.needed ? line.needed.begin : undefined;
    return {
      ...{ lineId: line.lineId, jobNumber: line.number, quantity: line.quantity, neededDay: line.needed.day },
      ...{ holds: line.state === 'inStores', remainingHours: job.remainingHours, promisedDay: job.promisedDay },
      otherPartsDay: others.get(line.lineId) ?? null,
      plan: begin && job.plannedDay !== null ? { ...begin, readyDay: job.plannedDay } : null,
    };
  });
  const pace = { today: net.today, hoursPerDay: net.hoursPerDay, calendar: net.calendar };
  // What is held by kits that are packed is not to be had.
  const packed = [...net.lines.values()].filter((line) => line.jobId === null && line.state === 'inStores');
  const onHand = item.onHand - packed.reduce((sum, { quantity }) => sum + quantity, 0);
  const scarce = { onHand, receipts: item.receipts, orderDays: item.leadDays + item.lateDays };
  return choicesOf(scarce, wanting, pace).map(({ jobNumber, outcomes, ...choice }) => ({
    ...choice,
    number: jobNumber,
    holds: wanting.find(({ lineId }) => lineId === choice.lineId)?.holds ?? false,
    outcomes: outcomes.map(({ jobNumber: number, partDay, readyDay, promisedDay, ...rest }) => ({
      ...rest,
      number,
      ...{ partOn: isoDay(partDay), readyOn: iso(readyDay), promised: iso(promisedDay) },
    })),
  }));
}

/** A kit is ready for the road on the day its last piece is there: nobody has to work on it. */
const packing = ({ promised }: WantingLine) => ({
  ...{ remainingHours: 0, plannedDay: null, promisedDay: promised === null ? null : dayNumber(promised) },
});

/** Of the jobs of these lines, the latest day another of their parts is due. */
async function otherParts(db: Db | Tx, lineIds: readonly string[]): Promise<Map<string, number>> {
  const { rows } = await db.execute<{ id: string; due: string }>(sql`
    select l.id, max(o.due)::text as due from part_line l join part_line o on o.job_id = l.job_id and o.id <> l.id and o.state = 'ordered'
    where l.id = any(${sql.param(lineIds)}::uuid[]) and o.due is not null group by l.id`);
  return new Map(rows.map(({ id, due }) => [id, dayNumber(due)]));
}

async function takenRows(db: Db | Tx, componentId: string): Promise<TakenRow[]> {
  const { rows } = await db.execute<TakenRow & Record<string, unknown>>(sql`
    select t.id, to_char(t.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at, w.name as by,
      f.number as "fromJob", coalesce(g.number, o.number) as "toJob", t.quantity, t.from_before::text as "fromBefore", t.from_after::text as "fromAfter",
      t.to_before::text as "toBefore", t.to_after::text as "toAfter", t.why
    from stock_taken t join person w on w.id = t.by_id join job f on f.id = t.from_job_id left join job g on g.id = t.to_job_id
      left join kit_order o on o.id = t.to_order_id
    where t.component_id = ${componentId} order by t.at desc limit 20`);
  return rows;
}
