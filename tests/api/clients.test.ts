import { beforeAll, describe, expect, test } from 'vitest';
import type { ClientRow, VehicleKnown, VehicleRow } from '../../contract/clients.ts';
import type { JobSheet } from '../../contract/job.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
let soren: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  soren = await shop.visitor('soren');
});

const clients = async (): Promise<ClientRow[]> => (await ilse.get('/clients')).body;
const vehicles = async (): Promise<VehicleRow[]> => (await ilse.get('/vehicles')).body;
const client = async (name: string) => (await clients()).find((row) => row.name === name)!;
const vehicle = async (id: string) => (await vehicles()).find((row) => row.id === id)!;
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);

/** Opens a job of a new client with a new vehicle of the smallest van. */
async function open(clientName: string, more: object = {}): Promise<JobSheet> {
  const body = {
    clientName,
    clientContact: '',
    title: `Van of ${clientName}`,
    variantId: 'wren-11',
    builtYear: 1971,
    chassisNumber: `W${Math.random().toString().slice(2, 8)}`,
    registration: '',
    colour: '',
    brief: [],
    ...more,
  };
  const answer = await ilse.send('post', '/jobs', body);
  expect(answer.status, answer.text).toBe(200);
  return (await ilse.get(`/jobs/${answer.body.number}`)).body;
}
const end = (number: string) => sql("update job set state = 'handedOver', place_id = null where number = $1", [number]);

describe('clients', () => {
  test('are told with what hangs on them, changed from the version seen, and only by a manager', async () => {
    const bakery = await client('Stone Oven Bakery');
    expect(bakery).toMatchObject({ vehicles: expect.any(Number), open: expect.any(Number), removed: false });
    const body = { name: 'Stone Oven Bakeries', contact: 'ovens', version: bakery.version };
    expect((await soren.send('put', `/clients/${bakery.id}`, body)).status).toBe(403);
    expect((await ilse.send('put', `/clients/${bakery.id}`, body)).body).toEqual({ version: bakery.version + 1 });
    const late = await ilse.send('put', `/clients/${bakery.id}`, { ...body, name: 'Other' });
    expect([late.status, late.body.current.name]).toEqual([409, 'Stone Oven Bakeries']);
  });
  test('two that are the same become one: every vehicle and job with them', async () => {
    const [a, b] = [await open('Rope Works'), await open('The Rope Works', { clientContact: 'the loft' })];
    const [gone, stays] = [await client('The Rope Works'), await client('Rope Works')];
    const merge = { into: stays.id, version: gone.version, intoVersion: stays.version };
    expect(
      (await ilse.send('post', `/clients/${gone.id}/merge`, { ...merge, into: gone.id })).body.fields.into,
    ).toMatch(/another/);
    expect((await ilse.send('post', `/clients/${gone.id}/merge`, merge)).body).toEqual({ id: stays.id });
    expect((await clients()).some(({ id }) => id === gone.id)).toBe(false);
    expect(await client('Rope Works')).toMatchObject({ vehicles: 2, jobs: 2, contact: 'the loft' });
    for (const { number } of [a, b]) expect((await ilse.get(`/jobs/${number}`)).body.client.name).toBe('Rope Works');
    expect([404, 409]).toContain((await ilse.send('post', `/clients/${gone.id}/merge`, merge)).status);
  });
  test('a known client and a known vehicle are taken for a further job, one at a time', async () => {
    const first = await open('Pilot Boat');
    const { id } = await client('Pilot Boat');
    await open('ignored', { clientId: id, title: 'Second van' });
    expect(await client('Pilot Boat')).toMatchObject({ vehicles: 2, jobs: 2 });
    const again = { vehicleId: first.vehicle.id, chassisNumber: '' };
    const body = {
      clientName: 'x',
      clientContact: '',
      title: 'x',
      variantId: 'wren-11',
      builtYear: 1971,
      registration: '',
      colour: '',
      brief: [],
    };
    const busy = await ilse.send('post', '/jobs', { ...body, ...again });
    expect(busy.body.fields.vehicleId).toBe(`${first.number} is still worked on: one job of a vehicle at a time.`);
    await end(first.number);
    const second = await open('ignored', again);
    expect(second.vehicle.id).toBe(first.vehicle.id);
    expect((await vehicle(first.vehicle.id)).jobs.map(({ number }) => number)).toEqual([second.number, first.number]);
  });
});

