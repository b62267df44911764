import Papa from 'papaparse';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { HoursRow, HoursSheet, MyClock } from '../../contract/hours.ts';
import type { PersonRow } from '../../contract/people.ts';
import type { StageRow } from '../../contract/stages.ts';
import { dayAfter } from '../../wording/zoneDays.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
const HOUR = 3_600_000;
/** A Tuesday afternoon; the sample's own hours are years later. */
const NOW = new Date('2025-03-18T14:00:00Z');
const at = (hours: number) => new Date(NOW.getTime() + hours * HOUR).toISOString();
let ilse: Visitor;
let jory: Visitor;
let ravi: Visitor;
let ids: Map<string, string>;
let stage: StageRow;
let other: StageRow;
let number: string;

beforeAll(async () => {
  [ilse, jory, ravi] = [await shop.visitor('ilse'), await shop.visitor('jory'), await shop.visitor('ravi')];
  const people = (await ilse.get('/people')).body as PersonRow[];
  ids = new Map(people.map(({ id, signIn }) => [signIn, id]));
  const job = await ilse.job('Bakery van');
  number = job.number;
  stage = job.stages.find(({ key }) => key === 'rear-box')!;
  other = job.stages.find(({ key }) => key === 'clean')!;
});
beforeEach(async () => {
  await sql('delete from time_entry');
  shop.setNow(NOW);
});

const on = (who: Visitor, body: object = {}, headers = {}) =>
  who.send('post', `/stages/${stage.id}/clock-on`, { kind: 'work', cause: null, ...body }, headers);
const late = (who: Visitor, body: object = {}) =>
  who.send('post', '/hours', {
    ...{ personId: ids.get('jory'), stageId: stage.id, kind: 'work', cause: null, from: at(-3), to: at(-2) },
    ...{ why: 'the tablet was flat', ...body },
  });
const week = async (from = '2025-03-17', to = '2025-03-23') =>
  (await ilse.get(`/hours/${from}/${to}`)).body as HoursSheet;
const clock = async (who: Visitor) => (await who.get('/my/clock')).body as MyClock;

describe('hours entered late', () => {
  test('stand in the books with who entered them and why', async () => {
    expect((await late(jory)).status).toBe(200);
    const { entries, traces } = await week();
    expect(entries).toHaveLength(1);
    expect(entries[0]).toMatchObject({ person: 'Jory Opie', from: at(-3), to: at(-2), corrected: true });
    expect(traces[0]).toMatchObject({ by: 'Jory Opie', why: 'the tablet was flat', before: null });
    expect(traces[0]!.after).toMatchObject({ job: number, stage: stage.name, kind: 'work' });
  });
  test.each([
    [{ from: at(-2), to: at(-3) }, 'to', /not after/],
    [{ from: at(-1), to: at(1) }, 'to', /still to come/],
    [{ from: at(-40), to: at(-20) }, 'to', /16 hours/],
    [{ from: at(-24 * 70), to: at(-24 * 70 + 1) }, 'from', /settled/],
    [{ from: 'yesterday' }, 'from', /is not a time/],
    [{ from: '2025-02-30T10:00:00Z' }, 'from', /is not a time/],
    [{ kind: 'rework' }, 'cause', /needed/],
    [{ kind: 'waiting', cause: 'weather' }, 'cause', /needed/],
    [{ stageId: '00000000-0000-4000-8000-000000000000' }, 'stageId', /Choose a stage/],
    [{ why: '' }, 'why', /needed/],
  ])('%j is told at %s', async (body, field, sentence) => {
    const answer = await late(jory, body);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[field]).toMatch(sentence);
  });
  test('never overlap others of the same person; ends may meet', async () => {
    await late(jory);
    for (const [from, to] of [
      [-3, -2],
      [-3.5, -2.5],
      [-2.5, -1.5],
      [-2.6, -2.4],
      [-4, -1],
    ] as const) {
      const answer = await late(jory, { from: at(from), to: at(to) });
      expect(answer.status, `${from} to ${to}`).toBe(400);
      expect(answer.body.fields.from).toContain(`“${stage.name}” of ${number}`);
    }
    expect((await late(jory, { from: at(-2), to: at(-1) })).status).toBe(200);
    expect((await late(jory, { from: at(-4), to: at(-3) })).status).toBe(200);
    expect((await late(ilse, { personId: ids.get('ravi') })).status).toBe(200);
    // The database holds it by itself.
    await expect(
      sql('insert into time_entry (person_id, stage_id, kind, "from", "to") values ($1, $2, $3, $4, $5)', [
        ...[ids.get('jory'), stage.id, 'work', at(-2.5), at(-2.2)],
      ]),
    ).rejects.toThrow(/time_entry_apart/);
  });
  test('are one’s own, or anybody’s for a manager', async () => {
    const answer = await late(ravi);
    expect([answer.status, answer.body.detail]).toEqual([403, expect.stringMatching(/by a manager/)]);
    expect((await late(ilse)).status).toBe(200);
  });
});

