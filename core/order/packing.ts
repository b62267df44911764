import type { KitPart } from '../kit/kit.ts';
import type { OrderCrate, OrderLine } from './order.ts';

export interface PickLine {
  readonly componentId: string;
  readonly crate: string;
  readonly pieces: number;
}

/** Where a line goes that names no crate. */
export const LOOSE = 'loose';

/**
 * The pick list of a kit with its options: one line a component and crate, in the order of the kit, crate by crate. Pieces
 * are kept: what the kit holds is what is picked.
 */
export function pickList(parts: readonly KitPart[]): PickLine[] {
  const lines = new Map<string, { componentId: string; crate: string; pieces: number }>();
  for (const { component, quantity, packedIn } of parts) {
    const crate = packedIn.trim() || LOOSE;
    const key = `${crate}\n${component.id}`;
    const known = lines.get(key);
    if (known) known.pieces += quantity;
    else lines.set(key, { componentId: component.id, crate, pieces: quantity });
  }
  const crates = [...new Set([...lines.values()].map(({ crate }) => crate))].sort((a, b) =>
    a === LOOSE ? 1 : b === LOOSE ? -1 : a.localeCompare(b, undefined, { numeric: true }),
  );
  return crates.flatMap((crate) => [...lines.values()].filter((line) => line.crate === crate));
}

/** What a crate should hold by the catalogue. */
export interface CrateLoad {
  readonly name: string;
  /** Of its contents, without the crate. */
  readonly massKg: number;
  /** Lines whose mass nobody knows; the sum is without them. */
  readonly unknown: readonly string[];
  readonly weighed: OrderCrate | null;
  /** It weighs less than what is in it: something is missing or the scale was misread. */
  readonly tooLight: boolean;
}

/** A pallet scale reads to this, kg: less than that under the contents proves nothing. Common practice. */
export const SCALE_KG = 1;

/** Crates of an order in order, with the mass of what was counted into each; before a first count, of what should be. */
export function crateLoads(lines: readonly OrderLine[], crates: readonly OrderCrate[]): CrateLoad[] {
  const names = [...new Set(lines.map(({ crate }) => crate))];
  return names.map((name) => {
    const inside = lines.filter(({ crate }) => crate === name);
    const massKg = inside.reduce((sum, line) => sum + (line.massKg ?? 0) * (line.first?.pieces ?? line.pieces), 0);
    const weighed = crates.find((crate) => crate.name === name) ?? null;
    return {
      name,
      massKg,
      unknown: inside.filter((line) => line.massKg === null).map((line) => line.name),
      weighed,
      tooLight: weighed !== null && weighed.massKg + SCALE_KG < massKg,
    };
  });
}
