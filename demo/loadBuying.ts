import { and, asc, eq } from 'drizzle-orm';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { book, placeOf } from '../server/read/stock.ts';
import { dayFrom } from './dayFrom.ts';

const DAY_MS = 86_400_000;

interface PastOrder {
  readonly supplierId: string;
  readonly lines: readonly (readonly [componentId: string, quantity: number])[];
  /** Sent so many days ago, promised and come so many days later. */
  readonly sentAgo: number;
  readonly promised: number;
  readonly came: number;
  readonly damaged?: number;
}

/** What has come in the last months: most of it in time, one supplier often late. */
const PAST: readonly PastOrder[] = [
  { supplierId: 'skerry-cells', lines: [['module-n6', 24]], sentAgo: 150, promised: 21, came: 20 },
  { supplierId: 'skerry-cells', lines: [['module-f8', 16]], sentAgo: 110, promised: 14, came: 15 },
  { supplierId: 'holm-drives', lines: [['drive-h60', 2]], sentAgo: 160, promised: 28, came: 32, damaged: 1 },
  { supplierId: 'holm-drives', lines: [['drive-h80', 1]], sentAgo: 140, promised: 35, came: 41 },
  { supplierId: 'holm-drives', lines: [['vcu', 4]], sentAgo: 120, promised: 28, came: 31 },
  { supplierId: 'holm-drives', lines: [['throttle', 6]], sentAgo: 90, promised: 9, came: 9 },
  { supplierId: 'holm-drives', lines: [['motor-m95', 1]], sentAgo: 80, promised: 30, came: 34 },
  {
    supplierId: 'brae-switchgear',
    lines: [
      ['cable-50', 6],
      ['service-switch', 6],
    ],
    sentAgo: 70,
    promised: 10,
    came: 10,
  },
  { supplierId: 'noost-cooling', lines: [['coolant-tank', 8]], sentAgo: 60, promised: 6, came: 5 },
];

