/** A line of a job that wants something of a component. */
export interface Demand {
  readonly lineId: string;
  readonly jobNumber: string;
  /** Ledger units. */
  readonly quantity: number;
  /** Day it is needed from; null where nobody has promised the job. */
  readonly neededDay: number | null;
  /** It holds its pieces in a bin. */
  readonly held: boolean;
}

/** What a supplier has still to deliver. */
export interface Receipt {
  readonly ref: string;
  /** Day it is expected on, the supplier's usual lateness included. */
  readonly day: number;
  readonly quantity: number;
  /** The line it was ordered for, which has it first; null for anybody. */
  readonly forLine: string | null;
}

/** A component with what is there, what comes and what is wanted. */
export interface NeedItem {
  readonly componentId: string;
  readonly onHand: number;
  /** Calendar days from order to delivery, and how many days late its supplier usually is. */
  readonly leadDays: number;
  readonly lateDays: number;
  readonly reorderAt: number | null;
  readonly reorderTo: number | null;
  /** Ledger units in one unit that is ordered. */
  readonly unitSize: number;
  readonly demands: readonly Demand[];
  readonly receipts: readonly Receipt[];
}

/** Where a line's pieces come from. */
export interface Cover {
  readonly lineId: string;
  readonly jobNumber: string;
  readonly quantity: number;
  readonly neededDay: number | null;
  readonly from: 'held' | 'stock' | 'order' | 'none';
  /** The delivery it waits for last. */
  readonly day: number | null;
  readonly ref: string | null;
  /** Pieces of it that nothing covers. */
  readonly short: number;
}

export interface CurvePoint {
  readonly day: number;
  readonly balance: number;
}

/** What has to be done about a component, the most pressing first. */
export const NEED_STATES = ['short', 'late', 'order', 'fine'] as const;
export type NeedState = (typeof NEED_STATES)[number];

export interface Need {
  readonly componentId: string;
  readonly state: NeedState;
  readonly needed: number;
  readonly onHand: number;
  readonly ordered: number;
  readonly covers: readonly Cover[];
  /** The first line that goes short or has its pieces too late. */
  readonly first: Cover | null;
  /** So much is to be ordered; 0 where nothing is. */
  readonly order: number;
  /** The day by which it is to be ordered; null where nothing presses. */
  readonly orderBy: number | null;
}

/** What is left of a delivery. */
interface Lot {
  readonly day: number;
  readonly ref: string;
  quantity: number;
}

/** By the day they are needed, those without one last; of one day by job, so that the same is always netted alike. */
function byNeed(a: Demand, b: Demand): number {
  if (a.neededDay !== b.neededDay) return (a.neededDay ?? LAST) - (b.neededDay ?? LAST);
  if (a.jobNumber !== b.jobNumber) return a.jobNumber < b.jobNumber ? -1 : 1;
  return a.lineId < b.lineId ? -1 : 1;
}
const LAST = Number.MAX_SAFE_INTEGER;

const ceilTo = (quantity: number, unit: number): number => Math.ceil(quantity / unit) * unit;

/**
 * Nets one component over all jobs by date: what is held is its holder's; what was ordered for a line is that line's first;
 * the rest goes to whoever needs it earliest, from stock, then from deliveries in the order they come. What nothing covers
 * is to be ordered, so early that it is there when the first of it is needed, its supplier as late as usual; what is left
 * below the level is filled up with it. Time-phased netting as of the textbooks on requirements planning, lot for lot.
 *
 * @param today day since 1970-01-01
 */
