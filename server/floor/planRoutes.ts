import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { planAddress } from '../../contract/plan.ts';
import { type Plan, planProblems } from '../../core/floor/plan.ts';
import { planProblemText } from '../../wording/plan.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job, place, workshop } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { freeId } from '../read/freeId.ts';

/** The plan as it is stored; places that were given up are left out. */
async function planNow(tx: Tx): Promise<Plan & { version: number }> {
  const own = one(await tx.select().from(workshop), 'workshop');
  const places = await tx.select().from(place).where(eq(place.closed, false)).orderBy(place.yM, place.xM, place.id);
  return {
    building: { widthM: own.buildingWidthM, lengthM: own.buildingLengthM },
    places: places.map(({ closed: _, ...rest }) => rest),
    version: own.planVersion,
  };
}

/** A place where a vehicle stands is not given up, nor does it become something else under it. */
async function holdPlacesInUse(tx: Tx, before: Plan, after: Plan): Promise<void> {
  const next = new Map(after.places.map((one) => [one.id, one]));
  const changed = before.places.filter(({ id, kind }) => next.get(id)?.kind !== kind);
  if (changed.length === 0) return;
  const [held] = await tx
    .select({ number: job.number, placeId: job.placeId })
    .from(job)
    .where(
      and(
        inArray(
          job.placeId,
          changed.flatMap(({ id }) => id ?? []),
        ),
        sql`${job.state} not in ('handedOver', 'cancelled')`,
      ),
    );
  const place = changed.find(({ id }) => id === held?.placeId);
  if (held && place)
    throw new RuleBroken(
      `${place.name} holds ${held.number}. Move that first, then ${next.has(place.id) ? 'make it something else' : 'give the place up'}.`,
    );
}

export const planEndpoints = [
  serve(planAddress.change, ({ change, body }) =>
    change(async ({ tx, log }) => {
      // The workshop's row stands for the plan, and each place is locked as a vehicle that is moved there locks it.
      await tx.select({ id: workshop.id }).from(workshop).for('no key update');
      await tx.select({ id: place.id }).from(place).orderBy(place.id).for('no key update');
      const before = await planNow(tx);
      if (before.version !== body.version) throw new Stale(before);
      const [problem] = planProblems(body);
      if (problem) throw new BadInput({ [`places.${problem.at}.name`]: planProblemText(problem) });
      const known = new Set(before.places.map(({ id }) => id));
      const strange = body.places.findIndex(({ id }) => id !== null && !known.has(id));
      if (strange >= 0) throw new BadInput({ [`places.${strange}.name`]: 'There is no such place any more.' });
      const kept = body.places.flatMap(({ id }) => (id === null ? [] : [id]));
      await holdPlacesInUse(tx, before, body);
      await tx
        .update(place)
        .set({ closed: true })
        .where(kept.length > 0 ? notInArray(place.id, kept) : sql`true`);
      for (const { id, ...own } of body.places) {
        if (id !== null) await tx.update(place).set(own).where(eq(place.id, id));
        else {
          const taken = async (wanted: string) => (await tx.$count(place, eq(place.id, wanted))) > 0;
          await tx.insert(place).values({ ...own, id: await freeId(own.name, taken) });
        }
      }
      const version = before.version + 1;
      const { widthM: buildingWidthM, lengthM: buildingLengthM } = body.building;
      await tx.update(workshop).set({ buildingWidthM, buildingLengthM, planVersion: version });
      await log({ what: 'changed the building', resource: 'plan', id: '1', before, after: body });
      return { version };
    }),
  ),
];
