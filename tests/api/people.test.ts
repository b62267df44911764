import { createHash } from 'node:crypto';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import type { OpenSession, PersonRow } from '../../contract/people.ts';
import { DEMO_PASSWORD } from '../../server/config.ts';
import { inDays } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop({ signInTries: 200 });
const token = (text: string) => createHash('sha256').update(text).digest('base64url').slice(0, 32);
const people = async (who: Visitor): Promise<PersonRow[]> => (await who.get('/people')).body;
const rowOf = async (who: Visitor, name: string) => (await people(who)).find((row) => row.name === name)!;
const bodyOf = ({ name, signIn, role, skills, initials, dayHours, rateCents, version }: PersonRow) => ({
  ...{ name, signIn, role, skills, initials, dayHours, rateCents, version },
});
const takeUp = (link: string, password: string) =>
  request(shop.app()).post(`/api/invitations/${link}`).set('X-CSRF-Token', 'signed-out').send({ password });

describe('a new person', () => {
  test('is added, invited once, comes in with a password of their own, and is told from others', async () => {
    const ilse = await shop.visitor('ilse');
    const body = {
      name: 'Ana Rosario Quell',
      signIn: 'Ana.Q',
      role: 'technician',
      skills: ['paint'],
      token: token('a'),
    };
    const made = await ilse.send('post', '/people', body);
    expect(made.status).toBe(200);
    // What stands behind the link is nowhere: not in the answer, the events or the table of invitations.
    const { rows } = await shop.pool().query(
      `select coalesce(string_agg(t.x, ''), '') as all from (select e::text as x from event e union all select i::text from invitation i
        union all select coalesce(k.answer, '') from idempotency_key k) t`,
    );
    expect(JSON.stringify(made.body) + rows[0].all).not.toContain(token('a'));
    expect(await rowOf(ilse, body.name)).toMatchObject({
      initials: 'ARQ',
      signIn: 'ana.q',
      joined: false,
      invitedUntil: expect.stringMatching(/^20/),
      authorisations: [],
    });
    const looked = await request(shop.app()).get(`/api/invitations/${token('a')}`);
    expect(looked.body).toEqual({ name: body.name, signIn: 'ana.q', workshop: 'Tarrow Quay Works' });
    expect((await takeUp(token('a'), 'short')).body.fields.password).toMatch(/ten characters/);
    const [first, second] = await Promise.all([
      takeUp(token('a'), 'salt and cedar'),
      takeUp(token('a'), 'other words'),
    ]);
    expect([first.status, second.status].sort()).toEqual([200, 404]);
    const inside = first.status === 200 ? first : second;
    expect(inside.body.person).toMatchObject({ name: body.name, role: 'technician' });
    expect((await takeUp(token('a'), 'salt and cedar')).body.detail).toMatch(/has been used or has run out/);
    expect((await ilse.send('post', '/people', { ...body, token: token('b') })).body.fields.signIn).toMatch(
      /Somebody else/,
    );
    // A new link makes older ones worth nothing.
    const { id } = await rowOf(ilse, body.name);
    await ilse.send('post', `/people/${id}/invitations`, { token: token('c') });
    await ilse.send('post', `/people/${id}/invitations`, { token: token('d') });
    expect((await request(shop.app()).get(`/api/invitations/${token('c')}`)).status).toBe(404);
    shop.setNow(new Date(Date.now() + 8 * 86_400_000));
    expect((await request(shop.app()).get(`/api/invitations/${token('d')}`)).status).toBe(404);
    shop.setNow(null);
    expect((await request(shop.app()).get(`/api/invitations/${token('d')}`)).status).toBe(200);
  });
  test('rates and sign-in names are for managers', async () => {
    const odo = await people(await shop.visitor('odo'));
    expect(odo.length).toBeGreaterThanOrEqual(8);
    for (const row of odo) expect([row.signIn, row.rateCents]).toEqual(['', null]);
  });
});