describe('vehicles', () => {
  test('two entries of one vehicle become one: weighings, figures, papers; what both measured stays as said otherwise', async () => {
    const [a, b] = [await open('Salt Shed'), await open('Salt Shed', { registration: 'S 1' })];
    const measure = (job: JobSheet, value: number) =>
      ilse.send('put', `/jobs/${job.number}/vehicle-figures`, {
        figure: 'wheelbase',
        value,
        source: 'measured',
        since: null,
      });
    const answers = [await measure(a, 2150), await measure(b, 2165)];
    expect(
      answers.map(({ status }) => status),
      answers[0]!.text,
    ).toEqual([200, 200]);
    await ilse.send('post', `/files/about/vehicle/${b.vehicle.id}/named/plate`, Buffer.from('plate'), {
      'Content-Type': 'application/octet-stream',
    });
    const [stays, gone] = [await vehicle(a.vehicle.id), await vehicle(b.vehicle.id)];
    const merge = { into: stays.id, version: gone.version, intoVersion: stays.version };
    expect((await ilse.send('post', `/vehicles/${gone.id}/merge`, merge)).status).toBe(200);
    const now = (await ilse.get(`/jobs/${b.number}`)).body as JobSheet;
    expect(now.vehicle).toMatchObject({ id: stays.id, registration: 'S 1' });
    expect(now.vehicle.measured.wheelbase!.value).toBe(2165);
    expect(now.vehicle.claims[0]).toMatchObject({
      figure: 'wheelbase',
      value: 2150,
      whyNot: expect.stringMatching(/measured earlier/),
    });
    expect((await ilse.get(`/files/about/vehicle/${stays.id}`)).body.files).toHaveLength(1);
  });
  test('of different models are two vehicles, and a model is not changed under its designs', async () => {
    const van = (await ilse.job('Bakery van')).vehicle;
    const tug = (await ilse.job('Luggage tug')).vehicle;
    const [a, b] = [await vehicle(van.id), await vehicle(tug.id)];
    const merge = { into: b.id, version: a.version, intoVersion: b.version };
    expect((await ilse.send('post', `/vehicles/${a.id}/merge`, merge)).body.detail).toMatch(/different models/);
    const { name, clientId, chassisNumber, registration, builtYear, colour, version } = a;
    const body = { name, clientId, chassisNumber, registration, builtYear, colour, version };
    const other = await ilse.send('put', `/vehicles/${a.id}`, { ...body, variantId: b.variantId });
    expect(other.body.fields.variantId).toMatch(/designs that stand on its model/);
    expect(
      (await ilse.send('put', `/vehicles/${a.id}`, { ...body, variantId: a.variantId, colour: 'cream' })).status,
    ).toBe(200);
    expect((await vehicle(a.id)).colour).toBe('cream');
  });
  test('history of a vehicle is that of its jobs too, on the page and as a table', async () => {
    const { vehicle: van, number } = await ilse.job('Bakery van');
    const rows = (await ilse.get(`/vehicles/${van.id}/events`)).body;
    expect(new Set(rows.map(({ job }: { job: string }) => job))).toEqual(new Set([number]));
    expect(rows.some(({ what }: { what: string }) => what === 'changed the vehicle Bakery van')).toBe(true);
    const table = (await ilse.get(`/vehicles/${van.id}/events.csv`)).text.trim().split('\r\n');
    expect(table[0]).toBe('When (UTC),Who,Job,About,What');
    expect(table).toHaveLength(rows.length + 1);
    expect((await ilse.get(`/jobs/${number}/events.csv`)).text.split('\r\n')[0]).toBe(table[0]);
  });
});

