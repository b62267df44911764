import { and, eq, inArray } from 'drizzle-orm';
import { planWorkshop } from '../core/plan/storedPlan.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { workshopNow } from '../server/read/workshop.ts';
import { planFacts } from '../server/workPlan/facts.ts';
import { factsKey, keepPlan, SEED } from '../server/workPlan/inForce.ts';

const iso = (now: Date, days: number) => new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);

/** Days away, two what-ifs beside the plan, and the plan itself as it comes out today. */
export async function loadPlan(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const ilse = people.get('ilse')!;
  await tx.insert(t.absence).values([
    { personId: people.get('mabel')!, fromDay: iso(now, 12), toDay: iso(now, 16), why: 'leave', byId: ilse },
    { personId: people.get('jory')!, fromDay: iso(now, 26), toDay: iso(now, 40), why: 'leave', byId: ilse },
  ]);
  // The minibus goes to the trimmers for its seats.
  const minibus = tx
    .select({ id: t.job.id })
    .from(t.job)
    .innerJoin(t.vehicle, eq(t.vehicle.id, t.job.vehicleId))
    .where(eq(t.vehicle.name, 'School minibus'));
  await tx
    .update(t.stage)
    .set({ firmId: 'dunlin-trim', firmDays: 2 })
    .where(and(inArray(t.stage.jobId, minibus), eq(t.stage.key, 'interior')));
  const workshop = (await workshopNow(tx))!;
  const facts = await planFacts(tx, workshop, now);
  const waiting = facts.jobs.find(({ parts }) => parts.some(({ due }) => due !== null));
  const part = waiting?.parts.find(({ due }) => due !== null);
  await tx.insert(t.scenario).values([
    ...(waiting && part
      ? [
          {
            name: `${part.name} a week late`,
            changes: [{ kind: 'partLate' as const, job: waiting.number, componentId: part.componentId, days: 7 }],
            byId: ilse,
            at: now,
          },
        ]
      : []),
    {
      name: 'Soren away a week',
      changes: [{ kind: 'away' as const, personId: people.get('soren')!, from: iso(now, 3), to: iso(now, 9) }],
      byId: ilse,
      at: new Date(now.getTime() + 1000),
    },
  ]);
  const body = planWorkshop(facts, null, { seed: SEED });
  await keepPlan(tx, { body, factsKey: factsKey(facts), byId: null, at: now });
}
