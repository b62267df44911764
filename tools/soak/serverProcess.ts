import { monitorEventLoopDelay } from 'node:perf_hooks';
import { serve } from '../serve.ts';

/** What the measured server says of itself. */
export interface Health {
  readonly residentMb: number;
  readonly heapMb: number;
  /** Of the event loop since the last report, milliseconds. */
  readonly delayP99Ms: number;
  readonly delayMaxMs: number;
}

// A server in a process of its own, so that who loads it and who measures it do not share its thread. Reports by IPC.
const running = await serve(process.argv[2] ?? '', null, 0, { log: 'silent' });
const RESOLUTION_MS = 5;
const delay = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
delay.enable();
process.on('message', (asked) => {
  if (asked === 'report') {
    const { rss, heapUsed } = process.memoryUsage();
    const ms = (ns: number) => Math.max(0, ns / 1e6 - RESOLUTION_MS);
    const health: Health = {
      residentMb: rss / 1e6,
      heapMb: heapUsed / 1e6,
      delayP99Ms: ms(delay.percentile(99)),
      delayMaxMs: ms(delay.max),
    };
    delay.reset();
    process.send?.({ health });
  }
  if (asked === 'end') void running.close().then(() => process.exit(0));
});
process.send?.({ url: running.url });
