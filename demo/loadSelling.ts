import { and, asc, eq, isNull } from 'drizzle-orm';
import type { OfferBody, OfferLine } from '../core/offer/offer.ts';
import { offerSums } from '../core/offer/sums.ts';
import type { Tx } from '../server/db/connect.ts';
import { one } from '../server/db/one.ts';
import * as t from '../server/db/schema/index.ts';
import { book, placeOf } from '../server/read/stock.ts';
import { dayFrom } from './dayFrom.ts';
import { WORKSHOP } from './workshop.ts';

const DAY_MS = 86_400_000;

const line = (more: Partial<OfferLine> & Pick<OfferLine, 'key' | 'text' | 'unitCents'>): OfferLine => ({
  ...{ kind: 'own', group: 'own', componentId: null, skill: null, quantity: 1, addShare: 0, taxShare: 0.23 },
  ...{ foreign: null, estimate: null },
  ...more,
});

/** Sold over the counter, made good again, made here, bought for the workshop itself: one of each. */
export async function loadSelling(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((person) => [person.signIn, person.id]));
  const [ilse, jory, soren] = [people.get('ilse')!, people.get('jory')!, people.get('soren')!];
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  await sold(tx, now, ilse, ago(12));
  await madeGood(tx, now, soren, ago);
  await madeHere(tx, jory, ago);
  const [own] = await tx.insert(t.client).values({ name: WORKSHOP.name, own: true }).returning();
  const [mule] = await tx
    .insert(t.vehicle)
    .values({
      ...{ clientId: own!.id, variantId: 'wren-11', name: 'The mule', chassisNumber: '22817', builtYear: 1969 },
      colour: 'primer grey',
    })
    .returning();
  await tx.insert(t.ownVehicle).values({
    ...{ vehicleId: mule!.id, boughtOn: dayFrom(now, -84), boughtFrom: 'a barn on the north island' },
    ...{ purchaseCents: 310_000, valueCents: 365_000, valuedOn: dayFrom(now, -9) },
  });
}

/** Clamps and an hour of advice, sold to somebody without a vehicle here. */
async function sold(tx: Tx, now: Date, byId: string, at: Date): Promise<void> {
  const [buyer] = await tx
    .insert(t.client)
    .values({ name: 'Pilot Boat Trust', contact: 'boathouse, second door' })
    .returning();
  const lines = [
    line({
      ...{ key: 'part clamp-set', kind: 'part', group: 'small', text: 'Clamps and grommets', componentId: 'clamp-set' },
      ...{ unitCents: 5800, addShare: 0.15 },
    }),
    line({ key: 'own advice', text: 'An hour of advice on a tired pack', unitCents: 6400 }),
  ];
  const body: OfferBody = {
    ...{ lines, stages: [], contingencyShare: 0, roundToCents: 1, taxRule: 'line', taxShare: 0.23 },
    ...{ open: true, note: '', validUntil: dayFrom(now, 0) },
  };
  const { netCents, taxCents, totalCents } = offerSums(body);
  const number = `S${String(now.getUTCFullYear()).slice(2)}-001`;
  const [row] = await tx
    .insert(t.counterSale)
    .values({
      ...{ number, clientId: buyer!.id, body, currency: WORKSHOP.currency, netCents, taxCents, totalCents },
      ...{ byId, createdAt: at },
    })
    .returning();
  const [bin] = await tx
    .select({ placeId: t.stockBalance.placeId })
    .from(t.stockBalance)
    .innerJoin(t.stockPlace, eq(t.stockPlace.id, t.stockBalance.placeId))
    .where(and(eq(t.stockBalance.componentId, 'clamp-set'), eq(t.stockPlace.kind, 'bin')));
  const toId = await placeOf(tx, 'client', buyer!.id);
  await book(tx, {
    ...{ kind: 'sold', componentId: 'clamp-set', fromId: bin!.placeId, toId, quantity: 1, note: number, byId, at },
  });
  await tx.update(t.counterSale).set({ state: 'sold', soldAt: at, version: 2 }).where(eq(t.counterSale.id, row!.id));
}

/** A unit that was opened, mended and proved, with the workshop's own warranty. */
async function madeGood(tx: Tx, now: Date, personId: string, ago: (days: number) => Date): Promise<void> {
  const [item] = await tx
    .select({ id: t.serialItem.id })
    .from(t.serialItem)
    .innerJoin(t.stockPlace, eq(t.stockPlace.id, t.serialItem.placeId))
    .where(and(eq(t.serialItem.componentId, 'bms-main'), eq(t.stockPlace.kind, 'bin'), isNull(t.serialItem.partLineId)))
    .orderBy(asc(t.serialItem.serial))
    .limit(1);
  if (!item) return;
  const [order] = await tx
    .insert(t.refurbishing)
    .values({
      ...{ serialId: item.id, what: 'Corroded connector, relay that stuck', boughtCents: 9000, byId: personId },
      at: ago(21),
    })
    .returning();
  await tx.insert(t.refurbishingHours).values([
    { refurbishingId: order!.id, personId, hours: 1.5, day: dayFrom(now, -21), what: 'opened, cleaned, new connector' },
    { refurbishingId: order!.id, personId, hours: 1, day: dayFrom(now, -20), what: 'on the bench for a day' },
  ]);
  await tx
    .update(t.refurbishing)
    .set({
      ...{ state: 'done', ended: 'A day on the bench at 40 °C, every channel within 2 mV', endedById: personId },
      ...{ endedAt: ago(20), warrantyUntil: dayFrom(now, 345), version: 2 },
    })
    .where(eq(t.refurbishing.id, order!.id));
}

/** A bracket of the library: welded, come back once because it was too long. */
async function madeHere(tx: Tx, byId: string, ago: (days: number) => Date): Promise<void> {
  const { id: jobId } = one(
    await tx
      .select({ id: t.job.id })
      .from(t.job)
      .innerJoin(t.vehicle, eq(t.vehicle.id, t.job.vehicleId))
      .where(eq(t.vehicle.name, 'Mobile library')),
    'job of the sample',
  );
  const [bracket] = await tx
    .insert(t.fabrication)
    .values({
      ...{ jobId, name: 'Bracket of the steering pump', material: 'plate, 4 mm', state: 'weld', byId },
      ...{ createdAt: ago(9), version: 5 },
    })
    .returning();
  const moves = [
    ['design', 'cut', '', 8],
    ['cut', 'weld', 'flat plate, nothing to bend', 7],
    ['weld', 'cut', 'too long by 4 mm', 6],
    ['cut', 'weld', 'flat plate, nothing to bend', 5],
  ] as const;
  await tx.insert(t.fabricationMove).values(
    moves.map(([from, to, reason, days]) => ({
      ...{ fabricationId: bracket!.id, from, to, reason, byId, at: ago(days) },
    })),
  );
}
