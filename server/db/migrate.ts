import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

/** Any number that means "Dajo prepares this database now" to every server on it. */
const LOCK = 4_417_026;

/**
 * Brings the database up to date, then does what else belongs to preparing it, all under one lock: of several servers
 * that start at once the first does it and the others find it done.
 */
export async function migrateUp(databaseUrl: string, then: () => Promise<void> = async () => {}): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 10_000 });
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    await client.query('set client_min_messages to warning');
    await migrate(drizzle(client), { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) });
    await then();
  } finally {
    await client.end();
  }
}
