import pg from 'pg';
import { expect, inject, test } from 'vitest';
import { openDatabaseForTest } from '../../tools/openDatabase.ts';
import { dropDatabase } from '../api/dropDatabase.ts';

// Servers that start at the same moment on an empty database: the first prepares it, the others find it prepared.
const ROUNDS = Number(process.env.ROUNDS ?? 3);
const urlOf = (name: string) => inject('databaseUrl').replace(/DB$/, name);

test(`three starts at once on an empty database, ${ROUNDS} times`, async () => {
  for (let round = 0; round < ROUNDS; round++) {
    const name = `starts_${round}`;
    await dropDatabase(urlOf('postgres'), name);
    const admin = new pg.Client({ connectionString: urlOf('postgres') });
    await admin.connect();
    await admin.query(`create database "${name}"`);
    await admin.end();
    await Promise.all([1, 2, 3].map(() => openDatabaseForTest(urlOf(name))));
    const client = new pg.Client({ connectionString: urlOf(name) });
    await client.connect();
    const { rows } = await client.query(
      'select (select count(*) from person)::int as people, (select count(*) from job)::int as jobs, (select count(*) from installation)::int as marks',
    );
    await client.end();
    expect(rows[0], `round ${round}`).toEqual({ people: 8, jobs: 16, marks: 1 });
    await dropDatabase(urlOf('postgres'), name);
  }
}, 300_000);
