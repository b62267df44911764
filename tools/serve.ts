import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from '../server/app.ts';
import { configFrom, wholeFrom } from '../server/config.ts';
import { connect } from '../server/db/connect.ts';
import { startPress } from '../server/documents/press.ts';
import { startLive } from '../server/events/live.ts';
import { keepTidy } from '../server/tidy.ts';

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
  if (!existsSync('data/session-secret')) {
    try {
      writeFileSync('data/session-secret', randomBytes(32).toString('hex'), { mode: 0o600, flag: 'wx' });
    } catch (error) {
      // Another server that starts at the same moment has written it.
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
  }
  return readFileSync('data/session-secret', 'utf8').trim();
}

export interface ServeOptions {
  /** @default 'warn' */
  readonly log?: 'silent' | 'warn';
  /** Is the sample workshop in this database? @default true */
  readonly sample?: boolean;
}

/** Serves the application on loopback (or HOST). Port 0 takes any free one. */
export async function serve(
  databaseUrl: string,
  pageFolder: string | null,
  port: number,
  { log = 'warn', sample = true }: ServeOptions = {},
): Promise<Running> {
  const config = configFrom(process.env, { databaseUrl, pageFolder, sessionSecret: sessionSecret(), sample });
  const { pool, db, transact, close } = connect(
    databaseUrl,
    config.timeZone,
    wholeFrom(process.env, 'DATABASE_CONNECTIONS', 10, 2, 200),
  );
  const press = startPress();
  const live = await startLive(databaseUrl);
  const app = createApp({
    db,
    transact,
    pool,
    config,
    live,
    press,
    now: () => new Date(),
    logger: pino({ level: log }),
  });
  const tidying = keepTidy(db);
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
      tidying.stop();
      await live.close();
      await press.close();
      await close();
    },
  };
}
