import { and, eq, inArray, sql } from 'drizzle-orm';
import type { GoodsInBody, GoodsInLine } from '../../contract/stores.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { serialsTwice } from '../../core/stores/serials.ts';
import type { Tx } from '../db/connect.ts';
import { component, serialItem } from '../db/schema/index.ts';
import { BadInput } from '../problems.ts';
import { binFor, bookAll, notInUse, placeOf } from '../read/stock.ts';

type Stored = Pick<typeof component.$inferSelect, 'id' | 'name' | 'kind' | 'unitSize' | 'supplierId' | 'binId'>;

interface ComingIn extends GoodsInBody {
  readonly byId: string;
  readonly at: Date;
}

/**
 * Counts goods in: from their suppliers, out of a donor vehicle, or made here; each line into its bin, with its numbers and
 * batch. A number that is in the books already is refused: it would be one thing twice.
 */
export async function takeIn(tx: Tx, { lines, note, origin, byId, at }: ComingIn): Promise<void> {
  const stored = await lockLines(tx, lines);
  await refuseNumbers(tx, lines, stored);
  await refuseBins(tx, lines);
  const suppliers = new Map<string, string>();
  const fromOf = async (supplierId: string) => {
    const known = suppliers.get(supplierId) ?? (await placeOf(tx, 'supplier', supplierId));
    suppliers.set(supplierId, known);
    return known;
  };
  const outside = origin === 'delivery' ? null : await placeOf(tx, 'count');
  const numbered = lines.flatMap(({ componentId, serials, batch }) =>
    serials.map((serial) => ({ componentId, serial, batch, origin, originNote: note })),
  );
  const items =
    numbered.length === 0 ? [] : await tx.insert(serialItem).values(numbered).returning({ id: serialItem.id });
  let at0 = 0;
  const bookings = [];
  for (const { componentId, quantity, serials, binId } of lines) {
    const { supplierId, binId: own } = stored.get(componentId)!;
    const serialIds = items.slice(at0, at0 + serials.length).map(({ id }) => id);
    at0 += serials.length;
    bookings.push({
      ...{ kind: origin === 'made' ? ('made' as const) : ('received' as const), componentId, quantity, serialIds },
      ...{ fromId: outside ?? (await fromOf(supplierId)), toId: binId ?? own ?? (await binFor(tx, componentId)) },
      ...{ note, byId, at },
    });
  }
  await bookAll(tx, bookings);
}

/** The components of all lines, their ledgers locked in one order. */
async function lockLines(tx: Tx, lines: readonly GoodsInLine[]): Promise<Map<string, Stored>> {
  const rows = await tx
    .select({
      id: component.id,
      name: component.name,
      kind: component.kind,
      unitSize: component.unitSize,
      supplierId: component.supplierId,
      binId: component.binId,
    })
    .from(component)
    .where(
      inArray(
        component.id,
        lines.map(({ componentId }) => componentId),
      ),
    )
    .orderBy(component.id)
    .for('no key update');
  const stored = new Map(rows.map((row) => [row.id, row]));
  for (const [i, { componentId }] of lines.entries())
    if (!stored.has(componentId))
      throw new BadInput({ [`lines.${i}.componentId`]: 'Choose a component from the library.' });
  return stored;
}

async function refuseNumbers(tx: Tx, lines: readonly GoodsInLine[], stored: ReadonlyMap<string, Stored>) {
  for (const [i, { componentId, serials, quantity }] of lines.entries()) {
    const { name, unitSize, kind } = stored.get(componentId)!;
    if (serials.length > 0 && unitSize > 1)
      throw new BadInput({ [`lines.${i}.serials`]: `${name} is kept by length: its pieces carry no numbers.` });
    if (serials.length > quantity)
      throw new BadInput({ [`lines.${i}.serials`]: `${serials.length} numbers for ${quantity} pieces.` });
    if (serials.length > 0 && serials.length < quantity && wantsSerials(kind as Parameters<typeof wantsSerials>[0]))
      throw new BadInput({
        [`lines.${i}.serials`]: `${serials.length} numbers for ${quantity} pieces: give each its number, or none now.`,
      });
    // Two lines may be of one component.
    const all = lines.slice(0, i + 1).flatMap((line) => (line.componentId === componentId ? line.serials : []));
    const [twice] = serialsTwice(all);
    if (twice) throw new BadInput({ [`lines.${i}.serials`]: `${twice} stands here twice.` });
    if (serials.length === 0) continue;
    const [known] = await tx
      .select({ serial: serialItem.serial })
      .from(serialItem)
      .where(
        and(
          eq(serialItem.componentId, componentId),
          inArray(
            sql`lower(${serialItem.serial})`,
            serials.map((one) => one.toLowerCase()),
          ),
        ),
      );
    if (known)
      throw new BadInput({
        [`lines.${i}.serials`]: `${known.serial} is in the books already: one number is one thing.`,
      });
  }
}

async function refuseBins(tx: Tx, lines: readonly GoodsInLine[]) {
  const ids = [...new Set(lines.flatMap(({ binId }) => (binId ? [binId] : [])))];
  const gone = await notInUse(tx, ids);
  for (const [i, { binId }] of lines.entries())
    if (binId && gone.has(binId)) throw new BadInput({ [`lines.${i}.binId`]: 'Choose a bin that is in use.' });
}
