import { eq, sql } from 'drizzle-orm';
import { type OwnVehicleRow, ownVehicleAddress } from '../../contract/ownVehicles.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { actualOf } from '../../core/actual/actual.ts';
import { ownVehicleMoney } from '../../core/actual/ownVehicle.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { ownVehicleTable } from '../../wording/storesTables.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { client, ownVehicle, variant, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { partsGoing, stagesGoing } from './actualSheet.ts';
import { costsOf } from './rows.ts';

type Stored = Omit<OwnVehicleRow, 'workCents' | keyof ReturnType<typeof ownVehicleMoney>> & {
  readonly jobIds: readonly string[];
} & Record<string, unknown>;

/** What all jobs of a vehicle have cost so far: hours as clocked, parts that are bought, other costs. */
async function workCents(db: Db | Tx, jobIds: readonly string[], workshop: Workshop): Promise<number> {
  const practice = practiceOf(workshop.practice);
  let sum = 0;
  for (const id of jobIds) {
    const { cost } = actualOf({
      ...{ sold: [], rework: [], practice, hourCostCents: practice.hourCostCents, rateCents: workshop.rateCents },
      ...{ stages: await stagesGoing(db, id), parts: await partsGoing(db, id), spent: await costsOf(db, id) },
    });
    sum += cost.spentCents;
  }
  return sum;
}

async function ownRows(db: Db | Tx, workshop: Workshop, id: string | null = null): Promise<OwnVehicleRow[]> {
  const { rows } = await db.execute<Stored>(sql`
    select v.id, v.name, mo.name || ' ' || va.name as "variantName", o.bought_on::text as "boughtOn", o.bought_from as "boughtFrom",
      o.purchase_cents::float8 as "purchaseCents", o.converted_before as "convertedBefore", o.value_cents::float8 as "valueCents",
      o.valued_on::text as "valuedOn", o.sold_on::text as "soldOn", o.sold_to as "soldTo", o.sold_cents::float8 as "soldCents", o.version,
      array(select j.id::text from job j where j.vehicle_id = v.id and j.created_at::date >= o.bought_on - 1
        and (o.sold_on is null or j.created_at::date <= o.sold_on)) as "jobIds"
    from own_vehicle o join vehicle v on v.id = o.vehicle_id join variant va on va.id = v.variant_id join model mo on mo.id = va.model_id
    where ${id === null ? sql`true` : sql`v.id = ${id}`} order by o.sold_on is not null, o.bought_on desc, v.name`);
  const all: OwnVehicleRow[] = [];
  for (const { jobIds, ...row } of rows) {
    const work = await workCents(db, jobIds, workshop);
    all.push({ ...row, workCents: work, ...ownVehicleMoney({ ...row, workCents: work }) } as OwnVehicleRow);
  }
  return all;
}

/** The workshop as the owner of its own vehicles; made with the first of them. */
async function ownClient(tx: Tx, name: string): Promise<string> {
  await tx.execute(sql`select pg_advisory_xact_lock(4417043)`);
  const [there] = await tx.select().from(client).where(eq(client.own, true));
  return there?.id ?? made(await tx.insert(client).values({ name, own: true }).returning()).id;
}

export const ownVehicleEndpoints = [
  serve(ownVehicleAddress.list, ({ db, workshop }) => ownRows(db, workshop)),
  serve(ownVehicleAddress.table, async ({ db, workshop, res }) =>
    sendCsv(res, 'own-vehicles.csv', ownVehicleTable(await ownRows(db, workshop))),
  ),
  serve(ownVehicleAddress.buy, ({ change, body, today, workshop }) =>
    change(async ({ tx, log }) => {
      const [known] = await tx.select({ id: variant.id }).from(variant).where(eq(variant.id, body.variantId));
      if (!known) throw new BadInput({ variantId: 'Choose a model from the library.' });
      if (body.boughtOn > today) throw new BadInput({ boughtOn: `Bought on lies ahead: today is ${today}.` });
      const { name, variantId, builtYear, chassisNumber, registration, colour, ...bought } = body;
      const clientId = await ownClient(tx, workshop.name);
      const { id } = made(
        await tx
          .insert(vehicle)
          .values({ name, variantId, builtYear, chassisNumber, registration, colour, clientId })
          .returning(),
      );
      await tx.insert(ownVehicle).values({ ...bought, vehicleId: id });
      await log({ what: `bought ${name} for the workshop`, resource: 'client', id, after: body });
      return { id };
    }),
  ),
  serve(ownVehicleAddress.change, ({ change, params, body: { version, ...body }, workshop }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(ownVehicle).where(eq(ownVehicle.vehicleId, params.id)).for('update'),
        'own vehicle',
      );
      if (stored.version !== version) throw new Stale((await ownRows(tx, workshop, params.id))[0]);
      await tx
        .update(ownVehicle)
        .set({ ...body, version: version + 1 })
        .where(eq(ownVehicle.vehicleId, params.id));
      const what = 'changed what is known of an own vehicle';
      await log({ what, resource: 'client', id: params.id, before: stored, after: body });
      return { version: version + 1 };
    }),
  ),
  serve(ownVehicleAddress.sell, ({ change, params, body: { version, contact, ...body }, today, workshop }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(ownVehicle).where(eq(ownVehicle.vehicleId, params.id)).for('update'),
        'own vehicle',
      );
      if (stored.version !== version) throw new Stale((await ownRows(tx, workshop, params.id))[0]);
      if (stored.soldOn) throw new RuleBroken(`It was sold to ${stored.soldTo} on ${stored.soldOn} already.`);
      if (body.soldOn > today) throw new BadInput({ soldOn: `Sold on lies ahead: today is ${today}.` });
      if (body.soldOn < stored.boughtOn) throw new BadInput({ soldOn: 'Sold on is before it was bought.' });
      await tx
        .update(ownVehicle)
        .set({ ...body, version: version + 1 })
        .where(eq(ownVehicle.vehicleId, params.id));
      // From now on it is its buyer's: further jobs of it are theirs.
      const buyer = made(await tx.insert(client).values({ name: body.soldTo, contact }).returning());
      await tx
        .update(vehicle)
        .set({ clientId: buyer.id, version: sql`${vehicle.version} + 1` })
        .where(eq(vehicle.id, params.id));
      await log({ what: `sold an own vehicle to ${body.soldTo}`, resource: 'client', id: params.id, after: body });
      return { version: version + 1 };
    }),
  ),
];