describe('who runs the workshop', () => {
  test('the last manager cannot be locked out, by role or by switching off; with a second one it goes', async () => {
    const ilse = await shop.visitor('ilse');
    const own = await rowOf(ilse, 'Ilse Marrow');
    const down = await ilse.send('put', `/people/${own.id}`, { ...bodyOf(own), role: 'viewer' });
    expect([down.status, down.body.detail]).toEqual([422, expect.stringMatching(/last manager who can sign in/)]);
    const off = { active: false, version: own.version };
    expect((await ilse.send('put', `/people/${own.id}/active`, off)).status).toBe(422);
    const soren = await rowOf(ilse, 'Soren Adaro');
    const up = await ilse.send('put', `/people/${soren.id}`, { ...bodyOf(soren), role: 'manager', rateCents: 7000 });
    expect(up.body).toEqual({ version: soren.version + 1 });
    expect((await ilse.send('put', `/people/${soren.id}`, bodyOf(soren))).status).toBe(409);
    // Two who switch each other off at the same moment: one of them stays.
    const [a, b] = [await shop.visitor('ilse'), await shop.visitor('soren')];
    const now = await rowOf(a, 'Soren Adaro');
    const answers = await Promise.all([
      a.send('put', `/people/${soren.id}/active`, { active: false, version: now.version }),
      b.send('put', `/people/${own.id}/active`, off),
    ]);
    const done = answers.filter((one) => one.status === 200);
    expect(done.length, answers.map((one) => one.body.detail).join()).toBe(1);
    const { rows } = await shop.pool().query("select 1 from person where role = 'manager' and active");
    expect(rows.length).toBeGreaterThanOrEqual(1);
    await shop
      .pool()
      .query("update person set active = true; update person set role = 'technician' where sign_in = 'soren'");
  });
  test('who is clocked on is not switched off; who is switched off is signed out at once', async () => {
    const ilse = await shop.visitor('ilse');
    const { rows } = await shop
      .pool()
      .query('select p.name from time_entry t join person p on p.id = t.person_id where t."to" is null limit 1');
    const busy = await rowOf(ilse, rows[0].name);
    const refused = await ilse.send('put', `/people/${busy.id}/active`, { active: false, version: busy.version });
    expect(refused.body.detail).toMatch(/is clocked on\. Clock off first/);
    const odo = await shop.visitor('odo');
    const row = await rowOf(ilse, 'Odo Finch');
    await ilse.send('put', `/people/${row.id}/active`, { active: false, version: row.version });
    expect((await odo.get('/people')).status).toBe(401);
    const invited = await ilse.send('post', `/people/${row.id}/invitations`, { token: token('odo') });
    expect(invited.body.detail).toMatch(/switched off/);
    await ilse.send('put', `/people/${row.id}/active`, { active: true, version: row.version + 1 });
    expect((await (await shop.visitor('odo')).get('/people')).status).toBe(200);
  });
});

