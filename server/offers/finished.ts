import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { Library } from '../../core/design/resolve.ts';
import { kitParts } from '../../core/kit/kit.ts';
import { times } from '../../core/money/exact.ts';
import { salePrice } from '../../core/money/salePrice.ts';
import type { FinishedJob } from '../../core/offer/bracket.ts';
import { practiceOf, rateOf } from '../../core/practice/practice.ts';
import type { Db, Tx } from '../db/connect.ts';
import { libraryOf } from '../read/components.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';

interface Row extends Record<string, unknown> {
  readonly number: string;
  readonly title: string;
  readonly variantId: string;
  readonly modelId: string;
  readonly kitId: string | null;
  readonly revisionId: string | null;
  readonly options: readonly string[];
  readonly soldCents: number | null;
  readonly partsCents: number | null;
  readonly hours: readonly { readonly skill: string; readonly hours: number }[];
  readonly days: number | null;
}

/** Looked back on: the newest of what was handed over. */
const MOST = 200;

/** Price and time of jobs that were handed over: as agreed, else as their parts and hours come to by today's figures. */
export async function finishedJobs(db: Db | Tx, workshop: Workshop, but: string): Promise<FinishedJob[]> {
  const { rows } = await db.execute<Row>(sql`
    select j.number, v.name as title, v.variant_id as "variantId", va.model_id as "modelId", r.kit_id as "kitId",
      j.kit_revision_id as "revisionId", j.kit_options as options,
      (select o.total_cents::float8 + coalesce((select sum(a.total_cents) from addition a where a.job_id = j.id and a.state = 'accepted'), 0)::float8
        from offer o where o.job_id = j.id and o.state = 'accepted') as "soldCents",
      (select sum(l.quantity * c.price_cents)::float8 from part_line l join component c on c.id = l.component_id where l.job_id = j.id) as "partsCents",
      coalesce((select json_agg(json_build_object('skill', h.skill, 'hours', h.hours)) from (
        select s.skill, sum(extract(epoch from t."to" - t."from"))::float8 / 3600 as hours from time_entry t join stage s on s.id = t.stage_id
        where s.job_id = j.id and t."to" is not null and t.kind in ('work', 'learning') group by s.skill) h), '[]'::json) as hours,
      (select ceil(extract(epoch from max(t."to") - min(t."from")) / 86400)::int from time_entry t join stage s on s.id = t.stage_id
        where s.job_id = j.id and t."to" is not null) as days
    from job j join vehicle v on v.id = j.vehicle_id join variant va on va.id = v.variant_id
      left join kit_revision r on r.id = j.kit_revision_id
    where j.state = 'handedOver' and j.id <> ${but} order by j.number desc limit ${MOST}`);
  const practice = practiceOf(workshop.practice);
  const kits = new Map<string, number>();
  for (const row of rows) {
    if (row.soldCents !== null || row.partsCents !== null || row.revisionId === null) continue;
    const key = kitKey(row);
    if (!kits.has(key)) kits.set(key, await kitCents(db, row));
  }
  return rows.flatMap((row): FinishedJob[] => {
    const { number, title, variantId, modelId, kitId } = row;
    const hours = row.hours.reduce((sum, one) => sum + one.hours, 0);
    const parts = row.partsCents ?? kits.get(kitKey(row)) ?? null;
    const labour = row.hours.reduce(
      (sum, one) => sum + times(rateOf(one.skill, workshop.rateCents, practice), one.hours),
      0,
    );
    const worked =
      parts === null || hours === 0
        ? null
        : salePrice(parts, labour, { ...practice, taxShare: workshop.taxShare }).totalCents;
    const totalCents = row.soldCents ?? worked;
    if (totalCents === null) return [];
    return [
      {
        ...{ number, title, variantId, modelId, kitId, totalCents, agreed: row.soldCents !== null },
        ...{ hours: hours > 0 ? hours : null, days: row.days },
      },
    ];
  });
}

const kitKey = ({ revisionId, variantId, options }: Row) => `${revisionId} ${variantId} ${options.join()}`;

/** What the parts of a kit cost on a variant, by today's prices. */
async function kitCents(db: Db | Tx, { revisionId, variantId, options }: Row): Promise<number> {
  const revision = await kitRevisionOf(db, revisionId);
  if (!revision) return 0;
  const library: Library = await libraryOf(
    db,
    revision.lines.map(({ componentId }) => componentId),
  );
  return kitParts(revision, library, variantId, options).reduce(
    (sum, { component, quantity }) => sum + component.priceCents * quantity,
    0,
  );
}
