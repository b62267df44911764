import request from 'supertest';
import { describe, expect, test } from 'vitest';
import type { SessionInfo } from '../../contract/session.ts';
import { DEMO_PASSWORD } from '../../server/config.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();

async function fresh() {
  const agent = request.agent(shop.app());
  const { body, headers } = await agent.get('/api/session');
  return { agent, info: body as SessionInfo, headers };
}

describe('signing in', () => {
  test('the sign-in page lists the people of the sample, nobody is signed in', async () => {
    const { info } = await fresh();
    expect(info.person).toBeNull();
    expect(info.demoSignIns).toHaveLength(8);
    expect(info.demoPassword).toBe(DEMO_PASSWORD);
  });
  test('a visit that is not signed in leaves no cookie and no row', async () => {
    const before = (await shop.pool().query('select count(*)::int as n from session')).rows[0].n;
    for (let i = 0; i < 3; i++) expect((await fresh()).headers['set-cookie']).toBeUndefined();
    expect((await shop.pool().query('select count(*)::int as n from session')).rows[0].n).toBe(before);
  });
  test('the cookie cannot be read by scripts and stays on this site', async () => {
    const { agent, info } = await fresh();
    const { headers } = await agent
      .post('/api/session')
      .set('X-CSRF-Token', info.csrfToken)
      .send({ signIn: 'odo', password: DEMO_PASSWORD });
    const cookie = String(headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Lax/i);
  });
  test('right name and password give the person with role and authorisation', async () => {
    const { agent, info } = await fresh();
    const answer = await agent
      .post('/api/session')
      .set('X-CSRF-Token', info.csrfToken)
      .send({ signIn: ' Soren ', password: DEMO_PASSWORD });
    expect(answer.status).toBe(200);
    expect(answer.body.person).toMatchObject({ name: 'Soren Adaro', role: 'technician' });
    expect(answer.body.person.hvUntil).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect(JSON.stringify(answer.body)).not.toContain('argon2');
  });
  test('a change without the token is refused', async () => {
    const { agent } = await fresh();
    const answer = await agent.post('/api/session').send({ signIn: 'ilse', password: DEMO_PASSWORD });
    expect(answer.status).toBe(403);
    expect(answer.body).toMatchObject({ type: '/problems/csrf', status: 403 });
    expect(answer.headers['content-type']).toContain('application/problem+json');
  });
  test('signing out ends it', async () => {
    const ilse = await shop.visitor('ilse');
    expect((await ilse.get('/jobs')).status).toBe(200);
    await ilse.send('delete', '/session');
    const answer = await ilse.get('/jobs');
    expect(answer.status).toBe(401);
    expect(answer.body.type).toBe('/problems/signInNeeded');
  });
  test('passwords are stored as argon2id', async () => {
    const { rows } = await shop.pool().query('select password_hash from person');
    for (const row of rows) expect(row.password_hash).toMatch(/^\$argon2id\$/);
  });
  test('a person switched off is signed out at once', async () => {
    const odo = await shop.visitor('odo');
    await shop.pool().query("update person set active = false where sign_in = 'odo'");
    expect((await odo.get('/floor')).status).toBe(401);
    await shop.pool().query("update person set active = true where sign_in = 'odo'");
  });
  test('units are kept with the person', async () => {
    const petra = await shop.visitor('petra');
    expect((await petra.send('put', '/preferences', { unitSet: 'uk' })).body).toEqual({ unitSet: 'uk' });
    expect(((await petra.get('/session')).body as SessionInfo).person?.unitSet).toBe('uk');
    expect((await petra.send('put', '/preferences', { unitSet: 'cubits' })).body.fields).toEqual({
      unitSet: 'Units is not one of the choices.',
    });
  });
});

describe('roles on every route', () => {
  test('a viewer may look and not change', async () => {
    const odo = await shop.visitor('odo');
    const job = await odo.job('Bakery van');
    expect(job.number).toMatch(/^\d{2}-\d{3}$/);
    const stage = job.stages.find((s) => s.state === 'inHand')!;
    for (const path of [
      `/stages/${stage.id}/clock-on`,
      '/clock-off',
      `/jobs/${job.number}/snags`,
      `/jobs/${job.number}/checks`,
    ]) {
      const answer = await odo.send('post', path, {});
      expect(answer.status, path).toBe(403);
      expect(answer.body.detail).toContain('viewer');
    }
  });
  test('a technician opens no jobs and lets no reading stand', async () => {
    const jory = await shop.visitor('jory');
    expect((await jory.send('post', '/jobs', {})).status).toBe(403);
    const job = await jory.job('Bakery van');
    expect(
      (await jory.send('post', `/steps/${job.stages[5]!.steps[0]!.id}/decision`, { reason: 'looks fine' })).status,
    ).toBe(403);
    expect((await jory.send('post', `/jobs/${job.number}/stages/from-kit`, {})).status).toBe(403);
  });
  test('nobody signed in gets nothing', async () => {
    const { agent, info } = await fresh();
    for (const path of ['/floor', '/jobs', '/library', '/events', '/jobs/26-101'])
      expect((await agent.get(`/api${path}`)).status, path).toBe(401);
    expect((await agent.post('/api/clock-off').set('X-CSRF-Token', info.csrfToken).send({})).status).toBe(401);
  });
});

test('wrong passwords run into the limit, with a sentence each time', async () => {
  const { agent, info } = await fresh();
  const wrong = () =>
    agent.post('/api/session').set('X-CSRF-Token', info.csrfToken).send({ signIn: 'ilse', password: 'salt' });
  const first = await wrong();
  expect(first.status).toBe(401);
  expect(first.body.detail).toBe('Name and password do not belong together. Try again.');
  const unknown = await agent
    .post('/api/session')
    .set('X-CSRF-Token', info.csrfToken)
    .send({ signIn: 'nobody', password: 'salt' });
  expect(unknown.body.detail).toBe(first.body.detail);
  const statuses = [];
  for (let i = 0; i < 5; i++) statuses.push((await wrong()).status);
  expect(statuses).toContain(429);
});

test('guessing at one’s own password ends like guessing at the door, and the right one does not count', async () => {
  const soren = await shop.visitor('soren');
  const change = (now: string) => soren.send('put', '/my/password', { now, next: 'reed and rope' });
  const statuses: number[] = [];
  for (let i = 0; i < 6; i++) statuses.push((await change(`guess ${i}`)).status);
  expect(statuses).toEqual([400, 400, 400, 400, 429, 429]);
  // Nobody else is held up by it.
  const tove = await shop.visitor('tove');
  expect((await tove.send('put', '/my/password', { now: 'no', next: 'reed and rope' })).status).toBe(400);
});

test('nothing that is answered is kept on the way', async () => {
  const jory = await shop.visitor('jory');
  for (const path of ['/jobs', '/session', '/nothing-here']) {
    const answer = await jory.get(path);
    expect(answer.headers['cache-control'], path).toBe('no-store');
  }
});