/** Buying: what came and how late, what is on the way, an invoice that does not match, offers at equal cover, notes. */
export async function loadBuying(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [ilse, petra] = [people.get('ilse')!, people.get('petra')!];
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  const year = `P${String(now.getUTCFullYear()).slice(2)}-`;
  let count = 0;
  const number = () => `${year}${String(++count).padStart(3, '0')}`;
  for (const [id, contact, deskUrl] of [
    ['skerry-cells', 'orders@skerrycells.example', 'simulated'],
    ['holm-drives', 'sales@holmdrives.example, +00 555 0140', ''],
    ['brae-switchgear', 'desk@braeswitchgear.example', 'simulated'],
    ['fetlar-charging', 'fetlar@charging.example', 'simulated'],
    ['noost-cooling', 'noost@cooling.example', ''],
    ['geo-fittings', 'counter of the shop at the ferry', ''],
  ] as const)
    await tx.update(t.supplier).set({ contact, deskUrl }).where(eq(t.supplier.id, id));
  const outside = await placeOf(tx, 'count');

  const lineValues = async (purchaseId: string, lines: PastOrder['lines'], more: object = {}) => {
    const rows = [];
    for (const [i, [componentId, quantity]] of lines.entries()) {
      const [part] = await tx.select().from(t.component).where(eq(t.component.id, componentId));
      rows.push({ purchaseId, position: i + 1, componentId, quantity, priceCents: part!.priceCents, ...more });
    }
    return tx.insert(t.purchaseLine).values(rows).returning();
  };

  for (const past of PAST) {
    const sentAt = ago(past.sentAgo);
    const cameAt = ago(past.sentAgo - past.came);
    const promisedOn = dayFrom(now, past.promised - past.sentAgo);
    const [order] = await tx
      .insert(t.purchase)
      .values({
        ...{ number: number(), supplierId: past.supplierId, state: 'draft', currency: 'EUR', byId: ilse },
        ...{ createdAt: sentAt, sentAt },
      })
      .returning();
    const lines = await lineValues(order!.id, past.lines, { promisedOn, firstPromisedOn: promisedOn });
    await tx.update(t.purchase).set({ state: 'closed' }).where(eq(t.purchase.id, order!.id));
    const [receipt] = await tx
      .insert(t.goodsReceipt)
      .values({ purchaseId: order!.id, note: `${order!.number}/1`, byId: petra, at: cameAt })
      .returning();
    for (const line of lines) {
      const damaged = past.damaged ?? 0;
      await tx.insert(t.goodsReceiptLine).values({
        receiptId: receipt!.id,
        lineId: line.id,
        good: line.quantity,
        damaged,
        wrong: 0,
        announced: line.quantity,
      });
      if (damaged > 0)
        await tx.insert(t.purchaseReturn).values({
          ...{ lineId: line.id, quantity: damaged, fromBin: 'door', reason: 'came damaged: flange bent in the crate' },
          ...{ byId: petra, at: cameAt },
        });
      // What came has been used since: it is in the vehicles of finished jobs, whose lists were not kept then.
      const [bin] = await tx.select().from(t.component).where(eq(t.component.id, line.componentId));
      const move = { componentId: line.componentId, quantity: line.quantity, byId: petra };
      const supplier = await placeOf(tx, 'supplier', past.supplierId);
      const note = `${order!.number}, note ${receipt!.note}`;
      await book(tx, { ...move, kind: 'received', fromId: supplier, toId: bin!.binId!, at: cameAt, note });
      await book(tx, {
        ...move,
        kind: 'counted',
        fromId: bin!.binId!,
        toId: outside,
        at: cameAt,
        note: 'used in finished jobs',
      });
    }
  }

  await loadLate(tx, now, ilse, number(), ago);
  await loadInvoiced(tx, now, ilse, petra, number(), ago);
  await loadOffers(tx, now, ilse);
  await tx.insert(t.supplierNote).values([
    {
      ...{ supplierId: 'holm-drives', kind: 'promise', byId: ilse, at: ago(20) },
      text: 'From December on every drive unit leaves with its resolver offset on the label',
    },
    {
      ...{ supplierId: 'holm-drives', kind: 'failure', byId: petra, at: ago(128), endedById: ilse, endedAt: ago(121) },
      ...{ text: 'One H60 came with a bent flange', ended: 'sent another one at their cost' },
    },
    {
      ...{ supplierId: 'brae-switchgear', kind: 'question', byId: ilse, at: ago(3) },
      text: 'Is the K450 contactor box sold with its precharge resistor from now on?',
    },
  ]);
}

/** The contactor box that the Hotel shuttle waits for: promised three days ago, said to come later since. */
async function loadLate(tx: Tx, now: Date, byId: string, number: string, ago: (days: number) => Date): Promise<void> {
  const [waiting] = await tx
    .select()
    .from(t.partLine)
    .where(and(eq(t.partLine.componentId, 'contactor-box-450'), eq(t.partLine.state, 'ordered')));
  const [order] = await tx
    .insert(t.purchase)
    .values({
      number,
      supplierId: 'holm-drives',
      state: 'draft',
      currency: 'EUR',
      byId,
      createdAt: ago(31),
      sentAt: ago(31),
    })
    .returning();
  const [part] = await tx.select().from(t.component).where(eq(t.component.id, 'contactor-box-450'));
  const supplierId = part!.supplierId;
  await tx.update(t.purchase).set({ supplierId }).where(eq(t.purchase.id, order!.id));
  const [line] = await tx
    .insert(t.purchaseLine)
    .values({
      ...{
        purchaseId: order!.id,
        position: 1,
        componentId: 'contactor-box-450',
        quantity: 1,
        priceCents: part!.priceCents,
      },
      ...{ promisedOn: dayFrom(now, 4), firstPromisedOn: dayFrom(now, -3) },
    })
    .returning();
  await tx
    .update(t.purchase)
    .set({ state: 'confirmed', takenAt: ago(31) })
    .where(eq(t.purchase.id, order!.id));
  if (waiting) await tx.update(t.partLine).set({ purchaseLineId: line!.id }).where(eq(t.partLine.id, waiting.id));
}

