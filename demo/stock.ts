import type { ComponentKind } from '../core/component/sheets.ts';
import { wantsSerials } from '../core/order/order.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { binFor, book, newSerial, placeOf } from '../server/read/stock.ts';

/** Bins of the sample's stores, and which kinds are put into each. */
export const BINS: readonly { readonly name: string; readonly kinds: readonly ComponentKind[] }[] = [
  { name: 'A1 cells', kinds: ['module'] },
  { name: 'B1 drives', kinds: ['drive', 'inverter', 'adapter'] },
  { name: 'B2 chargers', kinds: ['charger', 'combinedUnit', 'dcdc', 'inlet'] },
  { name: 'B3 boxes', kinds: ['contactorBox', 'bmsMain', 'bmsSatellite', 'fuse', 'resistor'] },
  { name: 'C1 cable', kinds: ['cable'] },
  { name: 'C2 fittings', kinds: ['other', 'lvBattery'] },
  { name: 'D1 cooling', kinds: ['coolantPump', 'radiator', 'heater', 'hvPump'] },
  { name: 'E1 metalwork', kinds: ['box', 'cradle'] },
];

/** Pieces a batch of a maker has, as far as the sample goes. */
const IN_BATCH = 24;

/** What a component's numbers begin with: "N6" of module-n6, "B450" of contactor-box-450. */
const prefixOf = (componentId: string): string => {
  const [kind = '', ...rest] = componentId.split('-');
  const last = rest.join('').replace(/graded$/, 'g');
  return (/^[a-z]/.test(last) ? last : `${kind[0]}${last}`).toUpperCase();
};

export interface Opening {
  readonly componentId: string;
  readonly kind: ComponentKind;
  readonly quantity: number;
  readonly to: 'bin' | { readonly kind: 'vehicle' | 'client'; readonly of: string };
  readonly partLineId?: string | null;
  /** Numbers they carry; without them each gets its own where the kind carries any. */
  readonly serials?: readonly string[];
  readonly at: Date;
}

/** Books the sample's stock as it was found, numbering what carries numbers. */
export function openStock(tx: Tx) {
  const used = new Map<string, number>();
  const next = (componentId: string) => {
    const n = (used.get(componentId) ?? 0) + 1;
    used.set(componentId, n);
    return n;
  };
  return async ({ componentId, kind, quantity, to, partLineId = null, serials, at }: Opening): Promise<string[]> => {
    if (quantity === 0) return [];
    const toId = to === 'bin' ? await binFor(tx, componentId) : await placeOf(tx, to.kind, to.of);
    const ids: string[] = [];
    const named = serials ?? (wantsSerials(kind) ? Array.from({ length: quantity }, () => null) : []);
    for (const own of named) {
      const n = next(componentId);
      const batch = String(30 + Math.ceil(n / IN_BATCH));
      const serial = own ?? `${prefixOf(componentId)}-${String(n).padStart(4, '0')}`;
      ids.push(await newSerial(tx, { componentId, serial, batch, origin: 'delivery', partLineId, createdAt: at }));
    }
    const fromId = await placeOf(tx, 'count');
    await book(tx, {
      ...{ kind: 'opening', componentId, fromId, toId, quantity, serialIds: ids, partLineId, byId: null, at },
    });
    return ids;
  };
}
export type OpenStock = ReturnType<typeof openStock>;

/** Sets up the bins; answers which one each kind goes into. */
export async function loadBins(tx: Tx): Promise<ReadonlyMap<ComponentKind, string>> {
  const rows = await tx
    .insert(t.stockPlace)
    .values(BINS.map(({ name }) => ({ kind: 'bin' as const, name })))
    .returning();
  return new Map(
    BINS.flatMap(({ name, kinds }) => kinds.map((kind) => [kind, rows.find((row) => row.name === name)!.id])),
  );
}
