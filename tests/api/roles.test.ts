import { beforeAll, describe, expect, test } from 'vitest';
import { LEAST_ROLE, ROLES } from '../../contract/rights.ts';
import { ENDPOINTS } from '../../server/endpoints.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const visitors: Record<string, Visitor> = {};
const NOWHERE = '00000000-0000-4000-8000-000000000000';

beforeAll(async () => {
  for (const [role, name] of [
    ['viewer', 'odo'],
    ['technician', 'mabel'],
    ['manager', 'ilse'],
  ] as const)
    visitors[role] = await shop.visitor(name);
});

describe('every address holds its role, for each role', () => {
  for (const { method, path, may } of ENDPOINTS) {
    for (const role of ROLES) {
      const allowed = ROLES.indexOf(role) >= ROLES.indexOf(may);
      test(`${method} ${path}: ${role} ${allowed ? 'may' : 'may not'}`, async () => {
        const address = path
          .replace(':number', '99-999')
          .replace(/:id|:of/, NOWHERE)
          .replace(':about', 'job');
        const who = visitors[role]!;
        const answer = method === 'get' ? await who.get(address) : await who.send(method, address, {});
        if (allowed) expect(answer.status).not.toBe(403);
        else {
          expect(answer.status).toBe(403);
          expect(answer.body).toMatchObject({
            type: '/problems/notAllowed',
            detail: `This is for a ${may}; you are signed in as ${role}.`,
          });
        }
        expect(answer.status).toBeLessThan(500);
      });
    }
  }
});

test('what an address does to a job and who may do it are said once', () => {
  const acting = ENDPOINTS.filter((one) => one.act);
  expect(acting.length).toBeGreaterThan(20);
  for (const { method, path, may, act } of acting) expect(may, `${method} ${path}`).toBe(LEAST_ROLE[act!]);
  // Whatever changes something of a job says what it does, so that the job's state can refuse it.
  const silent = ENDPOINTS.filter((one) => one.method !== 'get' && !one.act).map((one) => `${one.method} ${one.path}`);
  expect(silent).toEqual([
    'put /preferences',
    'put /workshop',
    'post /backups',
    'post /people',
    'put /people/:id',
    'put /people/:id/active',
    'post /people/:id/invitations',
    'post /people/:id/authorisations',
    'post /authorisations/:id/end',
    'put /my/password',
    'delete /my/sessions',
    'post /variants',
    'put /variants/:variant',
    'post /models/table',
    'post /models/taken-in/:id/undo',
    'post /components',
    'put /components/:component',
    'post /components/:kind/table',
    'post /components/taken-in/:id/undo',
    'post /basics',
    'put /floor/plan',
    'put /clients/:id',
    'post /clients/:id/merge',
    'post /clients/:id/remove',
    'put /vehicles/:id',
    'post /vehicles/:id/merge',
    'post /jobs',
    'post /jobs/:number/client-page',
    'post /jobs/:number/client-page/close',
    'post /client-questions/:id/answer',
    'put /jobs/:number/released',
    'post /own-vehicles',
    'put /own-vehicles/:id',
    'post /own-vehicles/:id/sell',
    'put /stores/items/:component',
    'post /stores/items/:component/move',
    'post /stores/goods-in',
    'post /stores/bins',
    'put /stores/bins/:id',
    'post /stores/bins/:id/count',
    'put /stores/numbers/:id',
    'post /stores/items/:component/numbers',
    'post /stores/packs',
    'post /stores/packs/:id/modules',
    'post /stores/packs/:id/move',
    'post /stores/take',
    'post /stores/numbers/:id/refurbishing',
    'post /refurbishing/:id/parts',
    'post /refurbishing/:id/hours',
    'post /refurbishing/:id/end',
    'post /stores/numbers/:id/gradings',
    'post /stores/hold',
    'post /purchases',
    'put /purchases/:purchase',
    'post /purchases/:purchase/send',
    'post /purchases/:purchase/confirm',
    'post /purchases/:purchase/receive',
    'post /purchases/:purchase/drop',
    'post /purchases/:purchase/send-back',
    'post /purchases/:purchase/cancel',
    'post /purchases/:purchase/invoices',
    'post /purchase-invoices/:id/settle',
    'put /suppliers/:supplier',
    'post /suppliers/:supplier/notes',
    'post /supplier-notes/:id/end',
    'post /offer-rounds',
    'post /offer-rounds/:id/offers',
    'post /suppliers/:supplier/prices',
    'post /price-lists/:id/undo',
    'post /sales',
    'put /sales/:sale',
    'post /sales/:sale/sell',
    'post /sales/:sale/cancel',
    'post /my/forgotten',
    'post /hours',
    'put /hours/:entry',
    'post /hours/:entry/strike',
    'post /tools',
    'put /tools/:id',
    'post /tools/:id/hold',
    'post /tools/:id/out',
    'post /kits/file',
    'post /kits',
    'put /kits/:kit',
    'post /kits/:kit/revisions',
    'put /kit-revisions/:revision',
    'post /kit-revisions/:revision/read',
    'post /kit-revisions/:revision/release',
    'post /kit-revisions/:revision/withdraw',
    'post /kits/:kit/wishes',
    'post /kit-wishes/:id/end',
    'post /orders',
    'put /orders/:order',
    'post /orders/:order/cancel',
    'put /order-lines/:id/count',
    'put /order-lines/:id/serials',
    'put /orders/:order/crates',
    'put /orders/:order/papers',
    'post /orders/:order/send',
    'post /orders/:order/link',
    'post /orders/:order/revoke',
    'post /order-readings/:id/allow',
    'post /order-questions/:id/answer',
    'post /approvals',
    'post /approvals/:id/end',
    'post /stage-templates',
    'put /stage-templates/:id',
    'post /stage-templates/:id/drop',
    'post /lessons/:id/settle',
    'post /kits/:kit/estimates',
    'post /files/about/:about/:of/named/:name',
    'put /files/:id',
    'post /my/calendars',
    'post /my/calendars/:id/close',
    'post /people/:id/absences/many',
    'post /work-plan',
    'post /work-plan/changes',
    'post /work-plan/undo',
    'post /scenarios',
    'post /scenarios/:id/throw-away',
    'post /scenarios/:id/adopt',
    'post /people/:id/absences',
    'post /absences/:id/drop',
  ]);
});