describe('hours put right', () => {
  const entry = async (): Promise<HoursRow> => {
    await late(jory);
    return (await week()).entries[0]!;
  };
  const correct = (who: Visitor, row: HoursRow, body: object = {}) =>
    who.send('put', `/hours/${row.id}`, {
      ...{ stageId: row.stageId, kind: row.kind, cause: row.cause, from: row.from, to: row.to },
      ...{ why: 'was at the other', version: row.version, ...body },
    });
  test('keep what they were; a second from the same version is told so', async () => {
    const row = await entry();
    expect((await correct(jory, row, { to: at(-1) })).body).toEqual({ version: 2 });
    const stale = await correct(ilse, row, { to: at(-1.5) });
    expect([stale.status, stale.body.current.to]).toEqual([409, at(-1)]);
    const { entries, traces } = await week();
    expect(entries[0]).toMatchObject({ to: at(-1), version: 2 });
    expect(traces[0]).toMatchObject({ before: { to: at(-2) }, after: { to: at(-1) }, why: 'was at the other' });
    await expect(sql('update time_correction set why = $1', ['x'])).rejects.toThrow(/kept as it was written/);
  });
  test('may go to another stage, and hours of a stage follow', async () => {
    const row = await entry();
    const hours = async (key: string) =>
      (await ilse.job('Bakery van')).stages.find((one) => one.key === key)!.hoursClocked;
    expect(await hours('rear-box')).toBeCloseTo(1, 6);
    expect((await correct(jory, row, { stageId: other.id, kind: 'rework', cause: 'ownMistake' })).status).toBe(200);
    expect(await hours('rear-box')).toBe(0);
    expect(await hours('clean')).toBeCloseTo(1, 6);
  });
  test('struck out they are gone from the sums and stay in the trace', async () => {
    const row = await entry();
    expect((await ravi.send('post', `/hours/${row.id}/strike`, { why: 'not me', version: 1 })).status).toBe(403);
    expect((await jory.send('post', `/hours/${row.id}/strike`, { why: 'never was', version: 1 })).status).toBe(200);
    const { entries, traces } = await week();
    expect(entries).toEqual([]);
    expect(traces[0]).toMatchObject({ why: 'never was', after: null });
    expect((await jory.send('post', `/hours/${row.id}/strike`, { why: 'again', version: 1 })).status).toBe(404);
  });
  test('on the clock they may begin earlier or end, and go nowhere else', async () => {
    await on(jory);
    const row = (await clock(jory)).open!;
    expect((await correct(jory, row, { stageId: other.id })).body.fields.stageId).toMatch(/on the clock/);
    expect((await jory.send('post', `/hours/${row.id}/strike`, { why: 'oops', version: 1 })).status).toBe(422);
    expect((await correct(jory, row, { from: at(-1) })).status).toBe(200);
    expect((await correct(jory, { ...row, version: 2 }, { from: at(-1), to: at(-0.5) })).status).toBe(200);
    expect((await clock(jory)).open).toBeNull();
  });
});

describe('a clock left running', () => {
  test('is asked about next day: until then nothing else is begun, and then it ends when they say', async () => {
    shop.setNow(new Date('2025-03-17T15:00:00Z'));
    expect((await on(jory)).status).toBe(200);
    expect((await clock(jory)).forgotten).toBe(false);
    shop.setNow(NOW);
    const { forgotten, open } = await clock(jory);
    expect(forgotten).toBe(true);
    const again = await jory.send('post', `/stages/${other.id}/clock-on`, {
      ...{ kind: 'rework', cause: 'ownMistake', leave: true },
    });
    expect([again.status, again.body.detail]).toEqual([422, expect.stringMatching(/Say first when you stopped/)]);
    const say = (who: Visitor, to: string) => who.send('post', '/my/forgotten', { entryId: open!.id, to });
    expect((await say(ravi, '2025-03-17T16:30:00Z')).status).toBe(422);
    expect((await say(jory, '2025-03-17T14:00:00Z')).body.fields.to).toMatch(/not after/);
    expect((await say(jory, at(1))).body.fields.to).toMatch(/still to come/);
    expect((await say(jory, '2025-03-17T16:30:00Z')).status).toBe(200);
    expect((await say(jory, '2025-03-17T16:40:00Z')).body.detail).toMatch(/ended already/);
    const { entries, traces } = await week();
    expect(entries.map(({ from, to }) => [from, to])).toEqual([
      ['2025-03-17T15:00:00.000Z', '2025-03-17T16:30:00.000Z'],
    ]);
    expect(traces[0]).toMatchObject({ why: 'forgot to clock off', before: { to: null } });
  });
});

