import type { QuantityKind } from '../quantity/kinds.ts';
import { VEHICLE_FIGURE_IDS, type VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import { alike } from './alike.ts';
import type { Answer, Entry, Missing, MissingReason, Working } from './figure.ts';
import type { Slots } from './slots.ts';

/** An evaluated entry. `value` is null with a `reason`, never NaN. */
export interface Result<V = number> {
  readonly id: string;
  readonly kind: QuantityKind | null;
  readonly value: V | null;
  readonly reason: MissingReason | null;
  /** What the reason speaks of, where it names an amount. */
  readonly reasonAt?: Missing['at'];
  readonly working: Working | null;
  /** Vehicle figures this value rests on, directly or through others. */
  readonly rests: readonly VehicleFigureId[];
  /** Those of them that nobody has measured. */
  readonly unmeasured: readonly VehicleFigureId[];
}

interface Kept {
  result: Result<unknown>;
  slots: readonly unknown[];
  needs: readonly Result<unknown>[];
  vehicle: ReadonlyMap<VehicleFigureId, unknown>;
}

/** A sheet of figures over one set of inputs. */
export interface FigureSheet {
  readonly slots: Slots;
  get<V>(entry: Entry<V>): Result<V>;
  /** How many entries were really computed since the inputs last changed. */
  computed(): number;
}

export interface SheetOptions {
  /**
   * How a changed slot is recognised: by its content, or only by being another object. The latter suits a caller that
   * keeps unchanged slots as they are (the search). @default 'content'
   */
  readonly compare?: 'content' | 'identity';
}

/**
 * Evaluates entries on demand and remembers them. After `update` with new inputs, an entry is computed again only if
 * a slot it reads, a vehicle figure it used, or a needed result changed; unchanged slots and results are recognised by
 * content.
 */
export function createSheet(
  first: Slots,
  { compare = 'content' }: SheetOptions = {},
): FigureSheet & { update(next: Slots): void } {
  let slots = first;
  const kept = new Map<Entry<unknown>, Kept>();
  let fresh = new Map<Entry<unknown>, Result<unknown>>();
  let count = 0;

  function get<V>(entry: Entry<V>): Result<V> {
    const key = entry as Entry<unknown>;
    const done = fresh.get(key);
    if (done) return done as Result<V>;
    const needs: Result<unknown>[] = [];
    for (const name in entry.needs) needs.push(get(entry.needs[name] as Entry<unknown>));
    for (const name in entry.maybe) needs.push(get(entry.maybe[name] as Entry<unknown>));
    const readSlots = entry.reads.map((name) => slots[name]);
    const before = kept.get(key);
    if (before && same(before.slots, readSlots) && same(before.needs, needs) && vehicleSame(before.vehicle, slots)) {
      fresh.set(key, before.result);
      return before.result as Result<V>;
    }
    count++;
    const used = new Map<VehicleFigureId, unknown>();
    const computed = computeEntry(entry, needs, slots, used);
    // What comes out as before is passed on as before: nothing that needs it has to be computed again.
    const result = before && compare === 'content' && alike(before.result, computed) ? before.result : computed;
    kept.set(key, { result, slots: readSlots, needs, vehicle: used });
    fresh.set(key, result);
    return result as Result<V>;
  }

  return {
    get slots() {
      return slots;
    },
    get,
    computed: () => count,
    update(next) {
      const merged = { ...next };
      const names = Object.keys(next) as (keyof Slots)[];
      for (const name of names) {
        if (compare === 'content' && slotSame(name, slots[name], next[name]))
          Object.assign(merged, { [name]: slots[name] });
      }
      if (names.every((name) => merged[name] === slots[name])) return;
      slots = merged;
      fresh = new Map();
      count = 0;
    },
  };
}

function computeEntry<V>(
  entry: Entry<V>,
  needs: readonly Result<unknown>[],
  slots: Slots,
  used: Map<VehicleFigureId, unknown>,
): Result<V> {
  const restsOn = new Set<VehicleFigureId>();
  for (const need of needs) for (const id of need.rests) restsOn.add(id);
  const names = [...Object.keys(entry.needs), ...Object.keys(entry.maybe)];
  const must = names.length - Object.keys(entry.maybe).length;
  const lacking = needs.find((need, i) => i < must && need.value === null);
  let answer: Answer<V> | Missing;
  if (lacking) {
    answer = { missing: lacking.reason ?? 'noVehicle', ...(lacking.reasonAt ? { at: lacking.reasonAt } : {}) };
  } else {
    const values = Object.fromEntries(names.map((name, i) => [name, needs[i]!.value]));
    answer = entry.compute(values, slots, (id) => {
      const sourced = slots.vehicle.figures[id];
      used.set(id, sourced);
      restsOn.add(id);
      return sourced.value;
    });
    if (!('missing' in answer) && typeof answer.value === 'number' && !Number.isFinite(answer.value)) {
      answer = { missing: 'neverReached' };
    }
  }
  const rests = VEHICLE_FIGURE_IDS.filter((id) => restsOn.has(id));
  const unmeasured = rests.filter((id) => slots.vehicle.figures[id].source !== 'measured');
  const { id, kind } = entry;
  if ('missing' in answer) {
    const { missing: reason, at } = answer;
    return { id, kind, value: null, reason, ...(at ? { reasonAt: at } : {}), working: null, rests, unmeasured };
  }
  const { value, ...working } = answer;
  return { id, kind, value, reason: null, working, rests, unmeasured };
}

function same(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((x, i) => x === b[i]);
}

function vehicleSame(before: ReadonlyMap<VehicleFigureId, unknown>, slots: Slots): boolean {
  for (const [id, sourced] of before) if (slots.vehicle.figures[id] !== sourced) return false;
  return true;
}

/** Big slots that are made once and never rebuilt: the same object or another one, nothing in between. */
const BY_IDENTITY: ReadonlySet<keyof Slots> = new Set(['route', 'shelf']);

/** Whether a slot still says the same. Compared as text, since slots are rebuilt by every change of a design. */
function slotSame(name: keyof Slots, before: unknown, after: unknown): boolean {
  return before === after || (!BY_IDENTITY.has(name) && JSON.stringify(before) === JSON.stringify(after));
}