/** Fuses that came short, with an invoice of all of them. */
async function loadInvoiced(
  tx: Tx,
  now: Date,
  byId: string,
  countedBy: string,
  number: string,
  ago: (days: number) => Date,
): Promise<void> {
  const [fuse] = await tx
    .select()
    .from(t.component)
    .where(eq(t.component.kind, 'fuse'))
    .orderBy(asc(t.component.name))
    .limit(1);
  const [order] = await tx
    .insert(t.purchase)
    .values({
      ...{
        number,
        supplierId: fuse!.supplierId,
        state: 'draft',
        currency: 'EUR',
        byId,
        createdAt: ago(16),
        sentAt: ago(16),
      },
      takenAt: ago(16),
    })
    .returning();
  const [line] = await tx
    .insert(t.purchaseLine)
    .values({
      ...{ purchaseId: order!.id, position: 1, componentId: fuse!.id, quantity: 6, priceCents: fuse!.priceCents },
      ...{ promisedOn: dayFrom(now, -6), firstPromisedOn: dayFrom(now, -6) },
    })
    .returning();
  await tx.update(t.purchase).set({ state: 'confirmed' }).where(eq(t.purchase.id, order!.id));
  const [receipt] = await tx
    .insert(t.goodsReceipt)
    .values({ purchaseId: order!.id, note: `${number}/1`, byId: countedBy, at: ago(6) })
    .returning();
  await tx
    .insert(t.goodsReceiptLine)
    .values({ receiptId: receipt!.id, lineId: line!.id, good: 4, damaged: 0, wrong: 0, announced: 6 });
  await book(tx, {
    ...{ kind: 'received', componentId: fuse!.id, quantity: 4, byId: countedBy, at: ago(6) },
    ...{
      fromId: await placeOf(tx, 'supplier', fuse!.supplierId),
      toId: fuse!.binId!,
      note: `${number}, note ${number}/1`,
    },
  });
  const net = 6 * fuse!.priceCents;
  const taxCents = Math.round(net * 0.23);
  await tx.insert(t.purchaseInvoice).values({
    ...{ purchaseId: order!.id, number: `R-${number}`, day: dayFrom(now, -5), taxCents, totalCents: net + taxCents },
    ...{ lines: [{ lineId: line!.id, quantity: 6, priceCents: fuse!.priceCents }], at: ago(5) },
  });
}

/** Two offers for the same heat and switchgear, one without the contactor box. */
async function loadOffers(tx: Tx, now: Date, byId: string): Promise<void> {
  const wanted = [
    { componentId: 'contactor-box-450', quantity: 2 },
    { componentId: 'service-switch', quantity: 2 },
    { componentId: 'charger-66', quantity: 2 },
  ];
  const [round] = await tx
    .insert(t.offerRound)
    .values({ name: 'Switchgear and chargers, two vans', wanted, byId, at: new Date(now.getTime() - 6 * DAY_MS) })
    .returning();
  const ids = wanted.map(({ componentId }) => componentId);
  await tx.insert(t.supplierOffer).values([
    {
      ...{ roundId: round!.id, supplierId: 'fetlar-charging', currency: 'EUR', deliveryDays: 20 },
      ...{
        priceCents: 213_000,
        includes: ids.filter((id) => id !== 'contactor-box-450'),
        validUntil: dayFrom(now, 24),
      },
      note: 'no contactor box in it',
    },
    {
      ...{ roundId: round!.id, supplierId: 'brae-switchgear', currency: 'GBP', rateMillionths: 1_155_000 },
      ...{
        rateDay: dayFrom(now, -6),
        deliveryDays: 26,
        priceCents: 311_000,
        includes: ids,
        validUntil: dayFrom(now, 9),
      },
      note: 'all of it, in pounds',
    },
  ]);
}
