import { and, eq, sql } from 'drizzle-orm';
import { type EstimateRow, type EstimateSheet, estimateAddress } from '../../contract/estimates.ts';
import { OPEN_STATES } from '../../core/job/states.ts';
import { accuracyOf, adoptedFor, learntOf, worthAdopting } from '../../core/learning/learnt.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { kit, kitRevision, stage, stageEstimate } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { adoptedEstimates, stageActuals } from '../read/estimates.ts';

interface OpenStage extends Record<string, unknown> {
  readonly id: string;
  readonly jobId: string;
  readonly number: string;
  readonly variantId: string;
  readonly key: string;
  readonly hours: number;
}

/** Stages of open jobs of a kit that nobody has begun. */
async function notBegun(db: Db | Tx, kitId: string): Promise<OpenStage[]> {
  const { rows } = await db.execute<OpenStage>(sql`
    select s.id, j.id as "jobId", j.number, v.variant_id as "variantId", s.key, s.hours
    from stage s join job j on j.id = s.job_id join vehicle v on v.id = j.vehicle_id join kit_revision r on r.id = j.kit_revision_id
    where r.kit_id = ${kitId} and s.state = 'waiting' and j.state = any(${sql.param([...OPEN_STATES])}::text[])
      and not exists (select from time_entry t where t.stage_id = s.id) order by j.number, s.position`);
  return rows;
}

/** Hours that are the same to the minute: one that somebody changed for its job alone is left as it is. */
const same = (a: number, b: number) => Math.abs(a - b) < 1 / 60;

/** What a kit's stages are reckoned with and what finished vehicles took, of all its variants and of each by itself. */
export async function estimateSheet(db: Db | Tx, kitId: string): Promise<EstimateSheet> {
  const revisions = await db.select().from(kitRevision).where(eq(kitRevision.kitId, kitId));
  const newest = revisions.toSorted((a, b) => (a.revision < b.revision ? 1 : -1));
  const shown = newest.find(({ state }) => state === 'released') ?? newest[0];
  const adopted = await adoptedEstimates(db, kitId);
  const all = await stageActuals(db, sql`r.kit_id = ${kitId}`);
  const open = await notBegun(db, kitId);
  const { rows: names } = await db.execute<{ id: string; name: string }>(sql`select id, name from variant`);
  const nameOf = new Map(names.map(({ id, name }) => [id, name]));
  const rows = (shown?.body.stages ?? []).flatMap(({ key, name, hours }): EstimateRow[] => {
    const own = all.filter((actual) => actual.key === key);
    const variants = [...new Set(own.map(({ variantId }) => rootOf(variantId)))].sort();
    return [null, ...(variants.length > 1 ? variants : [])].map((variantId): EstimateRow => {
      const actuals = variantId === null ? own : own.filter((actual) => rootOf(actual.variantId) === variantId);
      const held = adopted.find((each) => each.key === key && each.variantId === variantId) ?? null;
      const standing = held?.hours ?? adoptedFor(adopted, key, variantId ?? '')?.hours ?? hours;
      const learnt = learntOf(actuals);
      const moves = open.filter(
        (each) =>
          each.key === key &&
          same(each.hours, standing) &&
          (variantId === null
            ? adopted.every((other) => other.key !== key || other.variantId !== rootOf(each.variantId))
            : rootOf(each.variantId) === variantId),
      );
      return {
        ...{ key, name, variantId, variantName: variantId && (nameOf.get(variantId) ?? variantId), standing, learnt },
        ...{ adopted: held, worth: learnt !== null && worthAdopting(standing, learnt), actuals },
        moves: [...new Set(moves.map(({ number }) => number))],
      };
    });
  });
  return {
    rows: rows.filter(({ variantId, learnt }) => variantId === null || learnt !== null),
    ...{ accuracy: accuracyOf(all), vehicles: new Set(all.map(({ job }) => job)).size },
  };
}

export const estimateEndpoints = [
  serve(estimateAddress.ofKit, async ({ db, params }) => {
    one(await db.select({ id: kit.id }).from(kit).where(eq(kit.id, params.kit)), 'kit');
    return estimateSheet(db, params.kit);
  }),
  serve(estimateAddress.adopt, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      one(await tx.select({ id: kit.id }).from(kit).where(eq(kit.id, params.kit)).for('no key update'), 'kit');
      const sheet = await estimateSheet(tx, params.kit);
      const row = sheet.rows.find(({ key, variantId }) => key === body.key && variantId === body.variantId);
      if (!row?.learnt) throw new RuleBroken('Fewer than three finished vehicles speak for this stage yet.');
      if (!same(row.standing, body.standing) || !same(row.learnt.hours, body.hours)) throw new Stale(row);
      if (same(row.standing, row.learnt.hours)) throw new RuleBroken('This is what is reckoned with already.');
      const { hours, lowHours, highHours, vehicles } = row.learnt;
      const { id } = made(
        await tx
          .insert(stageEstimate)
          .values({
            ...{ kitId: params.kit, key: body.key, variantId: body.variantId, hours, lowHours, highHours, vehicles },
            ...{ beforeHours: row.standing, byId: person.id, at: now() },
          })
          .returning(),
      );
      const what = `reckons ${row.name} at ${hours} h, as ${vehicles} vehicles took it, in place of ${row.standing} h`;
      await log({ what, resource: 'kit', id: params.kit, after: body });
      // Jobs in one order, as everywhere; of each, its stages that nobody has begun.
      const open = (await notBegun(tx, params.kit)).filter(
        (each) => each.key === body.key && row.moves.includes(each.number) && same(each.hours, row.standing),
      );
      for (const each of open.toSorted((a, b) => (a.jobId < b.jobId ? -1 : 1))) {
        const own = await lock({ id: each.jobId });
        const [moved] = await tx
          .update(stage)
          .set({ hours, version: sql`${stage.version} + 1` })
          .where(and(eq(stage.id, each.id), eq(stage.state, 'waiting')))
          .returning({ id: stage.id });
        if (moved) await log({ what, resource: 'stage', id: each.id, job: own.number });
      }
      return { id };
    }),
  ),
];
