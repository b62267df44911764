import { beforeAll, describe, expect, test } from 'vitest';
import type { EstimateRow, EstimateSheet } from '../../contract/estimates.ts';
import type { PriceSheet } from '../../contract/offers.ts';
import type { SeriesSheet } from '../../contract/series.ts';
import type { WorkPlanSheet } from '../../contract/workPlan.ts';
import { learntOf } from '../../core/learning/learnt.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
  await sql('update time_entry set "to" = greatest("from", now()) where "to" is null');
});
const sheet = async () => (await ilse.get('/kits/wren-kit/estimates')).body as EstimateSheet;
const rowOf = async (key: string, variantId: string | null = null): Promise<EstimateRow> =>
  (await sheet()).rows.find((row) => row.key === key && row.variantId === variantId)!;
const adopt = (row: EstimateRow, more: object = {}, who = ilse) =>
  who.send('post', '/kits/wren-kit/estimates', {
    ...{ key: row.key, variantId: row.variantId, standing: row.standing, hours: row.learnt?.hours ?? 1, ...more },
  });
const stageOf = async (title: string, key: string) =>
  (await ilse.job(title)).stages.find((stage) => stage.key === key)!;

describe('hours as they were taken', () => {
  test('stand beside what is reckoned with, rework apart, by the clock’s own entries', async () => {
    const row = await rowOf('connectors');
    expect(row.actuals.length).toBeGreaterThanOrEqual(3);
    expect(row.learnt).toEqual(learntOf(row.actuals));
    for (const { job, hours, reworkHours } of row.actuals) {
      const { rows } = await sql(
        `select sum(extract(epoch from t."to" - t."from") / 3600) filter (where t.kind in ('work', 'learning'))::float8 as work,
           coalesce(sum(extract(epoch from t."to" - t."from") / 3600) filter (where t.kind = 'rework'), 0)::float8 as rework
         from time_entry t join stage s on s.id = t.stage_id join job j on j.id = s.job_id where j.number = $1 and s.key = 'connectors'`,
        [job],
      );
      expect([hours, reworkHours]).toEqual([expect.closeTo(rows[0].work, 6), expect.closeTo(rows[0].rework, 6)]);
    }
    const days = row.actuals.map(({ day }) => day);
    expect(days).toEqual(days.toSorted().reverse());
    expect((await ilse.get('/kits/no-kit/estimates')).status).toBe(404);
  });
  test('adopted by a manager they move stages nobody has begun, the plan and offers; what is begun stays', async () => {
    const before = await rowOf('connectors');
    const van = (await ilse.job('Bakery van')).number;
    expect(before.moves).toContain(van);
    const planBefore = (await ilse.get('/work-plan')).body as WorkPlanSheet;
    const offered = async () =>
      (await ilse.get(`/jobs/${(await ilse.job('Ice-cream van')).number}/price`)).body as PriceSheet;
    const offerBefore = (await offered()).hours!.hours;
    expect((await adopt(before, {}, jory)).status).toBe(403);
    expect((await adopt(before, { hours: before.learnt!.hours + 1 })).status).toBe(409);
    expect((await adopt(before, { standing: before.standing + 1 })).body.current).toMatchObject({ key: 'connectors' });
    expect((await adopt(before)).status).toBe(200);
    const after = await rowOf('connectors');
    expect(after).toMatchObject({
      standing: before.learnt!.hours,
      worth: false,
      adopted: { by: 'Ilse Marrow', beforeHours: before.standing, vehicles: before.learnt!.vehicles },
    });
    expect((await stageOf('Bakery van', 'connectors')).hours).toBe(before.learnt!.hours);
    expect((await offered()).hours!.hours - offerBefore).toBeCloseTo(before.learnt!.hours - before.standing, 6);
    expect((await adopt(after)).body.detail).toMatch(/already/);
    // The plan rests on it: what was made before does not hold any more, and is made anew with the new hours.
    const planAfter = (await ilse.get('/work-plan')).body as WorkPlanSheet;
    const planned = (of: WorkPlanSheet) =>
      of.facts.jobs.find(({ number }) => number === van)!.stages.find(({ key }) => key === 'connectors')!;
    expect(planned(planBefore)).toMatchObject({ hours: before.standing, took: null });
    expect(planned(planAfter)).toMatchObject({
      hours: before.learnt!.hours,
      took: { low: before.learnt!.lowHours, high: before.learnt!.highHours },
    });
    // And so do stages that are made from the kit from now on.
    const ice = await ilse.job('Ice-cream van');
    expect((await ilse.send('post', `/jobs/${ice.number}/stages/from-kit`)).status).toBe(200);
    expect((await stageOf('Ice-cream van', 'connectors')).hours).toBe(before.learnt!.hours);
  });
  test('a stage whose hours somebody changed for its job alone is left as it is', async () => {
    await sql('update stage set hours = 99 where id = $1', [(await stageOf('Bakery van', 'interior')).id]);
    const row = await rowOf('interior');
    expect(row.moves).not.toContain((await ilse.job('Bakery van')).number);
    await adopt(row);
    expect((await stageOf('Bakery van', 'interior')).hours).toBe(99);
  });
  test('what was adopted is kept as it was', async () => {
    await expect(sql('update stage_estimate set hours = 1')).rejects.toThrow(/kept as it was written/);
  });
});