describe('the floor adds up', () => {
  test('hours of a job are the hours of its entries, open ones until now', async () => {
    const floor = (await visitors.viewer!.get('/floor')).body;
    const { rows } = await shop.pool().query(
      `select j.number, sum(extract(epoch from coalesce(t."to", now()) - t."from")) / 3600 as hours
       from time_entry t join stage s on s.id = t.stage_id join job j on j.id = s.job_id group by j.number`,
    );
    for (const job of floor.jobs) {
      const expected = Number(rows.find((row) => row.number === job.number)?.hours ?? 0);
      expect(job.hoursClocked, job.number).toBeCloseTo(expected, 1);
    }
  });
  test('today’s hours split into work, live work and rework', async () => {
    await shop.pool().query('update time_entry set "to" = now() where "to" is null');
    await shop.pool().query(`delete from time_entry where "from" > now() - interval '2 days'`);
    const [stage] = (await shop.pool().query("select id from stage where live_hv and state <> 'done' limit 1")).rows;
    const [plain] = (await shop.pool().query('select id from stage where not live_hv limit 1')).rows;
    const noon = new Date(`${new Date().toISOString().slice(0, 10)}T00:30:00Z`);
    const add = (stageId: string, kind: string, cause: string | null, minutes: number, after = 0) =>
      shop
        .pool()
        .query(
          `insert into time_entry (person_id, stage_id, kind, cause, "from", "to") select id, $1, $2, $3, $4::timestamptz, $4::timestamptz + $5 * interval '1 minute' from person where sign_in = 'soren'`,
          [stageId, kind, cause, new Date(noon.getTime() + after * 60_000), minutes],
        );
    await add(stage.id, 'work', null, 90);
    await add(plain.id, 'work', null, 60, 90);
    await add(plain.id, 'rework', 'ownMistake', 30, 150);
    const floor = (await visitors.viewer!.get('/floor')).body;
    const soren = floor.people.find((person: { name: string }) => person.name === 'Soren Adaro');
    expect(soren).toMatchObject({ hoursPlanned: 7.5 });
    expect(soren.liveHours).toBeCloseTo(1.5, 6);
    expect(soren.workHours).toBeCloseTo(1, 6);
    expect(soren.reworkHours).toBeCloseTo(0.5, 6);
    expect(floor.onTheClock).toEqual([]);
  });
  test('signed checks count once, by their newest verdict', async () => {
    const before = (await visitors.viewer!.get('/floor')).body.jobs.find(
      (job: { title: string }) => job.title === 'Fire tender',
    ).checksSigned;
    const job = await visitors.technician!.job('Fire tender');
    await visitors.technician!.send('post', `/jobs/${job.number}/checks`, { checkId: 'clearance', value: 3, note: '' });
    const after = (await visitors.viewer!.get('/floor')).body.jobs.find(
      (one: { title: string }) => one.title === 'Fire tender',
    ).checksSigned;
    expect(after).toBe(before - 1);
  });
});

test('a repeated clock-on with the same key is the first one, not a fault', async () => {
  const job = await visitors.technician!.job('Mobile library');
  const stage = job.stages.find((s) => s.state === 'inHand')!;
  const headers = { 'Idempotency-Key': 'clock-1' };
  const body = { kind: 'work', cause: null };
  const first = await visitors.technician!.send('post', `/stages/${stage.id}/clock-on`, body, headers);
  const second = await visitors.technician!.send('post', `/stages/${stage.id}/clock-on`, body, headers);
  expect([first.status, second.status]).toEqual([200, 200]);
  expect(second.body).toEqual(first.body);
  const third = await visitors.technician!.send('post', `/stages/${stage.id}/clock-on`, body);
  expect(third.status).toBe(422);
  await visitors.technician!.send('post', '/clock-off');
});
