import { createServer } from 'node:net';

/** A port nobody listens on at this moment, on loopback; `wanted` when that one is free. */
export function freePort(wanted = 0): Promise<number> {
  return new Promise((done, fail) => {
    const probe = createServer();
    probe.once('error', () => (wanted === 0 ? fail(new Error('no free port')) : done(freePort(0))));
    probe.listen(wanted, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : wanted));
    });
  });
}
