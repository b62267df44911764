import { beforeAll, describe, expect, test } from 'vitest';
import type { ConditionSheet } from '../../contract/condition.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let soren: Visitor;
let jory: Visitor;
let number: string;
let stageId: string;
let stepId: string;
beforeAll(async () => {
  await sql('update time_entry set "to" = greatest("from", now()) where "to" is null');
  [ilse, soren, jory] = [await shop.visitor('ilse'), await shop.visitor('soren'), await shop.visitor('jory')];
  const job = await ilse.job('School minibus');
  number = job.number;
  const stage = job.stages.find(({ liveHv }) => liveHv)!;
  [stageId, stepId] = [stage.id, stage.steps[0]!.id];
  await sql(
    "update stage set state = 'done', finished_at = now(), finished_by_id = (select id from person limit 1) where job_id = $1 and state <> 'done' and id <> $2",
    [job.id, stageId],
  );
  for (const who of [soren, jory]) await who.send('post', `/stages/${stageId}/clock-on`, { kind: 'work', cause: null });
});
const sheet = async () => (await ilse.get(`/jobs/${number}/condition`)).body as ConditionSheet;
const post = (who: Visitor, path: string, body: object = {}) => who.send('post', path, body);
const confirm = () => post(soren, `/stages/${stageId}/confirm-live`);

describe('the service switch', () => {
  test('locked open it holds live work up, and takes back what was confirmed', async () => {
    expect((await confirm()).status).toBe(200);
    const locked = await post(jory, `/jobs/${number}/service-lock`, { key: 'with Jory' });
    expect(locked.status).toBe(200);
    expect((await post(soren, `/jobs/${number}/service-lock`, { key: '' })).body.detail).toMatch(/already/);
    expect(await sheet()).toMatchObject({ lock: { by: 'Jory Opie', key: 'with Jory' } });
    expect((await ilse.job('School minibus')).stages.find(({ id }) => id === stageId)!.hvConfirmed).toBe(false);
    expect((await confirm()).body.detail).toMatch(/locked open by Jory Opie/);
    expect((await post(soren, `/steps/${stepId}/readings`, { value: 500 })).body.detail).toMatch(/locked open/);
  });
  test('is unlocked by who locked it; by a manager only with how they know', async () => {
    const { lock } = await sheet();
    const off = (who: Visitor, why = '') => post(who, `/service-locks/${lock!.id}/off`, { why });
    expect((await off(soren)).body.detail).toMatch(/Only who locked it/);
    expect((await off(ilse)).body.fields.why).toMatch(/nobody works behind it/);
    expect((await off(jory)).status).toBe(200);
    expect((await off(jory)).body.detail).toMatch(/off already/);
    expect((await sheet()).lock).toBeNull();
    expect((await confirm()).status).toBe(200);
    await post(jory, `/jobs/${number}/service-lock`, { key: '' });
    const again = (await sheet()).lock!;
    expect(
      (await post(ilse, `/service-locks/${again.id}/off`, { why: 'Jory is at home, the pit is empty' })).status,
    ).toBe(200);
  });
});

describe('the arrival inspection', () => {
  const look = (what: string, points: object, kind = 'connector') =>
    post(jory, `/jobs/${number}/inspections`, { kind, what, points, note: '' });
  test('that failed holds live work up until it is looked at again', async () => {
    expect((await confirm()).status).toBe(200);
    expect((await look('X12 charger', { pin: 'failed', wire: 'good' })).status).toBe(200);
    expect((await confirm()).body.detail).toMatch(/inspection of X12 charger failed/);
    expect((await look('X13 pump', { pin: 'good' })).status).toBe(200);
    expect((await confirm()).status).toBe(422);
    expect((await look('X12 charger', { pin: 'good', crimp: 'good' })).status).toBe(200);
    expect((await confirm()).status).toBe(200);
    // The sample has looked at others before.
    const own = (await sheet()).inspections.map(({ what }) => what).filter((what) => /^X1\d /.test(what));
    expect(own).toEqual(['X12 charger', 'X13 pump', 'X12 charger']);
    await expect(sql("update inspection set what = 'x'")).rejects.toThrow(/kept as it was written/);
  });
  test.each([
    [{}, 'points', /nothing yet/],
    [{ pin: null }, 'points', /nothing yet/],
    [{ torque: 'good' }, 'points', /does not have/],
    [{ pin: 'so so' }, 'points.pin', /not one of the choices/],
    [{ shine: 'good' }, 'points.shine', /not known/],
  ])('of %j is told so', async (points, field, sentence) => {
    const answer = await look('X1', points);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[field]).toMatch(sentence);
  });
});

