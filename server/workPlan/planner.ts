import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import type { PlanFacts } from '../../core/plan/facts.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';
import { Busy } from '../problems.ts';

/** What a thread is given to plan. */
export interface PlanOrder {
  readonly facts: PlanFacts;
  readonly before: StoredPlan | null;
  readonly seed: number;
}

/** Makes plans on a thread of its own, so that nobody waits for one who is answered otherwise. */
export interface PlanMaker {
  readonly make: (order: PlanOrder) => Promise<StoredPlan>;
  readonly close: () => Promise<void>;
}

const MOST_WAITING = 8;
/** Less than a transaction may stand idle: whoever waits is told, and nothing is broken off. */
const LONGEST_MS = 15_000;
const IDLE_MS = 60_000;

/** Starts a maker of plans; its thread begins with the first and ends when there was none for a minute. */
export function startPlanMaker(): PlanMaker {
  const loader = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
  const pool = new Piscina<PlanOrder, StoredPlan>({
    filename: new URL('./planWorker.ts', import.meta.url).href,
    execArgv: ['--import', loader],
    ...{ minThreads: 0, maxThreads: 1, maxQueue: MOST_WAITING, idleTimeout: IDLE_MS },
  });
  return {
    make: async (order) => {
      try {
        return await pool.run(order, { signal: AbortSignal.timeout(LONGEST_MS) });
      } catch (error) {
        const said = error instanceof Error ? error.message : '';
        if (/queue|abort/i.test(said))
          throw new Busy('Plans are being made for others at this moment. Try again in a moment.', error, 5);
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
}