export function netItem(item: NeedItem, today: number): Need {
  const { demands, receipts, onHand, unitSize } = item;
  const held = demands.reduce((sum, one) => sum + (one.held ? one.quantity : 0), 0);
  let stock = onHand - held;
  const own = new Map<string, Lot[]>();
  const pool: Lot[] = [];
  for (const { ref, day, quantity, forLine } of receipts) {
    if (forLine === null) pool.push({ day, quantity, ref });
    else own.set(forLine, [...(own.get(forLine) ?? []), { day, quantity, ref }]);
  }
  // What is delivered for a line beyond what it still wants is anybody's.
  const wants = new Map(demands.map(({ lineId, quantity, held: has }) => [lineId, has ? 0 : quantity]));
  for (const [lineId, lots] of own) {
    let left = wants.get(lineId) ?? 0;
    for (const lot of lots) {
      const beyond = Math.max(0, lot.quantity - left);
      left = Math.max(0, left - lot.quantity);
      if (beyond > 0) pool.push({ ...lot, quantity: beyond });
      lot.quantity -= beyond;
    }
  }
  pool.sort((a, b) => a.day - b.day);
  let at = 0;
  let short = 0;
  let needed = 0;
  let first: Cover | null = null;
  let firstShort: Cover | null = null;
  const covers: Cover[] = [];
  for (const demand of demands.toSorted(byNeed)) {
    const { lineId, jobNumber, quantity, neededDay } = demand;
    let left = demand.held ? 0 : quantity;
    let day: number | null = null;
    let ref: string | null = null;
    const lots = own.size > 0 ? own.get(lineId) : undefined;
    for (let i = 0; lots && i < lots.length && left > 0; i++) {
      const lot = lots[i]!;
      const taken = Math.min(left, lot.quantity);
      left -= taken;
      lot.quantity -= taken;
      if (taken > 0 && (day === null || lot.day > day)) {
        day = lot.day;
        ref = lot.ref;
      }
    }
    const shelf = Math.max(0, Math.min(left, stock));
    stock -= shelf;
    left -= shelf;
    while (left > 0 && at < pool.length) {
      const lot = pool[at]!;
      const taken = Math.min(left, lot.quantity);
      left -= taken;
      lot.quantity -= taken;
      if (taken > 0 && (day === null || lot.day > day)) {
        day = lot.day;
        ref = lot.ref;
      }
      if (lot.quantity === 0) at++;
    }
    short += left;
    const from = demand.held ? 'held' : left > 0 ? 'none' : day !== null ? 'order' : 'stock';
    // Written out: spreading would cost most of the netting of a large workshop.
    const cover: Cover = { lineId, jobNumber, quantity, neededDay, from, day, ref, short: left };
    covers.push(cover);
    needed += quantity;
    if (left > 0 && firstShort === null) firstShort = cover;
    if (first === null && (left > 0 || isLate(cover))) first = cover;
  }
  const spare = Math.max(0, stock) + pool.slice(at).reduce((sum, lot) => sum + lot.quantity, 0);
  const low = item.reorderAt !== null && item.reorderTo !== null && spare <= item.reorderAt;
  const order = ceilTo(short + (low ? item.reorderTo! - spare : 0), unitSize);
  const shortDay = (firstShort as Cover | null)?.neededDay ?? null;
  const state = short > 0 ? 'short' : first ? 'late' : low ? 'order' : 'fine';
  return {
    componentId: item.componentId,
    state,
    needed,
    onHand,
    ordered: receipts.reduce((sum, one) => sum + one.quantity, 0),
    covers,
    first,
    order,
    orderBy: shortDay !== null ? shortDay - item.leadDays - item.lateDays : low && short === 0 ? today : null,
  };
}

/** Its pieces come, but after they are needed. */
export const isLate = ({ day, neededDay }: Pick<Cover, 'day' | 'neededDay'>): boolean =>
  day !== null && neededDay !== null && day > neededDay;

const STATE_ORDER = new Map(NEED_STATES.map((state, i) => [state, i]));

/** All components that somebody wants or that run low, the most pressing first: by the day by which to order, then by need. */
export function netAll(items: readonly NeedItem[], today: number): Need[] {
  const day = (value: number | null | undefined) => value ?? Number.POSITIVE_INFINITY;
  return items
    .map((item) => netItem(item, today))
    .filter(({ needed, order }) => needed > 0 || order > 0)
    .sort(
      (a, b) =>
        STATE_ORDER.get(a.state)! - STATE_ORDER.get(b.state)! ||
        day(a.orderBy) - day(b.orderBy) ||
        day(a.first?.neededDay) - day(b.first?.neededDay) ||
        (a.componentId < b.componentId ? -1 : 1),
    );
}

/**
 * How much there will be, day by day: down where a line takes its pieces, up where a delivery comes. Below nothing it says
 * how much is missing. With an order of so much placed today, what that would make of it.
 *
 * @param ordered to be ordered today, in ledger units; 0 for none
 */
export function stockCurve(item: NeedItem, today: number, ordered = 0): CurvePoint[] {
  const steps = new Map<number, number>();
  const step = (day: number, by: number) =>
    steps.set(Math.max(day, today), (steps.get(Math.max(day, today)) ?? 0) + by);
  for (const { neededDay, quantity } of item.demands) if (neededDay !== null) step(neededDay, -quantity);
  for (const { day, quantity } of item.receipts) step(day, quantity);
  if (ordered > 0) step(today + item.leadDays + item.lateDays, ordered);
  let balance = item.onHand;
  const points: CurvePoint[] = [{ day: today, balance: balance + (steps.get(today) ?? 0) }];
  balance += steps.get(today) ?? 0;
  for (const [day, by] of [...steps].sort(([a], [b]) => a - b)) {
    if (day === today) continue;
    balance += by;
    points.push({ day, balance });
  }
  return points;
}