describe('high-voltage authorisations', () => {
  const days = { validFrom: inDays(-330), validUntil: inDays(1496), givenBy: 'a school', paper: 'no. 7' };
  const hvUntil = async (name: string) => (await (await shop.visitor(name)).get('/session')).body.person.hvUntil;
  test('count from their first day, until their last, or until they are ended with a reason', async () => {
    const ilse = await shop.visitor('ilse');
    const { id } = await rowOf(ilse, 'Jory Opie');
    const path = `/people/${id}/authorisations`;
    expect((await ilse.send('post', path, { ...days, validUntil: '2025-01-01' })).body.fields).toEqual({
      validUntil: 'Last day is before the first.',
    });
    expect(Object.keys((await ilse.send('post', path, { ...days, givenBy: '', paper: '' })).body.fields)).toEqual([
      'givenBy',
      'paper',
    ]);
    await ilse.send('post', path, { ...days, validFrom: inDays(1131) });
    expect(await hvUntil('jory')).toBeNull();
    const { body } = await ilse.send('post', path, days);
    expect(await hvUntil('jory')).toBe(inDays(1496));
    expect((await ilse.send('post', `/authorisations/${body.id}/end`, { why: '' })).body.fields.why).toMatch(/needed/);
    expect((await ilse.send('post', `/authorisations/${body.id}/end`, { why: 'eyesight' })).status).toBe(200);
    expect(await hvUntil('jory')).toBeNull();
    expect((await ilse.send('post', `/authorisations/${body.id}/end`, { why: 'again' })).status).toBe(409);
  });
  test('one that is ended ends the live work that rested on it', async () => {
    const ilse = await shop.visitor('ilse');
    const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
    const { rows } = await sql(
      `select s.id from stage s join job j on j.id = s.job_id join vehicle v on v.id = j.vehicle_id
       where s.live_hv and v.name = 'Bakery van' limit 1`,
    );
    const stage = rows[0].id;
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql("update stage set after = '{}', state = 'waiting', hv_confirmed = false where id = $1", [stage]);
    const soren = await shop.visitor('soren');
    const petra = await shop.visitor('petra');
    for (const who of [soren, petra])
      expect((await who.send('post', `/stages/${stage}/clock-on`, { kind: 'work', cause: null })).status).toBe(200);
    expect((await soren.send('post', `/stages/${stage}/confirm-live`, {})).status).toBe(200);
    const row = await rowOf(ilse, 'Soren Adaro');
    for (const one of row.authorisations.filter((a) => !a.endedOn))
      await ilse.send('post', `/authorisations/${one.id}/end`, { why: 'gloves not tested' });
    expect((await sql('select hv_confirmed from stage where id = $1', [stage])).rows).toEqual([
      { hv_confirmed: false },
    ]);
    expect((await soren.send('post', `/stages/${stage}/confirm-live`, {})).status).toBeGreaterThanOrEqual(400);
  });
});

test('live work confirmed while the authorisation it rests on is being ended never stands without it', async () => {
  const ilse = await shop.visitor('ilse');
  const [soren, petra] = [await shop.visitor('soren'), await shop.visitor('petra')];
  const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
  const { rows } = await sql(
    `select s.id from stage s join job j on j.id = s.job_id join vehicle v on v.id = j.vehicle_id
     where s.live_hv and v.name = 'Bakery van' limit 1`,
  );
  const stage = rows[0].id;
  const { id } = await rowOf(ilse, 'Soren Adaro');
  const days = { validFrom: inDays(-330), validUntil: inDays(1496), givenBy: 'a school', paper: 'no. 7' };
  for (let round = 0; round < 25; round++) {
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql("update stage set after = '{}', state = 'waiting', hv_confirmed = false where id = $1", [stage]);
    const { body: paper } = await ilse.send('post', `/people/${id}/authorisations`, days);
    const on = { kind: 'work', cause: null };
    await petra.send('post', `/stages/${stage}/clock-on`, on);
    // In half of the rounds the authorised person comes at the very moment as well.
    const early = round % 2 === 0;
    if (early) await soren.send('post', `/stages/${stage}/clock-on`, on);
    const answers = await Promise.all([
      ...(early ? [] : [soren.send('post', `/stages/${stage}/clock-on`, on)]),
      soren.send('post', `/stages/${stage}/confirm-live`, {}),
      ilse.send('post', `/authorisations/${paper.id}/end`, { why: 'eyesight' }),
      soren.send('post', `/stages/${stage}/confirm-live`, {}),
    ]);
    for (const one of answers) expect(one.status, one.body.detail).toBeLessThan(500);
    const { rows: left } = await sql('select hv_confirmed, live_pair_on(id) as pair from stage where id = $1', [stage]);
    expect(left[0].hv_confirmed && !left[0].pair, `round ${round}`).toBe(false);
    expect(left[0].pair).toBe(false);
  }
}, 60_000);

