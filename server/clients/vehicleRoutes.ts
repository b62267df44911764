import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import { vehiclesAddress } from '../../contract/clients.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import { toCsv } from '../../wording/csv.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import {
  client,
  file,
  job,
  logFinding,
  registerEntry,
  variant,
  vehicle,
  vehicleClaim,
  vehicleFigure,
  weighing,
} from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { EVENT_HEADS, eventCells, eventsOfVehicle } from '../read/events.ts';
import { mergePlaces } from '../read/mergePlaces.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { vehicleRows, vehiclesKnown } from './rows.ts';

async function lockVehicle(tx: Tx, id: string, version: number) {
  const stored = one(await tx.select().from(vehicle).where(eq(vehicle.id, id)).for('update'), 'vehicle');
  if (stored.version !== version) throw new Stale((await vehicleRows(tx)).find((row) => row.id === id));
  return stored;
}

export const vehiclesEndpoints = [
  serve(vehiclesAddress.list, ({ db }) => vehicleRows(db)),
  serve(vehiclesAddress.figures, ({ db }) => vehiclesKnown(db)),
  serve(vehiclesAddress.events, ({ db, params }) => eventsOfVehicle(db, params.id)),
  serve(vehiclesAddress.eventTable, async ({ db, params, res }) => {
    const rows = await eventsOfVehicle(db, params.id, null);
    return sendCsv(res, 'vehicle-history.csv', toCsv(EVENT_HEADS, rows.map(eventCells)));
  }),
  serve(vehiclesAddress.change, ({ params, body, change }) =>
    change(async ({ tx, log }) => {
      const stored = await lockVehicle(tx, params.id, body.version);
      const [known] = await tx.select().from(variant).where(eq(variant.id, body.variantId));
      if (!known) throw new BadInput({ variantId: 'Choose a model from the library.' });
      const [owner] = await tx.select().from(client).where(eq(client.id, body.clientId)).for('key share');
      if (!owner || owner.removedAt) throw new BadInput({ clientId: 'Choose a client.' });
      const jobs = await tx.select().from(job).where(eq(job.vehicleId, stored.id));
      // Designs stand on the bays of the model: another one is chosen before there is anything to lose.
      if (rootOf(body.variantId) !== rootOf(stored.variantId)) {
        const { rows } = await tx.execute<{ n: number }>(
          sql`select count(*)::int as n from design where job_id in (select id from job where vehicle_id = ${stored.id})`,
        );
        if ((rows[0]?.n ?? 0) > 0)
          throw new BadInput({
            variantId: 'It has designs that stand on its model. Open a new job for another vehicle.',
          });
      }
      const version = stored.version + 1;
      await tx
        .update(vehicle)
        .set({ ...body, chassisNumber: body.chassisNumber.toUpperCase(), version })
        .where(eq(vehicle.id, stored.id));
      const what = `changed the vehicle ${body.name}`;
      const told = { what, resource: 'vehicle' as const, id: stored.id, before: stored, after: body };
      if (jobs.length === 0) await log(told);
      for (const { number } of jobs) await log({ ...told, job: number });
      return { version };
    }),
  ),
  serve(vehiclesAddress.merge, ({ params, body, change }) =>
    change(async ({ tx, log }) => {
      if (params.id === body.into) throw new BadInput({ into: 'Choose another vehicle than this one.' });
      const both = [
        { id: params.id, version: body.version },
        { id: body.into, version: body.intoVersion },
      ].sort((a, b) => a.id.localeCompare(b.id));
      // Jobs are locked before vehicles everywhere.
      await tx
        .select({ id: job.id })
        .from(job)
        .where(inArray(job.vehicleId, [params.id, body.into]))
        .for('no key update');
      const found = new Map<string, Awaited<ReturnType<typeof lockVehicle>>>();
      for (const { id, version } of both) found.set(id, await lockVehicle(tx, id, version));
      const [gone, stays] = [found.get(params.id)!, found.get(body.into)!];
      if (rootOf(gone.variantId) !== rootOf(stays.variantId))
        throw new RuleBroken('They are of different models: one vehicle is of one model. Put the model right first.');
      await tx.execute(sql`
        update own_vehicle set vehicle_id = ${stays.id} where vehicle_id = ${gone.id}
          and not exists (select 1 from own_vehicle where vehicle_id = ${stays.id})`);
      await tx.execute(sql`delete from own_vehicle where vehicle_id = ${gone.id}`);
      await moveAll(tx, gone.id, stays.id, gone.name);
      await mergePlaces(tx, 'vehicle', gone.id, stays.id, `${gone.name} is ${stays.name}`);
      await tx
        .update(vehicle)
        .set({
          registration: stays.registration || gone.registration,
          chassisNumber: stays.chassisNumber || gone.chassisNumber,
          colour: stays.colour || gone.colour,
          version: stays.version + 1,
        })
        .where(eq(vehicle.id, stays.id));
      await tx.delete(vehicle).where(eq(vehicle.id, gone.id));
      const what = `merged the vehicle ${gone.name} into ${stays.name}`;
      const [moved = null] = await tx
        .select({ number: job.number })
        .from(job)
        .where(eq(job.vehicleId, stays.id))
        .orderBy(desc(job.number));
      await log({ what, resource: 'vehicle', id: stays.id, job: moved?.number ?? null, before: gone });
      return { id: stays.id };
    }),
  ),
];

/** Everything that hangs on one vehicle hangs on the other; where both were measured, the older says otherwise. */
async function moveAll(tx: Tx, from: string, to: string, name: string): Promise<void> {
  for (const table of [job, weighing, vehicleClaim, logFinding, registerEntry])
    await tx.update(table).set({ vehicleId: to }).where(eq(table.vehicleId, from));
  await tx
    .update(file)
    .set({ aboutId: to })
    .where(and(eq(file.about, 'vehicle'), eq(file.aboutId, from)));
  const mine = await tx.select().from(vehicleFigure).where(eq(vehicleFigure.vehicleId, to));
  for (const { vehicleId: _, ...theirs } of await tx
    .select()
    .from(vehicleFigure)
    .where(eq(vehicleFigure.vehicleId, from))) {
    const known = mine.find(({ figure }) => figure === theirs.figure);
    if (!known) {
      await tx.insert(vehicleFigure).values({ ...theirs, vehicleId: to });
      continue;
    }
    const [kept, set] = known.at >= theirs.at ? [theirs, known] : [known, theirs];
    if (set !== known)
      await tx
        .update(vehicleFigure)
        .set({ value: set.value, source: set.source, says: set.says, byId: set.byId, at: set.at })
        .where(and(eq(vehicleFigure.vehicleId, to), eq(vehicleFigure.figure, set.figure)));
    const { figure, value, source, byId, at } = kept;
    const whyNot = 'measured earlier, under another entry of the same vehicle';
    await tx
      .insert(vehicleClaim)
      .values({ figure, value, source, byId, at, says: kept.says ?? name, whyNot, vehicleId: to });
  }
  await tx.delete(vehicleFigure).where(eq(vehicleFigure.vehicleId, from));
}
