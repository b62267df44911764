import type { Workshop } from '../../contract/workshop.ts';
import { type Db, prepared, type Tx } from '../db/connect.ts';

/** The workshop's record as JSON; null in a database where none has been begun. */
export const WORKSHOP_SQL = `(select json_build_object('name', w.name, 'region', w.region, 'timeZone', w.time_zone,
  'currency', w.currency, 'taxShare', w.tax_share, 'unitSet', w.unit_set, 'workingDays', w.working_days,
  'dayStartH', w.day_start_h, 'dayEndH', w.day_end_h, 'breakH', w.break_h, 'rateCents', w.rate_cents,
  'hoursPerDay', w.hours_per_day, 'practice', w.practice, 'own', w.own, 'version', w.version) from workshop w)`;

/** The workshop of this database; null while none has been begun. */
export async function workshopNow(db: Db | Tx): Promise<Workshop | null> {
  const [row] = await prepared<{ workshop: Workshop | null }>(
    db,
    'workshop now',
    `select ${WORKSHOP_SQL} as workshop`,
    [],
  );
  return row?.workshop ?? null;
}
