import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import { kitStages } from '../../core/kit/kit.ts';
import { withAdopted } from '../../core/learning/learnt.ts';
import type { OfferGround } from '../../core/offer/fromJob.ts';
import type { StageTook } from '../../core/offer/hours.ts';
import type { ForeignPrice, OfferBody } from '../../core/offer/offer.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { componentsOf } from '../read/components.ts';
import { adoptedEstimates } from '../read/estimates.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';
import { headOf, partOf } from '../read/sheet.ts';
import { wantedParts } from '../read/wantedParts.ts';

/** Hours of work on stages that are done, of other vehicles of the same kit (without a kit: of the same model), the newest first. */
async function stagesTook(db: Db | Tx, stored: StoredJob): Promise<StageTook[]> {
  const { rows } = await db.execute<StageTook & Record<string, unknown>>(sql`
    select j.number as job, s.key, sum(extract(epoch from t."to" - t."from"))::float8 / 3600 as hours
    from job j join stage s on s.job_id = j.id and s.state = 'done'
      join time_entry t on t.stage_id = s.id and t."to" is not null and t.kind in ('work', 'learning')
      left join kit_revision r on r.id = j.kit_revision_id
    where j.id <> ${stored.id} and case when ${stored.kitRevisionId}::text is not null
        then r.kit_id = (select kit_id from kit_revision where id = ${stored.kitRevisionId})
        else (select va.model_id from vehicle v join variant va on va.id = v.variant_id where v.id = j.vehicle_id)
          = (select va.model_id from vehicle v join variant va on va.id = v.variant_id where v.id = ${stored.vehicleId}) end
    group by j.id, j.number, s.key having sum(extract(epoch from t."to" - t."from")) > 60
    order by max(max(s.finished_at)) over (partition by j.id) desc, j.number desc, s.key`);
  return rows;
}

/** Stages of a job as it is priced: its own where it has them, else those of its kit with the hours accepted in Match. */
async function stagesPriced(db: Db | Tx, stored: StoredJob, variantId: string): Promise<OfferGround['stages']> {
  const own = await partOf(db, { id: stored.id }, 'stages');
  if (own.length > 0) return own.map(({ key, name, skill, hours }) => ({ key, name, skill, hours }));
  const revision = await kitRevisionOf(db, stored.kitRevisionId);
  if (!revision) return [];
  const { matchHours } = await headOf(db, { id: stored.id });
  const match = { key: 'match-work', name: 'Work that Match asks for', skill: '', hours: matchHours };
  const stages = kitStages(revision, variantId, stored.kitOptions);
  const adopted = await adoptedEstimates(db, revision.kitId);
  return [...withAdopted(stages, adopted, rootOf(variantId)), ...(matchHours > 0 ? [match] : [])];
}

/** Parts as they are priced: the job's list where there is one, else what kit and design ask for. */
async function partsPriced(db: Db | Tx, stored: StoredJob): Promise<OfferGround['parts']> {
  const list = await partOf(db, { id: stored.id }, 'parts');
  const wanted = list.length > 0 ? list : await wantedParts(db, stored);
  const ids = wanted.map(({ componentId }) => componentId);
  const known = new Map((await componentsOf(db, ids)).map((part) => [part.id, part]));
  const { rows } = await db.execute<{ id: string; foreign: ForeignPrice }>(
    sql`select id, "foreign" from component where "foreign" is not null and id = any(${sql.param(ids)}::text[])`,
  );
  const foreign = new Map(rows.map((row) => [row.id, row.foreign]));
  return wanted.flatMap(({ componentId, quantity }) => {
    const component = known.get(componentId);
    return component ? [{ component: { ...component, foreign: foreign.get(componentId) ?? null }, quantity }] : [];
  });
}

const DAY_MS = 86_400_000;
/** The ISO day so many days after another. */
export const dayAfter = (today: string, days: number): string =>
  new Date((dayNumber(today) + days) * DAY_MS).toISOString().slice(0, 10);

/** Everything an offer of a job is made from, as it is today. */
export async function offerGround(
  db: Db | Tx,
  stored: StoredJob,
  workshop: Workshop,
  today: string,
  before: OfferBody | null,
): Promise<OfferGround> {
  const { rows } = await db.execute<{ variantId: string }>(
    sql`select variant_id as "variantId" from vehicle where id = ${stored.vehicleId}`,
  );
  const { variantId } = one(rows, 'vehicle');
  const practice = practiceOf(workshop.practice);
  return {
    parts: await partsPriced(db, stored),
    stages: await stagesPriced(db, stored, variantId),
    took: await stagesTook(db, stored),
    ...{ practice, before, rateCents: workshop.rateCents, taxShare: workshop.taxShare, taxRule: practice.taxRule },
    validUntil: dayAfter(today, practice.offerDays),
  };
}