describe('leaving, and going on', () => {
  test('changing to another stage ends one and begins the other at the same moment', async () => {
    await on(jory);
    shop.setNow(new Date(at(1)));
    const body = { kind: 'rework', cause: 'ownMistake' };
    const path = `/stages/${other.id}/clock-on`;
    expect((await jory.send('post', path, body)).body.detail).toMatch(/Clock off there first/);
    expect((await jory.send('post', path, { ...body, leave: true })).status).toBe(200);
    const { entries } = await week();
    expect(entries.map(({ stageId, from, to }) => [stageId, from, to])).toEqual([
      [stage.id, at(0), at(1)],
      [other.id, at(1), null],
    ]);
  });
  test('one that is refused leaves them where they were', async () => {
    await on(jory);
    const later = (await ilse.job('Bakery van')).stages.at(-1)!;
    const answer = await jory.send('post', `/stages/${later.id}/clock-on`, { kind: 'work', cause: null, leave: true });
    expect([answer.status, answer.body.detail]).toEqual([422, expect.stringMatching(/^First finish/)]);
    expect((await clock(jory)).open).toMatchObject({ stageId: stage.id });
  });
  test('a break remembers where they mean to go on', async () => {
    shop.setNow(null);
    await on(jory);
    await jory.send('post', '/clock-off', { pause: true });
    expect(await clock(jory)).toMatchObject({ open: null, paused: { stageId: stage.id } });
    await on(jory);
    await jory.send('post', '/clock-off', {});
    expect((await clock(jory)).paused).toBeNull();
  });
});

describe('what was done before it could be told', () => {
  let joryId = '';
  let raviId = '';
  beforeAll(async () => {
    joryId = (await jory.get('/session')).body.person.id;
    raviId = (await ravi.get('/session')).body.person.id;
  });
  const told = (made: string, sent: string, by = joryId) => ({
    ...{ 'Dajo-Made-At': made, 'Dajo-Clock': sent },
    'Dajo-Person': by,
  });
  test('is stored under the name of whoever did it, or not at all, whoever is signed in when it comes', async () => {
    const count = async () => (await shop.pool().query('select count(*)::int as n from time_entry')).rows[0].n;
    const before = await count();
    for (const visitor of [ilse, await shop.visitor('odo')]) {
      const answer = await on(visitor, {}, told(at(-0.5), at(0)));
      expect([answer.status, answer.body.type]).toEqual([409, '/problems/another']);
    }
    const nobody = await on(jory, {}, { 'Dajo-Made-At': at(-0.5), 'Dajo-Clock': at(0) });
    expect([nobody.status, nobody.body.detail]).toEqual([400, expect.stringMatching(/Who did this/)]);
    expect(await count()).toBe(before);
    // The same holds for anything a page sends that says whose it is.
    const typed = await ilse.send(
      'post',
      `/jobs/${(await ilse.job('Bakery van')).number}/snags`,
      { text: 'x' },
      { 'Dajo-Person': joryId },
    );
    expect([typed.status, typed.body.type]).toEqual([409, '/problems/another']);
  });
  test('counts from when it was done, though the tablet’s clock is three hours off', async () => {
    // Done 40 minutes ago; the tablet shows 17:00 where it is 14:00.
    expect((await on(jory, {}, told('2025-03-18T16:20:00Z', '2025-03-18T17:00:00Z'))).status).toBe(200);
    expect((await clock(jory)).open!.from).toBe('2025-03-18T13:20:00.000Z');
    const off = await jory.send('post', '/clock-off', {}, told('2025-03-18T16:50:00Z', '2025-03-18T17:00:01Z'));
    expect(off.status).toBe(200);
    expect((await week()).entries[0]).toMatchObject({ to: '2025-03-18T13:49:59.000Z' });
  });
  test('is refused plainly where the books have them elsewhere after it, or nobody could know any more', async () => {
    await late(jory, { from: at(-1), to: at(-0.25) });
    const answer = await on(jory, {}, told(at(-0.5), at(0)));
    expect([answer.status, answer.body.detail]).toEqual([422, expect.stringMatching(/have you elsewhere after/)]);
    const old = await on(jory, {}, told(at(-24 * 7), at(0)));
    expect([old.status, old.body.detail]).toEqual([422, expect.stringMatching(/six days/)]);
    expect((await on(jory, {}, told('noon', 'now'))).status).toBe(400);
    // What came a moment after hours that were told a moment late begins where they end.
    expect((await on(jory, {}, told(at(-0.26), at(0)))).status).toBe(200);
    expect((await clock(jory)).open!.from).toBe(at(-0.25));
  });
  test('clocking off before they clocked on where they are now ends nothing', async () => {
    await on(jory);
    const off = await jory.send('post', '/clock-off', {}, told(at(-1), at(0)));
    expect([off.status, off.body.detail]).toEqual([422, expect.stringMatching(/after that.*still there/)]);
    expect((await clock(jory)).open).toMatchObject({ from: at(0), to: null });
  });
  test('finished then, others on it worked on until it was told', async () => {
    await sql("update stage set state = 'inHand' where id = $1", [stage.id]);
    await sql(
      "insert into reading (step_id, value, verdict, by_id, at) select id, coalesce(limit_min, 1), 'within', $2, $3 from step where stage_id = $1",
      [stage.id, ids.get('jory'), at(-5)],
    );
    expect((await on(jory, {}, told(at(-3), at(0)))).status).toBe(200);
    expect((await on(ravi, {}, told(at(-3), at(0), raviId))).status).toBe(200);
    const done = await jory.send('post', `/stages/${stage.id}/finish`, { version: null }, told(at(-1), at(0)));
    expect(done.status).toBe(200);
    const ends = (await week()).entries.map(({ person, to }) => [person, to]);
    expect(ends.sort()).toEqual([
      ['Jory Opie', at(-1)],
      ['Ravi Dunmore', at(0)],
    ]);
    await sql("update stage set state = 'inHand', finished_at = null, finished_by_id = null where id = $1", [stage.id]);
  });
  test('what was read before the newest reading, and comes in after it, lifts no stop', async () => {
    await sql('delete from reading where step_id in (select id from step where stage_id = $1)', [stage.id]);
    const step = stage.steps.find(({ limit }) => limit)!;
    const good = step.limit!.min ?? step.limit!.max!;
    const read = (who: Visitor, value: number, headers = {}) =>
      who.send('post', `/steps/${step.id}/readings`, { value }, headers);
    await on(jory, {}, told(at(-3), at(0)));
    await on(ravi, {}, told(at(-3), at(0), raviId));
    expect((await read(ravi, 1e6, told(at(-1), at(0), raviId))).body.verdict).not.toBe('within');
    const earlier = await read(jory, good, told(at(-2), at(0)));
    expect([earlier.status, earlier.body.detail]).toEqual([
      422,
      expect.stringMatching(/Ravi Dunmore has read this after/),
    ]);
    const stateNow = async () => (await ilse.job('Bakery van')).stages.find(({ id }) => id === stage.id)!.state;
    expect(await stateNow()).toBe('stopped');
    expect((await read(jory, good, told(at(-0.5), at(0)))).body.verdict).toBe('within');
    expect(await stateNow()).toBe('inHand');
  });
  test('the same act sent again is the first one, whatever the clock shows by then', async () => {
    const key = { 'Idempotency-Key': 'act-77' };
    const first = await on(jory, {}, { ...key, ...told(at(-1), at(0)) });
    const second = await on(jory, {}, { ...key, ...told(at(-1), at(0.1)) });
    expect([first.status, second.status]).toEqual([200, 200]);
    expect((await week()).entries).toHaveLength(1);
  });
});

