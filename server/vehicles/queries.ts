import { asc, desc, eq } from 'drizzle-orm';
import type { VehicleInfo } from '../../contract/vehicle.ts';
import type { Sourced } from '../../core/quantity/sourced.ts';
import type { VehicleFigureId } from '../../core/vehicle/vehicleFigures.ts';
import type { Db, Tx } from '../db/connect.ts';
import { person, vehicle, vehicleFigure, weighing } from '../db/schema/index.ts';

/** A vehicle with its weighings (newest first) and its own figures. */
export async function vehicleById(db: Db | Tx, id: string): Promise<VehicleInfo | null> {
  const [row] = await db.select().from(vehicle).where(eq(vehicle.id, id));
  if (!row) return null;
  const weighings = await db
    .select({ weighing, by: person.name })
    .from(weighing)
    .innerJoin(person, eq(person.id, weighing.byId))
    .where(eq(weighing.vehicleId, id))
    .orderBy(desc(weighing.at));
  const figures = await db
    .select({ figure: vehicleFigure, by: person.name })
    .from(vehicleFigure)
    .innerJoin(person, eq(person.id, vehicleFigure.byId))
    .where(eq(vehicleFigure.vehicleId, id))
    .orderBy(asc(vehicleFigure.figure));
  const { clientId: _, ...own } = row;
  return {
    ...own,
    weighings: weighings.map(({ weighing: { vehicleId: __, byId: ___, at, ...w }, by }) => ({
      ...w,
      by,
      at: at.toISOString(),
    })),
    measured: Object.fromEntries(
      figures.map(({ figure: f, by }) => [
        f.figure,
        { value: f.value, source: f.source, by, at: f.at.toISOString() } satisfies Sourced,
      ]),
    ) as Partial<Record<VehicleFigureId, Sourced>>,
  };
}
