import ICAL from 'ical.js';
import { beforeAll, describe, expect, test } from 'vitest';
import type { PersonRow } from '../../contract/people.ts';
import type { ShopSheet } from '../../contract/shop.ts';
import type { WorkPlanSheet } from '../../contract/workPlan.ts';
import { localInstant } from '../../wording/zoneDays.ts';
import { inDays } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
let joryId: string;
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
  joryId = ((await ilse.get('/people')).body as PersonRow[]).find(({ name }) => name === 'Jory Opie')!.id;
  await ilse.send('post', '/work-plan', {});
});
const word = (n: number) => `w${n}`.padEnd(32, 'x');
const open = (who: Visitor, about: string, token: string) => who.send('post', '/my/calendars', { about, token });
const feed = async (token: string) => (await shop.anybody()).get(`/calendar/${token}.ics`).buffer(true);
/** The feed as another library reads it. */
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));

describe('a feed', () => {
  test('of a person is what the plan has them do, read back by another library', async () => {
    expect((await open(jory, 'person', word(1))).status).toBe(200);
    const answer = await feed(word(1));
    expect(answer.status).toBe(200);
    expect(answer.headers['content-type']).toMatch(/^text\/calendar/);
    const { plan, facts } = (await ilse.get('/work-plan')).body as WorkPlanSheet;
    const own = plan!.stages.filter(({ people }) => people.includes(joryId));
    expect(own.length).toBeGreaterThan(0);
    const zone = (await ilse.get('/session')).body.workshop.timeZone as string;
    const events = eventsOf(answer.text).filter(({ startDate }) => !startDate.isDate);
    expect(events).toHaveLength(own.length);
    for (const planned of own) {
      const event = events.find(({ uid }) => uid === `stage-${planned.id.replace(/ /g, '-')}@dajo`)!;
      const [day, time] = planned.from.split(' ') as [string, string];
      expect(event.startDate.toJSDate().getTime()).toBe(localInstant(day, time, zone));
      const title = facts.jobs.find(({ number }) => number === planned.job)!.title;
      expect(event.summary).toContain(`${planned.job} ${title}`);
      if (planned.placeId) expect(event.location).toBe(facts.places.find(({ id }) => id === planned.placeId)!.name);
    }
    // Lines are folded and ended as RFC 5545 has it (3.1): 75 octets at most, CRLF.
    for (const line of answer.text.trimEnd().split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
  test('of promises has each on its whole day', async () => {
    await open(ilse, 'promises', word(2));
    const events = eventsOf((await feed(word(2))).text);
    const { rows } = await sql(
      "select number, promised::text from job where promised is not null and state not in ('handedOver', 'cancelled')",
    );
    expect(events.map(({ uid, startDate }) => `${uid} ${startDate.toString()}`).sort()).toEqual(
      rows.map(({ number, promised }) => `promise-${number}@dajo ${promised}`).sort(),
    );
    for (const event of events) expect([event.startDate.isDate, event.duration.toSeconds()]).toEqual([true, 86_400]);
  });
  test('opens by its word alone, until it is closed, replaced, or its person switched off', async () => {
    expect((await feed(word(9))).status).toBe(404);
    expect((await feed('short')).status).toBe(404);
    expect((await open(jory, 'person', 'guess')).body.fields).toHaveProperty('token');
    await open(jory, 'person', word(3));
    expect((await feed(word(1))).status).toBe(404);
    expect((await feed(word(3))).status).toBe(200);
    expect((await open(ilse, 'person', word(3))).body.fields).toHaveProperty('token');
    const [row] = (await jory.get('/my/calendars')).body;
    expect(row).toMatchObject({ about: 'person', lastUsedAt: expect.any(String) });
    expect((await ilse.send('post', `/my/calendars/${row.id}/close`)).status).toBe(422);
    expect((await jory.send('post', `/my/calendars/${row.id}/close`)).status).toBe(200);
    expect((await feed(word(3))).status).toBe(404);
    await open(jory, 'person', word(4));
    await sql('update person set active = false where id = $1', [joryId]);
    expect((await feed(word(4))).status).toBe(404);
    await sql('update person set active = true where id = $1', [joryId]);
    jory = await shop.visitor('jory');
    const { rows } = await sql('select token_hash from calendar_link');
    for (const { token_hash } of rows) expect(token_hash).toMatch(/^[0-9a-f]{64}$/);
  });
});

describe('leave out of a calendar', () => {
  const away = (days: object[], who = ilse) => who.send('post', `/people/${joryId}/absences/many`, { days });
  test('is taken in once; what is there already is left', async () => {
    const days = [
      { from: inDays(66), to: inDays(70), why: 'snow' },
      { from: inDays(68), to: inDays(69), why: 'inside it' },
      { from: inDays(94), to: inDays(94), why: '' },
    ];
    expect((await away(days, jory)).status).toBe(403);
    expect((await away(days)).body).toEqual({ added: 2 });
    expect((await away(days)).body).toEqual({ added: 0 });
    const { rows } = await sql(
      'select from_day::text as f from absence where person_id = $1 and dropped_at is null and from_day >= $2 order by 1',
      [joryId, inDays(60)],
    );
    expect(rows.map(({ f }) => f)).toEqual([inDays(66), inDays(94)]);
  });
  test('with none, with too many, or turned about is told so', async () => {
    expect((await away([])).status).toBe(400);
    expect((await away([{ from: inDays(70), to: inDays(66), why: '' }])).body.fields['days.0.to']).toMatch(/before/);
    const many = Array.from({ length: 1000 }, () => ({ from: inDays(155), to: inDays(155), why: '' }));
    expect([400, 413]).toContain((await away(many)).status);
    expect((await away(many.slice(0, 301))).body.fields.days).toMatch(/too many entries: at most 300/);
    expect((await away(many.slice(0, 300))).body).toEqual({ added: 1 });
  });
});

describe('how the shop is doing', () => {
  const sheet = async (months = '12', who = ilse) => (await who.get(`/shop/${months}`)).body as ShopSheet;
  test('adds up to the hours that were clocked, and counts what was handed over', async () => {
    const { hours, done, months } = await sheet('36');
    const { rows } = await sql(
      `select sum(extract(epoch from coalesce("to", now()) - "from")) / 3600 as h from time_entry`,
    );
    expect(hours.reduce((sum, one) => sum + one.hours, 0)).toBeCloseTo(Number(rows[0].h), 1);
    expect(months).toHaveLength(36);
    const { rows: over } = await sql("select number from job where state = 'handedOver' order by number");
    expect(done.map(({ number }) => number).sort()).toEqual(over.map(({ number }) => number));
    for (const job of done) expect(job.doneOn).toMatch(/^\d{4}-\d\d-\d\d$/);
  });
  test('is for managers, over one month to three years, and goes out as tables', async () => {
    expect((await jory.get('/shop/6')).status).toBe(403);
    for (const months of ['0', '37', 'all']) expect((await ilse.get(`/shop/${months}`)).status).toBe(404);
    expect((await sheet('1')).months).toHaveLength(1);
    const jobs = (await ilse.get('/shop/36/jobs.csv')).text.trim().split('\r\n');
    expect(jobs).toHaveLength((await sheet('36')).done.length + 1);
    const lines = (await ilse.get('/shop/36/hours.csv')).text.trim().split('\r\n');
    expect(lines).toHaveLength((await sheet('36')).hours.length + 1);
  });
});
