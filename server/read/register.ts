import { sql } from 'drizzle-orm';
import type { RegisterRow } from '../../contract/register.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import type { WayBackVehicle } from '../documents/wayBackPdf.ts';
import { REGISTER_SQL } from './sheetSql.ts';

/** A vehicle with its register, for the way-back sheet. */
export async function registerOf(
  db: Db | Tx,
  vehicleId: string,
): Promise<{ vehicle: WayBackVehicle; entries: readonly RegisterRow[] }> {
  const { rows } = await db.execute<WayBackVehicle & { entries: readonly RegisterRow[] } & Record<string, unknown>>(sql`
    select v.name, m.name || ' ' || t.name as "variantName", v.chassis_number as "chassisNumber", v.registration,
      c.name as client, ${sql.raw(REGISTER_SQL)} as entries
    from vehicle v join client c on c.id = v.client_id join variant t on t.id = v.variant_id
    join model m on m.id = t.model_id where v.id = ${vehicleId}`);
  const { entries, ...vehicle } = one(rows, 'vehicle');
  return { vehicle, entries };
}