describe('sisters', () => {
  const follow = async (title: string, first: string | null, who = ilse) => {
    const { number } = await ilse.job(title);
    const { version } = (await ilse.get(`/jobs/${number}/series`)).body as SeriesSheet;
    return who.send('put', `/jobs/${number}/series`, { first, version });
  };
  const series = async (title: string) =>
    (await ilse.get(`/jobs/${(await ilse.job(title)).number}/series`)).body as SeriesSheet;
  test('follow the first of their kind; nobody waits for themselves by way of others', async () => {
    const van = (await ilse.job('Bakery van')).number;
    const post = (await ilse.job('Post van')).number;
    expect((await follow('Ice-cream van', van)).status).toBe(200);
    expect(await series('Ice-cream van')).toMatchObject({ first: { number: van, over: false, kitId: 'wren-kit' } });
    expect((await series('Bakery van')).sisters.map(({ title }) => title)).toContain('Ice-cream van');
    const ice = (await ilse.job('Ice-cream van')).number;
    expect((await follow('Bakery van', ice)).body.fields.first).toMatch(/waits for this one/);
    expect((await follow('Bakery van', van)).body.fields.first).toMatch(/waits for this one/);
    expect((await series('Bakery van')).choices.map(({ number }) => number)).not.toContain(ice);
    expect((await follow('Bakery van', '26-999')).body.fields.first).toMatch(/no such job/);
    expect((await follow('Bakery van', 'first')).status).toBe(400);
    expect((await follow('Bakery van', post, jory)).status).toBe(403);
    expect((await follow('Bakery van', post)).status).toBe(200);
  });
  test('are planned after it, and not while one of its lessons waits', async () => {
    const post = await ilse.job('Post van');
    const van = (await ilse.job('Bakery van')).number;
    await sql(
      "update lesson set state = 'left', why = 'x', settled_by_id = by_id where job_id = $1 and state = 'waiting'",
      [post.id],
    );
    const open = async () => {
      const made = await ilse.send('post', '/work-plan', {});
      expect(made.status).toBe(200);
      const { facts, plan } = (await ilse.get('/work-plan')).body as WorkPlanSheet;
      const ids = new Set(
        facts.jobs
          .find(({ number }) => number === van)!
          .stages.filter(({ state }) => state === 'waiting')
          .map(({ id }) => id),
      );
      return plan!.impossible.filter(({ stageId }) => ids.has(stageId));
    };
    expect(await open()).toEqual([]);
    await sql(
      "insert into lesson (job_id, about, text, kit_id, by_id) select $1, 'job', 'Drive it harder', 'wren-kit', id from person where sign_in = 'jory'",
      [post.id],
    );
    const held = await open();
    expect(held.length).toBeGreaterThan(0);
    // Nor is any of its stages begun on the clock; whoever waits may say so.
    const next = (await ilse.job('Bakery van')).stages.find(({ id }) => id === held[0]!.stageId)!;
    await sql("update stage set after = '{}', state = 'waiting', tools = '{}' where id = $1", [next.id]);
    await sql('update time_entry set "to" = greatest("from", now()) where "to" is null');
    const clockOn = (kind: string, cause: string | null = null) =>
      jory.send('post', `/stages/${next.id}/clock-on`, { kind, cause });
    expect((await clockOn('work')).body.detail).toMatch(/^1 lesson of .* waits to be taken into the kit/);
    expect((await clockOn('waiting', 'part')).status).toBe(200);
    await jory.send('post', '/clock-off', {});
    expect(held[0]!.why).toMatchObject({ kind: 'lessons', jobId: post.number, lessons: 1 });
    expect((await series('Bakery van')).first!.lessons.filter(({ state }) => state === 'waiting')).toHaveLength(1);
    const [lesson] = (await sql("select id, version from lesson where text = 'Drive it harder'")).rows;
    const settled = await ilse.send('post', `/lessons/${lesson.id}/settle`, {
      to: 'aside',
      why: 'next winter',
      revisionId: null,
      version: lesson.version,
    });
    expect(settled.status).toBe(200);
    expect(await open()).toEqual([]);
    await sql("update stage set state = 'waiting' where job_id = $1 and position = 1", [post.id]);
    await sql("update job set state = 'building' where id = $1", [post.id]);
    expect((await clockOn('work')).body.detail).toMatch(/first of its kind, which is not through yet/);
    await sql("update job set state = 'handedOver' where id = $1", [post.id]);
    expect((await clockOn('work')).status).toBe(200);
  });
});
