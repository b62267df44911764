import PgBoss from 'pg-boss';
import type { Connection } from '../db/connect.ts';
import { askDesk, DeskFault, ordersToAsk } from '../purchases/desk.ts';
import type { PlanMaker } from '../workPlan/planner.ts';
import { keepPlanned } from '../workPlan/planQueue.ts';

const DESK = 'supplier-desk';
/** How often it is looked whether a desk has something to say, ms. */
const LOOK_MS = 5000;
const MOST_TRIES = 5;

export interface Queue {
  /** Puts everything that is to be asked into the queue now. */
  readonly look: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

interface QueueOptions {
  readonly url: string;
  readonly connection: Pick<Connection, 'db' | 'transact'>;
  /** Where the simulated supplier desk is; null where none runs. */
  readonly simulatedUrl: string | null;
  /** Makes the plan of the workshop; null where this queue keeps none. */
  readonly plans: PlanMaker | null;
  /** Told what went wrong beyond a desk that is away. */
  readonly onFault: (error: unknown) => void;
  /** @default LOOK_MS */
  readonly lookMs?: number;
}

/** Of several servers that begin at once one makes it, and the others find it made. */
async function makeQueue(boss: PgBoss, name: string): Promise<void> {
  for (let tries = 1; ; tries++) {
    if (await boss.getQueue(name)) return;
    try {
      await boss.createQueue(name, { name, policy: 'stately', retryLimit: 8, retryDelay: 2, retryBackoff: true });
    } catch (error) {
      if (tries === MOST_TRIES) throw error;
      await new Promise((later) => setTimeout(later, 200 * tries));
    }
  }
}

/**
 * The queue on PostgreSQL for what waits on the world outside: suppliers' desks. Any number of servers and workers may run
 * it on one database: an order is asked for by one at a time, a desk that is away is asked again, later each time.
 */
export async function startQueue({
  url,
  connection,
  simulatedUrl,
  plans,
  onFault,
  lookMs = LOOK_MS,
}: QueueOptions): Promise<Queue> {
  const boss = new PgBoss({ connectionString: url, application_name: 'dajo queue', max: 3 });
  boss.on('error', onFault);
  await boss.start();
  await makeQueue(boss, DESK);
  await boss.work<{ number: string }>(DESK, { pollingIntervalSeconds: 1, batchSize: 1 }, async (jobs) => {
    for (const { data } of jobs) {
      try {
        await askDesk({ ...connection, simulatedUrl, now: () => new Date() }, data.number);
      } catch (error) {
        if (!(error instanceof DeskFault)) onFault(error);
        throw error;
      }
    }
  });
  const planned = plans
    ? await keepPlanned(boss, (name) => makeQueue(boss, name), {
        ...connection,
        ...{ maker: plans, now: () => new Date() },
      })
    : null;
  const look = async () => {
    await planned?.look();
    for (const number of await ordersToAsk(connection.db)) await boss.send(DESK, { number }, { singletonKey: number });
  };
  // A database that is away is looked into later.
  const timer = setInterval(() => void look().catch(() => {}), lookMs);
  timer.unref();
  return {
    look,
    stop: async () => {
      clearInterval(timer);
      await boss.stop({ graceful: true, wait: true, timeout: 10_000 });
    },
  };
}
