import { randomUUID } from 'node:crypto';
import pg from 'pg';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { migrateUp } from '../../server/db/migrate.ts';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { ensureDatabase } from '../../tools/ensureDatabase.ts';
import { type Running, serve } from '../../tools/serve.ts';
import { dropDatabase } from './dropDatabase.ts';

// The sample and a workshop of one's own on one address.
const urlOf = (name: string) => inject('databaseUrl').replace(/DB$/, name);
const [sample, own] = [`sample_${randomUUID().slice(0, 8)}`, `own_${randomUUID().slice(0, 8)}`];
let running: Running;

beforeAll(async () => {
  await copyTemplate(urlOf('postgres'), sample);
  await ensureDatabase(urlOf('postgres'), own);
  await migrateUp(urlOf(own));
  running = await serve(urlOf(sample), null, 0, { log: 'silent', own: urlOf(own) });
});
afterAll(async () => {
  await running?.close();
  for (const name of [sample, own]) await dropDatabase(urlOf('postgres'), name);
});

const body = {
  name: 'Pier Works',
  region: 'uk',
  timeZone: 'Europe/London',
  currency: 'GBP',
  taxShare: 0.2,
  unitSet: 'uk',
  workingDays: [1, 2, 3, 4],
  person: { name: 'Nell Arkle', signIn: 'nell', password: 'tide and timber' },
  lend: true,
  word: '',
};
const session = (cookie = '') => request(running.url).get('/api/session').set('Cookie', cookie);
const begin = (change: object = {}) =>
  request(running.url)
    .post('/api/beginning')
    .set({ Cookie: 'dajo-house=own', 'X-CSRF-Token': 'signed-out' })
    .send({ ...body, ...change });
const ask = async (database: string, text: string) => {
  const client = new pg.Client({ connectionString: urlOf(database) });
  await client.connect();
  const { rows } = await client.query(text);
  await client.end();
  return rows;
};

describe('an installation with both', () => {
  test('asks at first, keeps them apart, and is in the own one once it has been begun', async () => {
    expect((await session()).body).toMatchObject({
      workshop: { name: 'Tarrow Quay Works' },
      houses: { here: 'sample', ownBegun: false },
    });
    const empty = (await session('dajo-house=own')).body;
    expect(empty).toMatchObject({
      workshop: null,
      houses: { here: 'own', ownBegun: false },
      demoSignIns: [],
      demoPassword: null,
    });

    const faults = async (change: object) => Object.keys((await begin(change)).body.fields);
    expect(await faults({ name: '' })).toEqual(['name']);
    expect(await faults({ person: { ...body.person, password: 'short' } })).toEqual(['person.password']);
    expect(await faults({ person: { ...body.person, signIn: 'two words' } })).toEqual(['person.signIn']);
    expect(await faults({ timeZone: 'Mars/Olympus', workingDays: [8] })).toEqual(['timeZone', 'workingDays.0']);

    // Ten people begin at the same moment: one has it.
    const answers = await Promise.all(Array.from({ length: 10 }, () => begin()));
    expect(answers.map((one) => one.status).sort()).toEqual([200, ...Array(9).fill(422)]);
    const first = answers.find((one) => one.status === 200)!;
    expect(first.body).toMatchObject({ person: { name: 'Nell Arkle', role: 'manager', unitSet: 'uk' } });
    expect(await ask(own, 'select name, currency from workshop')).toEqual([{ name: 'Pier Works', currency: 'GBP' }]);
    expect(await ask(own, 'select name, initials from person')).toEqual([{ name: 'Nell Arkle', initials: 'NA' }]);
    expect(await ask(own, 'select sample from installation')).toEqual([{ sample: false }]);

    expect((await session()).body).toMatchObject({ houses: { here: 'own', ownBegun: true }, demoPassword: null });
    expect((await session('dajo-house=sample')).body.houses).toEqual({ here: 'sample', ownBegun: true });
    // A sign-in of the one is none of the other.
    const cookie = (first.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    expect((await session(cookie)).body.person?.name).toBe('Nell Arkle');
    expect((await session(`${cookie}; dajo-house=sample`)).body.person).toBeNull();
  });
  test('nothing of the sample is in the own one: no name, model, kit or job', async () => {
    const rows = await ask(
      own,
      `select (select count(*) from job)::int as jobs, (select count(*) from variant)::int as variants,
        (select count(*) from kit)::int as kits, (select count(*) from place)::int as places, (select count(*) from person)::int as people`,
    );
    expect(rows[0]).toEqual({ jobs: 0, variants: 0, kits: 0, places: 0, people: 1 });
  });
  test('the basics are lent as library: cables, fuses, resistors, not priced', async () => {
    const rows = await ask(
      own,
      'select kind, count(*)::int, bool_and(lent) as lent, max(price_cents) as price from component group by kind order by kind',
    );
    expect(rows).toEqual([
      { kind: 'cable', count: 6, lent: true, price: 0 },
      { kind: 'fuse', count: 14, lent: true, price: 0 },
      { kind: 'resistor', count: 6, lent: true, price: 0 },
    ]);
    const lists = await ask(
      own,
      'select name, lent, jsonb_array_length(stages) as stages from stage_template order by name',
    );
    expect(lists).toEqual([
      { name: 'Bolt-in kit, two technicians', lent: true, stages: 17 },
      { name: 'What a bespoke job adds', lent: true, stages: 8 },
    ]);
    const signIn = await request(running.url)
      .post('/api/session')
      .set('X-CSRF-Token', 'signed-out')
      .send({ signIn: 'Nell', password: 'tide and timber' });
    const cookie = (signIn.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    const library = (await request(running.url).get('/api/library').set('Cookie', cookie)).body;
    // Read by the same descriptors as any other part: none was left out.
    expect(library.components).toHaveLength(26);
    expect((await request(running.url).get('/api/floor').set('Cookie', cookie)).body).toMatchObject({
      building: { widthM: 20, lengthM: 12, version: 1 },
      places: [],
      jobs: [],
    });
  });
});
