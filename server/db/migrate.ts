import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

/** Any number that means "Dajo migrates now" to every server on this database. */
const LOCK = 4_417_026;

/** Brings the database up to date under a lock, so that two servers can start at once. */
export async function migrateUp(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    await client.query('set client_min_messages to warning');
    await migrate(drizzle(client), { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) });
  } finally {
    await client.end();
  }
}
