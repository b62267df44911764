import { createRequire } from 'node:module';
import { availableParallelism } from 'node:os';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { Busy } from '../problems.ts';
import type { PressOrder } from './pressOrder.ts';

/** Makes documents on threads of its own, so that nobody waits for somebody else's paper. */
export interface Press {
  readonly print: (order: PressOrder) => Promise<Buffer>;
  readonly close: () => Promise<void>;
}

/** More orders than this wait for nobody: they are told to come back. */
const MOST_WAITING = 12;
const LONGEST_MS = 20_000;
const IDLE_MS = 60_000;

/** Starts a press. Its threads begin with the first order and end when there was none for a minute. */
export function startPress(mostWaiting = MOST_WAITING): Press {
  const loader = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
  const pool = new Piscina<PressOrder, Uint8Array>({
    filename: new URL('./pressWorker.ts', import.meta.url).href,
    execArgv: ['--import', loader],
    minThreads: 0,
    // One core stays with the thread that answers.
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: mostWaiting,
    idleTimeout: IDLE_MS,
  });
  return {
    print: async (order) => {
      try {
        return Buffer.from(await pool.run(order, { signal: AbortSignal.timeout(LONGEST_MS) }));
      } catch (error) {
        const said = error instanceof Error ? error.message : '';
        if (/queue/i.test(said))
          throw new Busy('Many documents are being made at this moment. Try again in a moment.', error, 5);
        if (/aborted|abort/i.test(said))
          throw new Busy('This document took too long to make. Try again in a moment.', error, 10);
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
}
