import { and, eq } from 'drizzle-orm';
import { seeded } from '../core/spread/seeded.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { book, newSerial, placeOf } from '../server/read/stock.ts';
import { dayFrom } from './dayFrom.ts';

const DAY_MS = 86_400_000;
const GRADED = 'module-n6-graded';
/** The donor pack: so many modules, and what became of those that are not in stores. */
const DONOR = { name: 'P-17', modules: 36, batch: 'D17' };

/** What stores have lived through: levels, a donor pack that was split between vehicles, gradings, a count. */
export async function loadStores(tx: Tx, now: Date): Promise<void> {
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [tove, petra] = [people.get('tove')!, people.get('petra')!];
  for (const [id, at, to] of [
    ['module-n6', 24, 60],
    ['fixing-set', 8, 24],
    ['clamp-set', 8, 24],
    ['hv-label-set', 10, 50],
    ['cable-50', 4, 12],
    ['cable-95', 2, 4],
    ['coolant-tank', 4, 10],
  ] as const)
    await tx.update(t.component).set({ reorderAt: at, reorderTo: to }).where(eq(t.component.id, id));
  await loadDonor(tx, now, ago, tove);
  await loadHose(tx, ago, petra);
  await loadCount(tx, ago, petra);
}

/** A pack out of a donor vehicle, graded by module, the good ones split between three vehicles and the shelf. */
async function loadDonor(tx: Tx, now: Date, ago: (days: number) => Date, byId: string): Promise<void> {
  const random = seeded(17);
  const [bin] = await tx.select().from(t.stockPlace).where(eq(t.stockPlace.name, 'A1 cells'));
  const outside = await placeOf(tx, 'count');
  const there = await tx
    .select({ id: t.serialItem.id, serial: t.serialItem.serial })
    .from(t.serialItem)
    .where(and(eq(t.serialItem.componentId, GRADED), eq(t.serialItem.placeId, bin!.id)))
    .orderBy(t.serialItem.serial);
  const [old] = await tx
    .insert(t.pack)
    .values({ name: DONOR.name, note: 'out of a donor minibus, 58 000 km', byId, madeAt: ago(150) })
    .returning();
  const fresh: string[] = [];
  for (let i = 0; i < DONOR.modules - there.length; i++)
    fresh.push(
      await newSerial(tx, {
        ...{ componentId: GRADED, serial: `N6G-${String(101 + i).padStart(4, '0')}`, batch: DONOR.batch },
        ...{ origin: 'donor', originNote: DONOR.name, createdAt: ago(150) },
      }),
    );
  await book(tx, {
    ...{ kind: 'received', componentId: GRADED, fromId: outside, toId: bin!.id, quantity: fresh.length },
    ...{ serialIds: fresh, note: `donor pack ${DONOR.name}`, byId, at: ago(150) },
  });
  const all = [...there.map(({ id }) => id), ...fresh];
  await tx
    .update(t.serialItem)
    .set({ batch: DONOR.batch, origin: 'donor', originNote: DONOR.name })
    .where(and(eq(t.serialItem.componentId, GRADED), eq(t.serialItem.placeId, bin!.id)));
  await tx
    .insert(t.packModule)
    .values(all.map((serialId) => ({ packId: old!.id, serialId, since: ago(150), until: ago(120) })));
  await tx
    .update(t.pack)
    .set({ endedAt: ago(120) })
    .where(eq(t.pack.id, old!.id));
  await tx.insert(t.grading).values(
    all.map((serialId) => {
      const capacityAh = Math.round((93 + 9 * random()) * 10) / 10;
      return {
        ...{ serialId, day: dayFrom(now, -130), capacityAh, energyWh: Math.round(capacityAh * 21.9) },
        resistanceOhm: Math.round((3.6 + 1.4 * random()) * 100) / 100_000,
        ...{ temperatureC: Math.round(20 + 3 * random()), currentA: 40, fromV: 25, toV: 18 },
        ...{ method: 'full discharge at 40 A, typed from the tester', byId, at: ago(130) },
      };
    }),
  );
  const vehicles = await tx
    .select({ id: t.vehicle.id, name: t.vehicle.name })
    .from(t.vehicle)
    .innerJoin(t.job, eq(t.job.vehicleId, t.vehicle.id))
    .where(eq(t.job.state, 'handedOver'));
  let at = 0;
  for (const [name, share] of [
    ['Flower van', 6],
    ['Garden tour car', 5],
    ['Milk van', 3],
  ] as const) {
    const vehicle = vehicles.find((one) => one.name === name)!;
    const serialIds = fresh.slice(at, at + share);
    at += share;
    const [own] = await tx
      .insert(t.pack)
      .values({ name: `P-${18 + at}`, note: `out of ${DONOR.name}, for ${name}`, byId, madeAt: ago(120) })
      .returning();
    await tx.insert(t.packModule).values(serialIds.map((serialId) => ({ packId: own!.id, serialId, since: ago(120) })));
    await book(tx, {
      ...{ kind: 'fitted', componentId: GRADED, fromId: bin!.id, toId: await placeOf(tx, 'vehicle', vehicle.id) },
      ...{ quantity: share, serialIds, note: `spare range for ${name}`, byId, at: ago(110) },
    });
  }
}

