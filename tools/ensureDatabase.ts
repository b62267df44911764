import pg from 'pg';

/** Duplicate database; unique violation in its catalogue. */
const MADE_MEANWHILE = ['42P04', '23505'];

/** Makes a database in the cluster unless it is there. */
export async function ensureDatabase(adminUrl: string, name: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (!rowCount) await client.query(`create database "${name}"`);
  } catch (error) {
    // Somebody else who started at the same moment has made it.
    if (!MADE_MEANWHILE.includes((error as { code?: string }).code ?? '')) throw error;
  } finally {
    await client.end();
  }
}