describe('the data of a person', () => {
  const NAME = 'Quirine (Kiri) O’Vale';
  const MAIL = 'kiri.vale@example.org';
  let job: JobSheet;
  beforeAll(async () => {
    job = await open(NAME, {
      clientContact: `${MAIL}, +44 20 7946 0018`,
      title: 'Van for Quirine (Kiri) O’Vale',
      registration: 'KV 71 ALE',
      chassisNumber: 'WREN71KIRI',
    });
    const line = {
      kind: 'free',
      firm: false,
      amount: null,
      school: null,
      tolerance: null,
      text: `ring ${MAIL} first`,
      done: false,
    };
    expect((await ilse.send('post', `/jobs/${job.number}/brief`, line)).status).toBe(200);
    await ilse.send(
      'post',
      `/jobs/${job.number}/snags`,
      { text: `${NAME} hears a rattle` },
      { 'Idempotency-Key': 'kiri' },
    );
    await ilse.send('post', `/files/about/job/${job.id}/named/letter`, Buffer.from(`yours, ${NAME}`), {
      'Content-Type': 'application/octet-stream',
    });
    const inputs = { ...(await ilse.job('Ice-cream van')).designs[0]!.inputs };
    const design = await ilse.send('post', `/jobs/${job.number}/designs`, { name: `for ${NAME}`, inputs });
    await ilse.send('put', `/designs/${design.body.id}/sold`, { version: 1 });
    // Somebody else, whose name begins alike.
    await open('Quirine');
  });
  /** Every place of every table where a text stands. */
  async function found(trace: string): Promise<string[]> {
    const { rows: tables } = await sql("select tablename as t from pg_tables where schemaname = 'public'");
    const places: string[] = [];
    for (const { t } of tables) {
      const { rows } = await sql(`select count(*)::int as n from "${t}" x where position($1 in x::text) > 0`, [trace]);
      if (rows[0].n > 0) places.push(t);
    }
    return places;
  }
  test('goes out whole', async () => {
    const { id } = await client(NAME);
    const data = (await ilse.get(`/clients/${id}/data.json`)).body;
    expect(data.client.name).toBe(NAME);
    expect(data.jobs.map(({ number }: { number: string }) => number)).toEqual([job.number]);
    expect(data.files.map(({ name }: { name: string }) => name)).toEqual(['letter']);
    expect(data.brief[0].text).toContain(MAIL);
    expect((await soren.get(`/clients/${id}/data.json`)).status).toBe(403);
  });
  test('is not removed while a job is worked on', async () => {
    const { id, version } = await client(NAME);
    const answer = await ilse.send('post', `/clients/${id}/remove`, { version });
    expect([answer.status, answer.body.detail]).toEqual([
      422,
      `${job.number} is still worked on. Hand over or cancel first.`,
    ]);
  });
  test('leaves no trace in any table; figures stay', async () => {
    const { id, version } = await client(NAME);
    const traces = [NAME, MAIL, '+44 20 7946 0018', 'KV 71 ALE', 'WREN71KIRI'];
    for (const trace of traces) expect((await found(trace)).length, trace).toBeGreaterThan(0);
    const before = (await ilse.get(`/jobs/${job.number}`)).body as JobSheet;
    await end(job.number);
    const answer = await ilse.send('post', `/clients/${id}/remove`, { version });
    expect(answer.status, answer.text).toBe(200);
    for (const trace of traces) expect(await found(trace), trace).toEqual([]);
    expect(
      (await sql("select 1 from file_content where position(convert_to('Kiri', 'utf8') in body) > 0")).rows,
    ).toEqual([]);
    const after = (await ilse.get(`/jobs/${job.number}`)).body as JobSheet;
    expect(after.client).toMatchObject({ name: 'Removed client', contact: '' });
    expect(after.use).toEqual(before.use);
    expect(after.designs.map(({ inputs }) => inputs)).toEqual(before.designs.map(({ inputs }) => inputs));
    // Whoever else is called by a part of that name is still there.
    expect(await client('Quirine')).toBeDefined();
    const again = await ilse.send('put', `/clients/${id}`, { name: 'Kiri', contact: '', version: version + 1 });
    expect(again.body.detail).toMatch(/data of this client was removed/);
  });
  test('of somebody whose name is a word of the trade leaves models, parts, ids and fixed words alone', async () => {
    const words = ['Wren', 'modules', 'handedOver', 'brief', 'Ostrel'];
    const library = async () => (await ilse.get('/library')).text;
    const before = await library();
    const bakery = await ilse.job('Bakery van');
    for (const word of words) {
      const one = await open(word);
      await ilse.send('post', `/jobs/${one.number}/brief`, {
        ...{ kind: 'free', firm: false, amount: null, school: null, tolerance: null, done: false },
        text: `${word} will call`,
      });
      await end(one.number);
      const { id, version } = await client(word);
      const answer = await ilse.send('post', `/clients/${id}/remove`, { version });
      expect(answer.status, answer.text).toBe(200);
      const after = (await ilse.get(`/jobs/${one.number}`)).body as JobSheet;
      expect(after.brief[0]).toMatchObject({ kind: 'free', text: '(removed) will call' });
      expect([after.title, after.state]).toEqual(['Van of (removed)', 'handedOver']);
    }
    expect(await library()).toBe(before);
    const same = ({ stages: _, ...job }: JobSheet) => job;
    const now = await ilse.job('Bakery van');
    expect(same(now)).toEqual(same(bakery));
    expect(now.stages.map(({ name, note, steps }) => [name, note, steps])).toEqual(
      bakery.stages.map(({ name, note, steps }) => [name, note, steps]),
    );
    // A name of two words is plainly theirs, in the library too.
    await sql("insert into supplier (id, name) values ('hand', 'Quarry Hand Works')");
    const theirs = await open('Quarry Hand');
    await end(theirs.number);
    const { id, version } = await client('Quarry Hand');
    await ilse.send('post', `/clients/${id}/remove`, { version });
    expect((await sql("select name from supplier where id = 'hand'")).rows[0].name).toBe('(removed) Works');
  });
  test('what is written stays written for everything else', async () => {
    await expect(sql("update event set what = 'x' where id = (select min(id) from event)")).rejects.toThrow(
      /kept as it was/,
    );
    await expect(sql('delete from event')).rejects.toThrow(/kept as it was/);
  });
});

describe('what is known of vehicles', () => {
  test('is measured figures and the newest weighing, of those that have either, as their job has them', async () => {
    const known = (await ilse.get('/vehicles/figures')).body as VehicleKnown[];
    expect(known.length).toBeGreaterThan(0);
    const jobs = (await ilse.get('/jobs')).body as { number: string }[];
    const byVehicle = new Map(known.map((one) => [one.id, one]));
    for (const { number } of jobs) {
      const { vehicle: of } = (await ilse.get(`/jobs/${number}`)).body as JobSheet;
      const here = byVehicle.get(of.id);
      expect(Object.keys(here?.measured ?? {}).sort(), number).toEqual(Object.keys(of.measured).sort());
      for (const [figure, { value }] of Object.entries(of.measured))
        expect(here!.measured[figure as keyof typeof of.measured]!.value).toBe(value);
      expect(here?.weighing?.frontLeftKg ?? null, number).toBe(of.weighings[0]?.frontLeftKg ?? null);
    }
  });
});
