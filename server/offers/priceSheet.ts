import { sql } from 'drizzle-orm';
import type { PriceSheet } from '../../contract/offers.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { bracketOf } from '../../core/offer/bracket.ts';
import { wishEffect } from '../../core/offer/effect.ts';
import { offerFromJob } from '../../core/offer/fromJob.ts';
import { hoursEstimate } from '../../core/offer/hours.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { hourCostOf } from '../read/madeGood.ts';
import { partOf } from '../read/sheet.ts';
import { finishedJobs } from './finished.ts';
import { offerGround } from './ground.ts';
import { additionsOf, offersOf, waysOf } from './rows.ts';
import { wishOf } from './wish.ts';

/** What was last paid for one unit of lists, in the own currency, of the parts that are named. */
async function paidCents(db: Db | Tx, ids: readonly string[]): Promise<Record<string, number>> {
  const { rows } = await db.execute<{ id: string; cents: number }>(sql`
    select distinct on (l.component_id) l.component_id as id,
      round(l.price_cents::numeric * p.rate_millionths / 1000000)::int as cents
    from purchase_line l join purchase p on p.id = l.purchase_id
    where p.state in ('sent', 'confirmed', 'closed') and l.component_id = any(${sql.param(ids)}::text[])
    order by l.component_id, p.sent_at desc`);
  return Object.fromEntries(rows.map(({ id, cents }) => [id, cents]));
}

/** What the Price step of a job shows. */
export async function priceSheet(
  db: Db | Tx,
  stored: StoredJob,
  workshop: Workshop,
  today: string,
): Promise<PriceSheet> {
  const offers = await offersOf(db, stored.id);
  const before = offers.find(({ state }) => state !== 'withdrawn') ?? offers[0];
  const ground = await offerGround(db, stored, workshop, today, before?.body ?? null);
  const fresh = ground.parts.length + ground.stages.length > 0 ? offerFromJob(ground) : null;
  const named = new Set(
    [fresh, ...offers.map(({ body }) => body)].flatMap((body) =>
      (body?.lines ?? []).flatMap(({ componentId }) => (componentId === null ? [] : [componentId])),
    ),
  );
  const { rows } = await db.execute<{ variantId: string; modelId: string; kitId: string | null }>(sql`
    select v.variant_id as "variantId", va.model_id as "modelId",
      (select kit_id from kit_revision where id = ${stored.kitRevisionId}) as "kitId"
    from vehicle v join variant va on va.id = v.variant_id where v.id = ${stored.vehicleId}`);
  const bracket = bracketOf(one(rows, 'vehicle'), await finishedJobs(db, workshop, stored.id));
  const brief = await partOf(db, { id: stored.id }, 'brief');
  const ceiling = brief.find(({ kind, amount }) => kind === 'priceCeiling' && amount !== null);
  const hours = ground.stages.length > 0 ? hoursEstimate(ground.stages, ground.took) : null;
  return {
    ...{ offers, fresh, hours, bracket },
    additions: await additionsNow(db, stored, workshop, today),
    ways: await waysOf(db, stored.id, hourCostOf(workshop)),
    ground: {
      estimatedHours: hours?.hours ?? 0,
      rateCents: workshop.rateCents,
      paidCents: await paidCents(db, [...named]),
      similar: bracket && { lowCents: bracket.cents.low, highCents: bracket.cents.high },
      ceiling: ceiling ? { cents: ceiling.amount!, firm: ceiling.firm } : null,
      today,
    },
  };
}

/** Wishes of a job; of those that are not priced yet, what they would do by today's figures. */
async function additionsNow(db: Db | Tx, stored: StoredJob, workshop: Workshop, today: string) {
  const all = await additionsOf(db, stored.id);
  if (!all.some(({ state }) => state === 'asked')) return all;
  const { input } = await figureInputOfJob(db, stored, workshop, today);
  const now = [];
  for (const one of all)
    now.push(one.state === 'asked' ? { ...one, effect: wishEffect(input, await wishOf(db, one, input)) } : one);
  return now;
}
