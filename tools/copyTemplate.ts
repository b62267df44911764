import pg from 'pg';
import { TEMPLATE } from './testTemplate.ts';

/** Makes a database that is a copy of the loaded sample. */
export async function copyTemplate(adminUrl: string, name: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    await client.query(`create database "${name}" template "${TEMPLATE}" strategy file_copy`);
  } finally {
    await client.end();
  }
}