/** Coolant hose, kept by length. */
async function loadHose(tx: Tx, ago: (days: number) => Date, byId: string): Promise<void> {
  const [tank] = await tx.select().from(t.component).where(eq(t.component.id, 'coolant-tank'));
  const [bin] = await tx.select().from(t.stockPlace).where(eq(t.stockPlace.name, 'D1 cooling'));
  await tx.insert(t.component).values({
    ...{ id: 'coolant-hose-19', kind: 'other', name: 'Coolant hose 19 mm, by the metre', supplierId: tank!.supplierId },
    ...{ massKg: 0.31, lengthMm: 1000, widthMm: 27, heightMm: 27, priceCents: 640, leadDays: 5, covers: [] },
    ...{ highVoltage: false, sheet: {}, unitSize: 1000, binId: bin!.id, reorderAt: 10_000, reorderTo: 50_000 },
  });
  const componentId = 'coolant-hose-19';
  const from = await placeOf(tx, 'supplier', tank!.supplierId);
  await book(tx, {
    ...{ kind: 'received', componentId, fromId: from, toId: bin!.id, quantity: 50_000, byId, at: ago(60) },
    note: 'a coil of 50 m',
  });
  await book(tx, {
    ...{ kind: 'scrapped', componentId, fromId: bin!.id, toId: await placeOf(tx, 'scrap'), quantity: 11_400, byId },
    ...{ at: ago(9), note: 'kinked in the coil' },
  });
}

/** A bin counted last week: two label sets were gone. */
async function loadCount(tx: Tx, ago: (days: number) => Date, byId: string): Promise<void> {
  const [bin] = await tx.select().from(t.stockPlace).where(eq(t.stockPlace.name, 'C2 fittings'));
  const lines = await tx.select().from(t.stockBalance).where(eq(t.stockBalance.placeId, bin!.id));
  const [count] = await tx
    .insert(t.stocktake)
    .values({ placeId: bin!.id, byId, at: ago(8), note: 'end of the month' })
    .returning();
  await tx.insert(t.stocktakeLine).values(
    lines.map(({ componentId, quantity }) => ({
      ...{ stocktakeId: count!.id, componentId, expected: quantity },
      counted: componentId === 'hv-label-set' ? quantity - 2 : quantity,
    })),
  );
  const outside = await placeOf(tx, 'count');
  await book(tx, {
    ...{ kind: 'counted', componentId: 'hv-label-set', fromId: bin!.id, toId: outside, quantity: 2, byId, at: ago(8) },
    note: 'end of the month',
  });
}
