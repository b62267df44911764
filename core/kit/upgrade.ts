import type { PartState } from '../stores/partMove.ts';
import type { KitPart } from './kit.ts';

/** A line of a job's parts that came with its kit. */
export interface KitPartLine {
  readonly id: string;
  readonly componentId: string;
  readonly quantity: number;
  readonly state: PartState;
}

export interface PartChange {
  readonly add: readonly { readonly componentId: string; readonly quantity: number; readonly packedIn: string }[];
  readonly drop: readonly string[];
  readonly set: readonly { readonly id: string; readonly quantity: number }[];
  /** Bought or fitted already, and not in the new kit: a person decides about them. */
  readonly over: readonly { readonly componentId: string; readonly quantity: number }[];
}

/**
 * What taking another revision or other options does to the parts of a job. Only what nobody has ordered, fetched or
 * fitted is dropped or made less; what is already there and not wanted any more is told, not touched.
 */
export function changeOfParts(
  lines: readonly KitPartLine[],
  wanted: readonly {
    readonly component: Pick<KitPart['component'], 'id'>;
    readonly quantity: number;
    readonly packedIn: string;
  }[],
): PartChange {
  const want = new Map<string, { quantity: number; packedIn: string }>();
  for (const { component, quantity, packedIn } of wanted)
    want.set(component.id, { quantity: quantity + (want.get(component.id)?.quantity ?? 0), packedIn });
  const change = { add: [], drop: [], set: [], over: [] } as {
    -readonly [K in keyof PartChange]: PartChange[K][number][];
  };
  for (const id of new Set([...lines.map(({ componentId }) => componentId), ...want.keys()])) {
    const mine = lines.filter(({ componentId }) => componentId === id);
    const held = mine.filter(({ state }) => state !== 'missing').reduce((sum, { quantity }) => sum + quantity, 0);
    const wish = want.get(id)?.quantity ?? 0;
    if (held > wish) change.over.push({ componentId: id, quantity: held - wish });
    let left = Math.max(0, wish - held);
    for (const line of mine.filter(({ state }) => state === 'missing')) {
      // The first line that is still missing takes all that is.
      if (left === 0) change.drop.push(line.id);
      else if (line.quantity !== left) change.set.push({ id: line.id, quantity: left });
      left = 0;
    }
    if (left > 0) change.add.push({ componentId: id, quantity: left, packedIn: want.get(id)!.packedIn });
  }
  return change;
}
