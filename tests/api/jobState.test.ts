import { describe, expect, test } from 'vitest';
import { CHECKS } from '../../core/prove/index.ts';
import { inDays } from '../day.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);

describe('the state of a job', () => {
  test('is taken further by a manager, with a reason where one is needed, and is in its history', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Ice-cream van');
    const path = `/jobs/${van.number}/state`;
    const take = async (state: string, reason = '') => {
      const { version } = await ilse.job('Ice-cream van');
      return ilse.send('put', path, { state, reason, version });
    };
    expect((await take('handedOver')).body.detail).toMatch(/cannot go there from where it stands/);
    expect((await take('offered')).status).toBe(200);
    expect((await take('agreed')).status).toBe(200);
    expect((await take('waitingOutside')).body.fields).toEqual({ reason: 'A reason is needed.' });
    expect((await take('waitingOutside', 'the hood is being sewn')).status).toBe(200);
    expect((await take('cancelled', 'sold to a museum')).status).toBe(200);
    const closed = await ilse.send('put', `/jobs/${van.number}/use`, { use: van.use, version: van.useVersion });
    expect([closed.status, closed.body.detail]).toEqual([422, expect.stringMatching(/is cancelled/)]);
    expect((await take('sizing', 'the museum wants it driven')).status).toBe(200);
    expect((await ilse.job('Ice-cream van')).state).toBe('sizing');
    const { body: events } = await ilse.get(`/jobs/${van.number}/events`);
    expect(events.map((one: { what: string }) => one.what).join('\n')).toContain(
      'took the job from cancelled to being sized: the museum wants it driven',
    );
    const stale = await ilse.send('put', path, { state: 'offered', reason: '', version: van.version });
    expect(stale.status).toBe(409);
    const jory = await shop.visitor('jory');
    expect((await jory.send('put', path, { state: 'offered', reason: '', version: 1 })).status).toBe(403);
  });
  test('is handed over with nobody on its clock, no snag open and every check passed, and reopened with a reason', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Bakery van');
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql("update job set state = 'proving' where id = $1", [van.id]);
    const take = async (state: string, reason = '') => {
      const { version } = await ilse.job('Bakery van');
      return ilse.send('put', `/jobs/${van.number}/state`, { state, reason, version });
    };
    const stage = van.stages.find((one) => !one.liveHv)!;
    await sql(
      "insert into time_entry (person_id, stage_id, kind) select id, $1, 'work' from person where sign_in = 'jory'",
      [stage.id],
    );
    expect((await take('handedOver')).body.detail).toMatch(/Jory Opie is clocked on/);
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql('update snag set closed_at = now(), closed_by_id = by_id where closed_at is null');
    const { body: snag } = await ilse.send('post', `/jobs/${van.number}/snags`, { text: 'rattle' });
    expect((await take('handedOver')).body.detail).toMatch(/snags that nobody has put right/);
    await ilse.send('post', `/snags/${snag.id}/close`, {});
    expect((await take('handedOver')).body.detail).toMatch(/checks that are not signed as passed/);
    for (const { id } of CHECKS)
      await sql(
        `insert into check_result (job_id, check_id, value, verdict, limit_source, by_id)
         select $1, $2, 1, 'passed', 'test', id from person where sign_in = 'soren'`,
        [van.id, id],
      );
    expect((await take('handedOver')).body.detail).toMatch(/lacks papers that its region wants/);
    const give = (key: string, given: object | null, was: object | null = null) =>
      ilse.send('put', `/jobs/${van.number}/evidence`, { key, given, was });
    const slip = { on: inDays(-322), mark: 'No 12' };
    expect((await give('weight-slip', { ...slip, on: '2199-01-01' })).body.fields['given.on']).toMatch(/future/);
    expect((await give('lucky-charm', slip)).body.fields.key).toMatch(/no such paper/);
    for (const key of ['conversion-report', 'weight-slip', 'insurer']) expect((await give(key, slip)).status).toBe(200);
    // Two people enter one paper: the second is shown what the first has entered.
    const second = await give('insurer', { ...slip, mark: 'No 13' });
    expect([second.status, second.body.current]).toEqual([409, { ...slip, by: 'Ilse Marrow' }]);
    expect((await give('insurer', null, { ...slip, by: 'Ilse Marrow' })).status).toBe(200);
    expect((await take('handedOver')).body.detail).toMatch(/lacks papers/);
    // Elsewhere nothing is on the list.
    const { version } = await ilse.job('Bakery van');
    expect((await ilse.send('put', `/jobs/${van.number}/region`, { region: 'other', version })).status).toBe(200);
    expect((await take('handedOver')).status).toBe(200);
    expect((await give('insurer', slip)).status).toBe(422);
    expect((await take('proving')).body.fields.reason).toMatch(/needed/);
    expect((await take('proving', 'a fuse was forgotten')).status).toBe(200);
  });
});