describe('hours as a table', () => {
  test('are cut at midnight of the workshop, through the change of the clock', async () => {
    // The sample is in a zone of the European Union: clocks go forward on 30 March 2025 at 01:00 UTC.
    shop.setNow(new Date('2025-03-30T12:00:00Z'));
    const zone = (await ilse.get('/session')).body.workshop.timeZone as string;
    await late(jory, { from: '2025-03-29T21:00:00Z', to: '2025-03-30T04:00:00Z' });
    const answer = await ilse.get('/hours/2025-03-29/2025-03-30/hours.csv');
    const rows = Papa.parse<Record<string, string>>(answer.text.trim(), { header: true }).data;
    expect(rows.map((row) => row.Day)).toEqual(['2025-03-29', dayAfter('2025-03-29')]);
    expect(rows.reduce((sum, row) => sum + Number(row.Hours), 0)).toBeCloseTo(7, 5);
    const local = (iso: string) =>
      new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeStyle: 'short' }).format(new Date(iso));
    expect([rows[0]!.From, rows[1]!.To]).toEqual([local('2025-03-29T21:00:00Z'), local('2025-03-30T04:00:00Z')]);
    expect([rows[0]!.To, rows[1]!.From]).toEqual(['00:00', '00:00']);
  });
  test('are for managers, and for a stretch that makes sense', async () => {
    expect((await jory.get('/hours/2025-03-17/2025-03-23/hours.csv')).status).toBe(403);
    expect((await ilse.get('/hours/2025-03-23/2025-03-17')).body.fields.to).toMatch(/not before the first/);
    expect((await ilse.get('/hours/2020-01-01/2025-03-17')).status).toBe(400);
    expect((await ilse.get('/hours/2025-3-1/2025-03-17')).status).toBe(404);
  });
});
