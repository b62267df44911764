import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema/index.ts';

export type Db = NodePgDatabase<typeof schema>;
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];

/** How long anybody waits for the database before they are told to try again, milliseconds. */
export interface Patience {
  /** For a free connection. */
  readonly acquireMs: number;
  /** For a row that somebody else is changing. */
  readonly lockMs: number;
  /** For one statement. */
  readonly statementMs: number;
  /** For a transaction that does nothing. */
  readonly idleMs: number;
}
export const USUAL_PATIENCE: Patience = { acquireMs: 3000, lockMs: 4000, statementMs: 15_000, idleMs: 20_000 };

export interface Connection {
  readonly pool: pg.Pool;
  /** For looking. Never waits behind a change. */
  readonly db: Db;
  /** For changes, on connections of their own, so that changes waiting for a lock never stop anybody from looking. */
  readonly writes: Db;
  readonly close: () => Promise<void>;
}

/**
 * Opens two pools, one for looking and one for changing, each of at most `most` connections. The workshop's time zone
 * decides what "today" is inside the database too.
 */
export function connect(
  databaseUrl: string,
  timeZone: string,
  most = 10,
  patience: Patience = USUAL_PATIENCE,
): Connection {
  const looking = openPool(databaseUrl, timeZone, most, patience);
  const changing = openPool(databaseUrl, timeZone, most, patience);
  return {
    pool: looking,
    db: drizzle(looking, { schema }),
    writes: drizzle(changing, { schema }),
    close: async () => {
      await Promise.all([looking.end(), changing.end()]);
    },
  };
}

function openPool(databaseUrl: string, timeZone: string, max: number, patience: Patience): pg.Pool {
  const settings = {
    TimeZone: timeZone,
    lock_timeout: patience.lockMs,
    statement_timeout: patience.statementMs,
    idle_in_transaction_session_timeout: patience.idleMs,
  };
  const pool = new pg.Pool({
    connectionString: databaseUrl,
    max,
    connectionTimeoutMillis: patience.acquireMs,
    keepAlive: true,
    options: Object.entries(settings)
      .map(([name, value]) => `-c ${name}=${value}`)
      .join(' '),
  });
  // A connection that the database drops must not end the server, whether it is idle (the pool tells) or in use (the
  // client tells): whoever uses it gets the error as the answer to their query, and the pool opens another.
  pool.on('error', () => {});
  pool.on('connect', (client) => client.on('error', () => {}));
  return pool;
}
