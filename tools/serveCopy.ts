import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { dropDatabase } from '../tests/api/dropDatabase.ts';
import { serve } from './serve.ts';
import { TEMPLATE } from './testTemplate.ts';

// For browser tests: serves the built page on a fresh copy of the sample, prints the address, ends with SIGTERM.
const pattern = process.env.TEST_DATABASE_URL ?? '';
const name = `browser_${randomUUID().replace(/-/g, '')}`;
const admin = pattern.replace(/DB$/, 'postgres');
const client = new pg.Client({ connectionString: admin });
await client.connect();
await client.query(`create database "${name}" template "${TEMPLATE}"`);
await client.end();
const running = await serve(pattern.replace(/DB$/, name), `${process.cwd()}/dist/web`, 0, 'silent');
process.on('SIGTERM', async () => {
  await running.close();
  await dropDatabase(admin, name);
  process.exit(0);
});
console.log(running.url);
