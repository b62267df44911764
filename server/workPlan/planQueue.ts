import type PgBoss from 'pg-boss';
import { type Keeper, makeAnew, needsPlan } from './inForce.ts';

const PLAN = 'work-plan';

/**
 * Keeps the plan as it should be by itself: looked at every few seconds, made anew by one of however many servers and
 * workers there are where something it rests on has changed.
 */
export async function keepPlanned(
  boss: PgBoss,
  ready: (name: string) => Promise<void>,
  keeper: Keeper,
): Promise<{ look: () => Promise<void> }> {
  await ready(PLAN);
  await boss.work(PLAN, { pollingIntervalSeconds: 1, batchSize: 1 }, async () => {
    await makeAnew(keeper);
  });
  return {
    look: async () => {
      if (await needsPlan(keeper)) await boss.send(PLAN, {}, { singletonKey: PLAN });
    },
  };
}
