import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema/index.ts';

export type Db = NodePgDatabase<typeof schema>;
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];

export interface Connection {
  readonly pool: pg.Pool;
  readonly db: Db;
}

/** Opens a pool. The workshop's time zone decides what "today" is inside the database too. */
export function connect(databaseUrl: string, timeZone: string, most = 10): Connection {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: most, options: `-c TimeZone=${timeZone}` });
  // A connection dropped by the database while idle must not end the server; the pool opens another.
  pool.on('error', () => {});
  return { pool, db: drizzle(pool, { schema }) };
}
