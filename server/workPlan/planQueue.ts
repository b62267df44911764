import type PgBoss from 'pg-boss';
import type { Db } from '../db/connect.ts';
import { workshopNow } from '../read/workshop.ts';
import { isStale, makeAnew } from './inForce.ts';
import type { PlanMaker } from './planner.ts';

const PLAN = 'work-plan';

/**
 * Keeps the plan as it should be by itself: looked at every few seconds, made anew by one of however many servers and
 * workers there are where something it rests on has changed.
 */
export async function keepPlanned(
  boss: PgBoss,
  ready: (name: string) => Promise<void>,
  { db, maker, now }: { db: Db; maker: PlanMaker; now: () => Date },
): Promise<{ look: () => Promise<void> }> {
  await ready(PLAN);
  await boss.work(PLAN, { pollingIntervalSeconds: 1, batchSize: 1 }, async () => {
    const workshop = await workshopNow(db);
    if (workshop) await makeAnew({ db, maker, workshop, now: now() });
  });
  return {
    look: async () => {
      if ((await workshopNow(db)) && (await isStale(db, now()))) await boss.send(PLAN, {}, { singletonKey: PLAN });
    },
  };
}
