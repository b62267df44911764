import type { AddressInfo } from 'node:net';
import { createDesk } from './desk.ts';
import { moodsOf } from './moods.ts';

// The simulated supplier desk as a process of its own, on loopback. Says its port to whoever started it.
const seed = Number(process.env.DESK_SEED ?? 1);
const stepMs = Number(process.env.DESK_STEP_MS ?? 4000);
const app = createDesk({ moods: moodsOf(seed), now: () => Date.now(), stepMs });
const server = app.listen(Number(process.env.DESK_PORT ?? 0), '127.0.0.1', () => {
  const { port } = server.address() as AddressInfo;
  if (process.send) process.send({ port });
  else console.log(`Simulated supplier desk at http://127.0.0.1:${port}`);
});
// It goes with whoever started it.
process.on('disconnect', () => process.exit(0));
