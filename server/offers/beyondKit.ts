import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { OfferGround } from '../../core/offer/fromJob.ts';
import { linesOfOptions } from '../../core/offer/fromOptions.ts';
import type { OfferLine } from '../../core/offer/offer.ts';
import { USUAL_PRACTICE } from '../../core/practice/practice.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import type { addition } from '../db/schema/index.ts';
import { libraryOf } from '../read/components.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';

type Rates = Pick<OfferGround, 'rateCents' | 'practice' | 'taxShare'>;

/** Lines that another revision or other options of a kit bring and take, against what the job has. */
export async function kitLines(
  db: Db | Tx,
  stored: StoredJob,
  wanted: { readonly revisionId: string; readonly options: readonly string[] },
  rates: Rates,
): Promise<OfferLine[]> {
  const { rows } = await db.execute<{ variantId: string }>(
    sql`select variant_id as "variantId" from vehicle where id = ${stored.vehicleId}`,
  );
  const { variantId } = one(rows, 'vehicle');
  const [before, after] = [await kitRevisionOf(db, stored.kitRevisionId), await kitRevisionOf(db, wanted.revisionId)];
  if (!after) return [];
  const library = await libraryOf(
    db,
    [...(before?.lines ?? []), ...after.lines].map(({ componentId }) => componentId),
  );
  return linesOfOptions(
    {
      before: before ? { revision: before, options: stored.kitOptions } : null,
      after: { revision: after, options: wanted.options },
      library,
      variantId,
    },
    rates,
  );
}

const NO_RATES: Rates = { rateCents: 0, practice: USUAL_PRACTICE, taxShare: 0 };

/** Pieces and hours of a change that its kit does not bring by itself. */
export async function beyondKit(
  db: Db | Tx,
  stored: StoredJob,
  row: typeof addition.$inferSelect,
): Promise<{
  readonly parts: readonly { readonly componentId: string; readonly quantity: number }[];
  readonly hours: ReadonlyMap<string, number>;
}> {
  const kit = row.revisionId
    ? await kitLines(db, stored, { revisionId: row.revisionId, options: row.options }, NO_RATES)
    : [];
  const brought = new Map(kit.map((line) => [line.key, line.quantity]));
  const left = row.body.lines.map((line) => ({ ...line, quantity: line.quantity - (brought.get(line.key) ?? 0) }));
  const hours = new Map<string, number>();
  for (const { kind, skill, quantity } of left)
    if (kind === 'work') hours.set(skill ?? '', (hours.get(skill ?? '') ?? 0) + quantity);
  return {
    parts: left.flatMap(({ componentId, quantity }) =>
      componentId !== null && quantity >= 1 ? [{ componentId, quantity: Math.floor(quantity) }] : [],
    ),
    hours,
  };
}

/** What lines of a wish are priced with today. */
export const ratesOf = (workshop: Workshop, practice: OfferGround['practice']): Rates => ({
  ...{ rateCents: workshop.rateCents, practice, taxShare: workshop.taxShare },
});

/** The number of a change of the kit that was accepted since; null where none was. */
export async function kitChangedSince(db: Db | Tx, jobId: string, since: Date): Promise<number | null> {
  const { rows } = await db.execute<{ number: number }>(sql`
    select number from addition where job_id = ${jobId} and revision_id is not null and state = 'accepted'
      and answered_at > ${since.toISOString()} order by answered_at limit 1`);
  return rows[0]?.number ?? null;
}
