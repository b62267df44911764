import { createHash } from 'node:crypto';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema/index.ts';

export type Db = NodePgDatabase<typeof schema>;
declare const inTransaction: unique symbol;
/** A database inside a transaction: what has it may change things, and they happen together or not at all. */
export type Tx = Omit<Db, 'transaction' | '$client'> & { readonly [inTransaction]?: true };

/**
 * Runs a large statement by a name of its own, so that each connection plans it once and not each time.
 *
 * @param name at most 63 characters count; one name must always mean the same text
 */
export async function prepared<R extends object>(
  db: Db | Tx,
  name: string,
  text: string,
  values: unknown[],
): Promise<R[]> {
  const { $client } = db as unknown as { readonly $client: pg.Pool | pg.PoolClient };
  const { rows } = await $client.query<R>({ name: createHash('md5').update(name).digest('hex'), text, values });
  return rows;
}

/** Runs work as one transaction. */
export type Transact = <T>(work: (tx: Tx) => Promise<T>) => Promise<T>;

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
const USUAL_PATIENCE: Patience = { acquireMs: 3000, lockMs: 4000, statementMs: 15_000, idleMs: 20_000 };

export interface Connection {
  readonly pool: pg.Pool;
  /** For looking. Never waits behind a change. */
  readonly db: Db;
  /** For changes, on connections of their own, so that changes waiting for a lock never stop anybody from looking. */
  readonly transact: Transact;
  readonly close: () => Promise<void>;
}

/**
 * Opens two pools, one for looking and one for changing, each of at most `most` connections. The database reckons in UTC;
 * what a day is follows the workshop's record.
 */
export function connect(databaseUrl: string, most = 10, patience: Patience = USUAL_PATIENCE): Connection {
  const looking = openPool(databaseUrl, most, patience);
  const changing = openPool(databaseUrl, most, patience);
  return {
    pool: looking,
    db: drizzle(looking, { schema }),
    transact: transactIn(changing),
    close: async () => {
      await Promise.all([looking.end(), changing.end()]);
    },
  };
}

/**
 * Transactions on connections of a pool. One whose connection broke gives it back as broken: Drizzle's own way keeps a
 * connection that breaks in its first statement for ever, and ten such leave the pool empty.
 */
function transactIn(pool: pg.Pool): Transact {
  return async (work) => {
    const client = await pool.connect();
    let broken: Error | undefined;
    try {
      await client.query('begin');
      const answer = await work(drizzle(client, { schema }) as unknown as Tx);
      await client.query('commit');
      return answer;
    } catch (error) {
      await client.query('rollback').catch((fault: Error) => {
        broken = fault;
      });
      throw error;
    } finally {
      client.release(broken);
    }
  };
}

function openPool(databaseUrl: string, max: number, patience: Patience): pg.Pool {
  const settings = {
    TimeZone: 'UTC',
    lock_timeout: patience.lockMs,
    statement_timeout: patience.statementMs,
    idle_in_transaction_session_timeout: patience.idleMs,
    // Compiling a statement takes longer than running any of ours.
    jit: 'off',
    // Nor does any of ours want another plan for other values: each is planned once a connection.
    plan_cache_mode: 'force_generic_plan',
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
