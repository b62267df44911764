import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from '../server/app.ts';
import { configFrom } from '../server/config.ts';
import { connect } from '../server/db/connect.ts';
import { startLive } from '../server/events/live.ts';

const STREAMS_END_MS = 200;
const KEEP_ALIVE_MS = 120_000;

export interface Running {
  readonly url: string;
  readonly close: () => Promise<void>;
}

/** The secret that signs session cookies; kept, so that a restart signs nobody out. */
function sessionSecret(): string {
  if (process.env.SESSION_SECRET) return process.env.SESSION_SECRET;
  mkdirSync('data', { recursive: true });
  if (!existsSync('data/session-secret'))
    writeFileSync('data/session-secret', randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync('data/session-secret', 'utf8').trim();
}

/** Serves the application on loopback (or HOST). Port 0 takes any free one. */
export async function serve(
  databaseUrl: string,
  pageFolder: string | null,
  port: number,
  log: 'silent' | 'warn' = 'warn',
): Promise<Running> {
  const config = configFrom(process.env, databaseUrl, pageFolder, sessionSecret());
  const { pool, db } = connect(databaseUrl, config.timeZone);
  const live = await startLive(databaseUrl);
  const app = createApp({ db, pool, config, live, now: () => new Date(), logger: pino({ level: log }) });
  const host = process.env.HOST ?? '127.0.0.1';
  const server = await new Promise<Server>((done, fail) => {
    const listening = app.listen(port, host, (error?: Error) => (error ? fail(error) : done(listening)));
  });
  // Longer than any client keeps a connection idle: a request must never meet a connection that is just being closed.
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = KEEP_ALIVE_MS + 1000;
  const address = server.address() as AddressInfo;
  return {
    url: `http://${host}:${address.port}`,
    close: async () => {
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      // Streams that closed just now still store their session.
      await new Promise((done) => setTimeout(done, STREAMS_END_MS));
      await live.close();
      await pool.end();
    },
  };
}