describe('custody', () => {
  const out = (body: object = {}) =>
    post(jory, `/jobs/${number}/custody`, {
      holder: 'Quay Paint',
      what: 'doors',
      dueBack: null,
      list: ['keys', 'papers'],
      ...body,
    });
  test('is with one at a time, until it is back with its list', async () => {
    const there = (await sheet()).custody.find(({ backAt }) => backAt === null)!;
    expect((await out()).body.detail).toMatch(/Quay Cooling has it/);
    await post(jory, `/custody/${there.id}/back`, { back: there.list.map(() => true), note: '' });
    expect((await out({ dueBack: '2020-01-01T10:00:00Z' })).body.fields.dueBack).toMatch(/behind us/);
    expect((await out({ dueBack: 'Friday' })).body.fields.dueBack).toMatch(/not a time/);
    const due = new Date(Date.now() + 3 * 86_400_000).toISOString();
    const { id } = (await out({ dueBack: due })).body;
    expect((await out()).body.detail).toMatch(/Quay Paint has it/);
    const back = (list: boolean[], note = '') => post(jory, `/custody/${id}/back`, { back: list, note });
    expect((await back([true])).body.fields.back).toMatch(/each thing/);
    expect((await back([true, false])).body.fields.note).toMatch(/papers/);
    expect((await back([true, false], 'sent by post')).status).toBe(200);
    expect((await back([true, true])).body.detail).toMatch(/back already/);
    const [row] = (await sheet()).custody;
    expect(row).toMatchObject({
      backBy: 'Jory Opie',
      list: [
        { what: 'keys', back: true },
        { what: 'papers', back: false },
      ],
    });
  });
});

describe('settings and the dash', () => {
  test('each version of settings is kept, the newest first', async () => {
    const set = (values: object, why = 'as the design has it') =>
      post(jory, `/jobs/${number}/settings`, { unit: 'controller', firmware: '2.1', values, why });
    expect((await set({ maxTorqueNm: 180 })).status).toBe(200);
    expect((await set({ maxTorqueNm: 150, emptyV: 280 }, 'softer, as the client asked')).status).toBe(200);
    expect((await set({})).body.fields.values).toBeDefined();
    expect((await set({ 'no such!': 1 })).status).toBe(400);
    expect((await set({ maxTorqueNm: 'much' })).status).toBe(400);
    expect((await set({ maxTorqueNm: 1 }, '')).body.fields.why).toMatch(/needed/);
    expect((await sheet()).settings.map(({ values }) => values)).toEqual([
      { maxTorqueNm: 150, emptyV: 280 },
      { maxTorqueNm: 180 },
    ]);
    await expect(sql("update settings_version set why = 'x'")).rejects.toThrow(/kept as it was written/);
  });
  test('a dial is changed by version, and taken off once', async () => {
    const body = {
      kind: 'dial',
      name: 'Fuel',
      signal: 'charge',
      driver: 'gauge driver',
      face: 'blue',
      unit: '%',
      points: [],
      tolerance: 0.05,
    };
    const { id } = (await post(jory, `/jobs/${number}/dash`, body)).body;
    const points = [0, 25, 50, 75, 100].map((signal) => ({ signal, shown: signal + 1 }));
    const change = (version: number, more: object = {}) =>
      jory.send('put', `/dash/${id}`, { ...body, points, version, ...more });
    expect((await change(1)).body).toEqual({ version: 2 });
    expect((await change(1)).status).toBe(409);
    expect((await change(2, { points: [...points, points[0]] })).status).toBe(400);
    expect((await sheet()).dash[0]).toMatchObject({ name: 'Fuel', points, version: 2 });
    expect((await post(jory, `/dash/${id}/drop`)).status).toBe(200);
    expect((await post(jory, `/dash/${id}/drop`)).body.detail).toMatch(/already/);
    expect((await change(2)).body.detail).toMatch(/taken off/);
    expect((await sheet()).dash).toEqual([]);
  });
});
