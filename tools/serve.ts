import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express, { type Express } from 'express';
import { type Logger, pino } from 'pino';
import { HOUSE_COOKIE } from '../contract/session.ts';
import { createApp } from '../server/app.ts';
import { configFrom, type LogLevel, type Standing, settingsOf, wholeFrom } from '../server/config.ts';
import { type Connection, connect, type Db } from '../server/db/connect.ts';
import { startPress } from '../server/documents/press.ts';
import { startLive } from '../server/events/live.ts';
import { loggedError } from '../server/logged.ts';
import { startQueue } from '../server/queue/queue.ts';
import { workshopNow } from '../server/read/workshop.ts';
import { type PlanMaker, startPlanMaker } from '../server/workPlan/planner.ts';
import { backupsOf } from './backups.ts';
import { keepWorking } from './keepWorking.ts';

const STREAMS_END_MS = 200;
const KEEP_ALIVE_MS = 120_000;
/** How long a stop waits for answers that are under way. */
const IN_FLIGHT_MS = 8000;

const { version: VERSION } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
  version: string;
};

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
  /** @default LOG_LEVEL */
  readonly log?: LogLevel | undefined;
  /** Is the sample workshop in this database? @default true */
  readonly sample?: boolean;
  /** Database of a workshop of one's own, served beside the sample; the page asks which is meant. @default null */
  readonly own?: string | null;
  /** Word that whoever begins a workshop must know. @default null */
  readonly beginWord?: string | null;
  /** Where the simulated supplier desk is. @default null */
  readonly deskUrl?: string | null;
  /** Asks suppliers' desks although this server does no other work by itself. @default as WORK says */
  readonly queue?: boolean;
}

interface House {
  readonly app: Express;
  readonly db: Db;
  /** Lets go of what is followed without end, and says that nothing new should come. */
  readonly ending: () => Promise<void>;
  readonly close: () => Promise<void>;
}

async function openHouse(
  databaseUrl: string,
  log: LogLevel | undefined,
  { deskUrl = null, queue: asks }: Pick<ServeOptions, 'deskUrl' | 'queue'>,
  standing: Omit<Standing, 'databaseUrl' | 'sessionSecret'>,
): Promise<House> {
  const config = configFrom(process.env, { ...standing, databaseUrl, sessionSecret: sessionSecret() });
  const { pool, db, transact, close } = connect(
    databaseUrl,
    wholeFrom(process.env, 'DATABASE_CONNECTIONS', 10, 2, 200),
  );
  const { backupFolder, work } = settingsOf(process.env);
  const backups = backupsOf(databaseUrl, standing.sample ? `${backupFolder}/sample` : backupFolder, !standing.sample);
  const logger = pino({ level: log ?? config.logLevel, serializers: { err: loggedError } });
  let ending = false;
  const press = startPress();
  const plans = startPlanMaker();
  const live = await startLive(databaseUrl);
  const app = createApp({
    db,
    transact,
    pool,
    config,
    live,
    press,
    plans,
    backups,
    version: VERSION,
    startedAt: new Date(),
    now: () => new Date(),
    logger,
    isEnding: () => ending,
  });
  const working = work ? keepWorking(databaseUrl, backups) : null;
  const queue = (asks ?? work) ? await startQueueFor(databaseUrl, { db, transact }, deskUrl, logger, plans) : null;
  return {
    app,
    db,
    ending: async () => {
      ending = true;
      // What is followed without end would hold the server up.
      await live.close();
    },
    close: async () => {
      // What is written or tried at this moment is stopped, and its row says so while there is a database to say it to.
      await backups.stop();
      await working?.stop();
      await queue?.stop();
      await press.close();
      await plans.close();
      await close();
    },
  };
}

/** The queue of what waits on the world outside; a desk that does not keep to its contract is told to whoever looks after it. */
const startQueueFor = (
  url: string,
  connection: Pick<Connection, 'db' | 'transact'>,
  simulatedUrl: string | null,
  logger: Logger,
  plans: PlanMaker,
) =>
  startQueue({
    url,
    connection,
    simulatedUrl,
    plans,
    onFault: (error) => logger.error({ err: error }, 'the queue met a fault'),
  });

const houseAsked = (cookies: string | undefined): string | null =>
  new RegExp(`(?:^|; *)${HOUSE_COOKIE}=(own|sample)(?:;|$)`).exec(cookies ?? '')?.[1] ?? null;

/** The house that the address of a calendar names. */
const houseNamed = (url: string): string | null =>
  /^\/api\/calendar\/[^?]*\?house=(own|sample)$/.exec(url)?.[1] ?? null;

/** Both workshops on one address: whoever has chosen none is in the own one as soon as it has been begun. */
async function openBoth(
  sampleUrl: string,
  ownUrl: string,
  pageFolder: string | null,
  log: LogLevel | undefined,
  asking: Pick<ServeOptions, 'deskUrl' | 'queue'>,
) {
  let begun = false;
  const ownBegun = async () => {
    // Once begun it stays so: the question is asked until then and never again.
    begun ||= (await workshopNow(own.db)) !== null;
    return begun;
  };
  const own = await openHouse(ownUrl, log, asking, { pageFolder, sample: false, houses: { here: 'own', ownBegun } });
  const sample = await openHouse(sampleUrl, log, asking, {
    pageFolder,
    sample: true,
    houses: { here: 'sample', ownBegun },
  });
  const front = express();
  front.disable('x-powered-by');
  front.use(async (req, res, next) => {
    // What reads a calendar keeps no choice: its address says which of the two it is of.
    const asked = houseNamed(req.url) ?? houseAsked(req.headers.cookie);
    const isOwn = asked === null ? await ownBegun().catch(() => false) : asked === 'own';
    (isOwn ? own : sample).app(req, res, next);
  });
  return {
    app: front,
    ending: async () => {
      await own.ending();
      await sample.ending();
    },
    close: async () => {
      await own.close();
      await sample.close();
    },
  };
}

/** Serves the application on loopback (or HOST). Port 0 takes any free one. */
export async function serve(
  databaseUrl: string,
  pageFolder: string | null,
  port: number,
  { log, sample = true, own = null, beginWord = null, ...asking }: ServeOptions = {},
): Promise<Running> {
  const house =
    own === null
      ? await openHouse(databaseUrl, log, asking, { pageFolder, sample, beginWord })
      : await openBoth(databaseUrl, own, pageFolder, log, asking);
  const host = process.env.HOST ?? '127.0.0.1';
  const server = await new Promise<Server>((done, fail) => {
    const listening = house.app.listen(port, host, (error?: Error) => (error ? fail(error) : done(listening)));
  });
  // Longer than any client keeps a connection idle: a request must never meet a connection that is just being closed.
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = KEEP_ALIVE_MS + 1000;
  const address = server.address() as AddressInfo;
  return {
    url: `http://${host}:${address.port}`,
    close: async () => {
      const closed = new Promise((done) => server.close(done));
      await house.ending();
      // What is under way is answered; what is idle ends at once, and what takes too long is cut.
      server.closeIdleConnections();
      const cut = setTimeout(() => server.closeAllConnections(), IN_FLIGHT_MS);
      const idle = setInterval(() => server.closeIdleConnections(), STREAMS_END_MS);
      await closed;
      clearTimeout(cut);
      clearInterval(idle);
      // Streams that closed just now still store their session.
      await new Promise((done) => setTimeout(done, STREAMS_END_MS));
      await house.close();
    },
  };
}