test('who is switched off at the moment they clock on is either on the clock or off, never both', async () => {
  const ilse = await shop.visitor('ilse');
  const sql = (text: string) => shop.pool().query(text);
  const { rows } = await sql("select s.id from stage s where not s.live_hv and s.state <> 'done' limit 1");
  await sql("update stage set after = '{}'");
  for (let round = 0; round < 15; round++) {
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql("update person set active = true where sign_in = 'ravi'");
    const ravi = await shop.visitor('ravi');
    const row = await rowOf(ilse, 'Ravi Dunmore');
    await Promise.all([
      ravi.send('post', `/stages/${rows[0].id}/clock-on`, { kind: 'work', cause: null }),
      ilse.send('put', `/people/${row.id}/active`, { active: false, version: row.version }),
    ]);
    const { rows: both } = await sql(
      'select 1 from time_entry t join person p on p.id = t.person_id where t."to" is null and not p.active',
    );
    expect(both, `round ${round}`).toEqual([]);
  }
}, 60_000);

describe('one’s own account', () => {
  test('a new password needs the old one, signs out elsewhere, and leaves no trace of either', async () => {
    const here = await shop.visitor('mabel');
    const there = await shop.visitor('mabel');
    const sessions: OpenSession[] = (await here.get('/my/sessions')).body;
    expect(sessions.filter((one) => one.here)).toHaveLength(1);
    expect(sessions.length).toBeGreaterThanOrEqual(2);
    const wrong = await here.send('put', '/my/password', { now: 'no', next: 'reed and rope' });
    expect(wrong.body.fields).toEqual({ now: 'This is not your password until now.' });
    const short = await here.send('put', '/my/password', { now: DEMO_PASSWORD, next: 'rope' });
    expect(short.body.fields.next).toMatch(/ten characters/);
    const key = { 'Idempotency-Key': 'password-once' };
    const body = { now: DEMO_PASSWORD, next: 'reed and rope' };
    expect((await here.send('put', '/my/password', body, key)).body).toEqual({ changed: true });
    expect((await there.get('/people')).status).toBe(401);
    expect((await here.get('/people')).status).toBe(200);
    // Its hash by a fast function would be as good as the password itself.
    const kept = await shop.pool().query("select 1 from idempotency_key where key = 'password-once'");
    expect(kept.rows).toEqual([]);
  });
  test('signing out everywhere else leaves this one', async () => {
    const [here, there] = [await shop.visitor('tove'), await shop.visitor('tove')];
    expect((await here.send('delete', '/my/sessions')).body.ended).toBeGreaterThanOrEqual(1);
    expect([(await here.get('/people')).status, (await there.get('/people')).status]).toEqual([200, 401]);
  });
});

describe('the workshop’s record', () => {
  test('is changed by a manager; what is set stops being common practice, and what is wrong is said at its field', async () => {
    const ilse = await shop.visitor('ilse');
    const { own, ...now } = (await ilse.get('/session')).body.workshop;
    expect(own).not.toContain('breakH');
    const faults = async (change: object) =>
      Object.keys((await ilse.send('put', '/workshop', { ...now, ...change })).body.fields ?? {});
    expect(await faults({ timeZone: 'Mars/Olympus' })).toEqual(['timeZone']);
    expect(await faults({ workingDays: [] })).toEqual(['workingDays']);
    expect(await faults({ workingDays: [1, 1] })).toEqual(['workingDays.1']);
    expect(await faults({ dayEndH: 7 })).toContain('dayEndH');
    expect(await faults({ breakH: 9 })).toContain('breakH');
    expect(await faults({ currency: 'ZZZ' })).toEqual(['currency']);
    const saved = await ilse.send('put', '/workshop', { ...now, breakH: 0.5, rateCents: 6100 });
    expect(saved.body).toEqual({ version: now.version + 1 });
    const after = (await ilse.get('/session')).body.workshop;
    expect(after).toMatchObject({ breakH: 0.5, rateCents: 6100 });
    expect(after.own).toContain('breakH');
    expect((await ilse.send('put', '/workshop', now)).status).toBe(409);
    // The Floor plans by it.
    const floor = (await ilse.get('/floor')).body;
    expect(floor.people.find((one: { role: string }) => one.role === 'technician').hoursPlanned).toBe(8);
    expect((await (await shop.visitor('odo')).send('put', '/workshop', after)).status).toBe(403);
  });
});
