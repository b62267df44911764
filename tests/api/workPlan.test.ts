import { beforeAll, describe, expect, test } from 'vitest';
import type { AbsenceRow, WorkPlanSheet } from '../../contract/workPlan.ts';
import { factWrongs } from '../../core/plan/checkFacts.fixture.ts';
import { wrongs } from '../../core/plan/checkPlan.fixture.ts';
import { planGround } from '../../core/plan/facts.ts';
import type { PlanChange } from '../../core/plan/planChange.ts';
import { plannedAgain } from '../../core/plan/storedPlan.ts';
import { connect } from '../../server/db/connect.ts';
import { makeAnew } from '../../server/workPlan/inForce.ts';
import { startPlanMaker } from '../../server/workPlan/planner.ts';
import { atClock, inDays, mondayFrom } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
let jory: Visitor;
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
// A working morning, so that nothing depends on when the tests run.
const MONDAY = mondayFrom(90);
const day = (n: number) => inDays(MONDAY + n);
const MORNING = atClock(day(0), '08:30');
beforeAll(async () => {
  [ilse, jory] = (await Promise.all(['ilse', 'jory'].map((one) => shop.visitor(one)))) as [Visitor, Visitor];
  await sql('update time_entry set "to" = now() where "to" is null');
  await sql('update job set promised = $1 where promised is not null', [day(11)]);
  await sql('update authorisation set valid_until = $1', [day(306)]);
});
const sheet = async () => (await ilse.get('/work-plan')).body as WorkPlanSheet;
const make = () => ilse.send('post', '/work-plan');
const hand = async (changes: readonly PlanChange[], planId?: number) =>
  ilse.send('post', '/work-plan/changes', { changes, planId: planId ?? (await sheet()).planId });

describe('the plan of the workshop', () => {
  test('is made from what is stored, and holds every rule', async () => {
    shop.setNow(MORNING);
    expect((await make()).status).toBe(200);
    const { plan, facts, stale, madeBy } = await sheet();
    expect([stale, madeBy]).toEqual([false, 'Ilse Marrow']);
    expect(facts.now).toEqual({ day: day(0), minute: 510 });
    expect(facts.jobs.map(({ title }) => title).sort()).toEqual([
      'Bakery van',
      'Fire tender',
      'Hotel shuttle',
      'Mobile library',
      'School minibus',
    ]);
    const ground = planGround(facts);
    const again = plannedAgain(plan!, ground.axis);
    // Causes tell only a person.
    expect(wrongs(ground.problem, again)).toEqual([]);
    expect(again.length + plan!.impossible.length).toBe(ground.problem.stages.length);
    expect(plan!.impossible).toEqual([]);
  });
  test('made again at once it is the same one', async () => {
    const { planId } = await sheet();
    expect((await make()).body).toEqual({ planId });
  });
  test('is stale once something it rests on has changed, and is made anew by itself, once', async () => {
    const { number, version } = await ilse.job('Bakery van');
    const place = { placeId: null, promised: day(19), version };
    expect((await ilse.send('put', `/jobs/${number}/place`, place)).status).toBe(200);
    expect((await sheet()).stale).toBe(true);
    const maker = startPlanMaker();
    const connection = connect(shop.url(), 2);
    const own = { ...connection, maker, now: () => MORNING };
    expect(await makeAnew(own)).not.toBeNull();
    expect(await makeAnew(own)).toBeNull();
    await connection.close();
    await maker.close();
    expect(await sheet()).toMatchObject({ stale: false, madeBy: null });
  });
});

describe('a hand on the plan', () => {
  test('a stage is held, and let go again; what rests on it moves', async () => {
    const before = await sheet();
    const stage = before.facts.jobs.flatMap(({ stages }) => stages).find(({ state }) => state === 'waiting')!;
    expect((await hand([{ kind: 'hold', stageId: stage.id, day: day(7) }])).status).toBe(200);
    const held = (await sheet()).plan!.stages.find(({ id }) => id === stage.id)!;
    expect(held.from >= day(7)).toBe(true);
    expect(held.waits).toMatchObject({ kind: 'held' });
    await hand([{ kind: 'hold', stageId: stage.id, day: null }]);
    expect((await sheet()).plan!.stages.find(({ id }) => id === stage.id)!.from < day(7)).toBe(true);
  });
  test('decided on a plan that has moved meanwhile it is not done, and says which is in force', async () => {
    const { planId, facts } = await sheet();
    const change: PlanChange = { kind: 'priority', job: facts.jobs[0]!.number, priority: 'rush' };
    expect((await hand([change])).status).toBe(200);
    // The plan was made with it: nothing has to be made anew for it.
    expect((await sheet()).stale).toBe(false);
    const stale = await hand([{ ...change, priority: 'canWait' }], planId);
    expect([stale.status, stale.body.current.planId]).toEqual([409, (await sheet()).planId]);
    expect((await sheet()).facts.jobs[0]!.priority).toBe('rush');
  });
  test('what no plan can do is refused, and nothing of it stays', async () => {
    const { facts } = await sheet();
    const away: PlanChange = { kind: 'away', personId: facts.people[0]!.id, from: day(9), to: day(10) };
    const lift = await hand([away, { kind: 'lift', placeId: 'bay-3' }]);
    expect([lift.status, lift.body.detail]).toEqual([422, expect.stringMatching(/Set it up on the Floor/)]);
    expect((await ilse.get('/absences')).body.some((one: AbsenceRow) => one.from === day(9))).toBe(false);
    expect((await hand([{ kind: 'overtime', hours: 1 }])).body.detail).toMatch(/agreed with people/);
    expect((await hand([{ kind: 'hold', stageId: '26-101 strip', day: null }])).body.detail).toMatch(/in its kit only/);
    const over = await hand([{ kind: 'priority', job: (await ilse.job('Post van')).number, priority: 'rush' }]);
    expect([over.status, over.body.detail]).toEqual([422, expect.stringMatching(/is not planned/)]);
    const late = await hand([{ kind: 'partLate', job: facts.jobs[0]!.number, componentId: 'throttle', days: 7 }]);
    expect(late.body.detail).toMatch(/not on order/);
  });
  test.each([
    ['a kind nobody knows', { kind: 'magic' }],
    [
      'days the wrong way round',
      { kind: 'away', personId: '39aabbf7-c005-48b1-8f8f-2bf5b97fea68', from: day(9), to: day(0) },
    ],
    ['no such person', { kind: 'away', personId: '39aabbf7-c005-48b1-8f8f-2bf5b97fea68', from: day(9), to: day(10) }],
    ['no such stage', { kind: 'hold', stageId: '39aabbf7-c005-48b1-8f8f-2bf5b97fea68', day: null }],
    ['a part a year and a day late', { kind: 'partLate', job: '26-101', componentId: 'x', days: 366 }],
    ['a part on the day it comes anyhow', { kind: 'partLate', job: '26-101', componentId: 'x', days: 0 }],
    ['nothing', undefined],
  ])('%s is said at its field', async (_, change) => {
    const answer = await hand(change ? [change as PlanChange] : []);
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body.fields)).toMatch(/changes/);
  });
});

describe('a hand that is undone', () => {
  const undo = async (of: WorkPlanSheet, who = ilse) =>
    who.send('post', '/work-plan/undo', { handId: of.lastHand?.id ?? 1, planId: of.planId });
  const stageWaiting = async () =>
    (await sheet()).facts.jobs
      .flatMap(({ stages }) => stages)
      .find(({ state, liveHv }) => state === 'waiting' && !liveHv)!;
  test('puts back a hold, a priority, days away and a part’s day at one stroke, and the hand before is next', async () => {
    const { facts } = await sheet();
    const stage = await stageWaiting();
    const waits = facts.jobs.find(({ parts }) => parts.some(({ due }) => due !== null))!;
    const part = waits.parts.find(({ due }) => due !== null)!;
    await hand([{ kind: 'priority', job: waits.number, priority: 'canWait' }]);
    const first = await sheet();
    await hand([
      { kind: 'hold', stageId: stage.id, day: day(21) },
      { kind: 'priority', job: waits.number, priority: 'rush' },
      { kind: 'away', personId: facts.people[0]!.id, from: day(31), to: day(32) },
      { kind: 'partLate', job: waits.number, componentId: part.componentId, days: 5 },
    ]);
    const laid = await sheet();
    expect(laid.lastHand).toMatchObject({ by: 'Ilse Marrow', changes: [{ kind: 'hold' }, {}, {}, { days: 5 }] });
    expect((await undo(laid, jory)).status).toBe(403);
    expect((await undo(first)).status).toBe(409);
    expect((await undo(laid)).status).toBe(200);
    const back = await sheet();
    expect({ people: back.facts.people, jobs: back.facts.jobs }).toEqual({
      people: first.facts.people,
      jobs: first.facts.jobs,
    });
    // It was planned with it undone: nothing has to be made anew.
    expect(back.stale).toBe(false);
    expect(back.lastHand!.id).toBe(first.lastHand!.id);
    const again = await ilse.send('post', '/work-plan/undo', { handId: laid.lastHand!.id, planId: back.planId });
    expect(again.body.detail).toMatch(/undone already/);
    expect((await undo(back)).status).toBe(200);
    expect((await sheet()).facts.jobs.find(({ number }) => number === waits.number)!.priority).toBe(waits.priority);
  });
  test('leaves to others what they have changed since, and says what', async () => {
    const stage = await stageWaiting();
    await hand([{ kind: 'hold', stageId: stage.id, day: day(21) }]);
    await sql('update stage set not_before = $1 where id = $2', [day(24), stage.id]);
    const refused = await undo(await sheet());
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/has been changed since/)]);
    await sql('update stage set not_before = $1 where id = $2', [day(21), stage.id]);
    expect((await undo(await sheet())).status).toBe(200);
    // A supplier has told another day since.
    const waits = (await sheet()).facts.jobs.find(({ parts }) => parts.some(({ due }) => due !== null))!;
    const part = waits.parts.find(({ due }) => due !== null)!;
    await hand([{ kind: 'partLate', job: waits.number, componentId: part.componentId, days: 4 }]);
    const due = async () =>
      (await sheet()).facts.jobs.find(({ number }) => number === waits.number)!.parts.map((one) => one.due);
    const moved = await due();
    const line =
      "part_line set due = due + $1::int where job_id = (select id from job where number = $2) and state = 'ordered'";
    await sql(`update ${line}`, [9, waits.number]);
    expect((await undo(await sheet())).body.detail).toMatch(/When a part of .* has been changed since/);
    await sql(`update ${line}`, [-9, waits.number]);
    expect(await due()).toEqual(moved);
    expect((await undo(await sheet())).status).toBe(200);
  });
  test('what was adopted from a what-if is undone like any other hand', async () => {
    const [job] = (await sheet()).facts.jobs;
    const changes: PlanChange[] = [{ kind: 'priority', job: job!.number, priority: 'show' }];
    const { id } = (await ilse.send('post', '/scenarios', { name: 'A show', changes })).body;
    await ilse.send('post', `/scenarios/${id}/adopt`, { version: 1, planId: (await sheet()).planId });
    expect((await sheet()).facts.jobs[0]!.priority).toBe('show');
    expect((await undo(await sheet())).status).toBe(200);
    expect((await sheet()).facts.jobs[0]!.priority).toBe(job!.priority);
  });
});

describe('a firm outside', () => {
  test('is given a stage on the days it has slots, until it is taken back; the people it took are free', async () => {
    const { facts } = await sheet();
    expect(facts.firms).toContainEqual({ id: 'dunlin-trim', name: 'Dunlin Trim', slots: 1, slotDays: [2, 4] });
    const job = facts.jobs.find(({ title }) => title === 'Mobile library')!;
    const stage = job.stages.find(({ key }) => key === 'interior')!;
    const given: PlanChange = { kind: 'firm', stageId: stage.id, firmId: 'dunlin-trim', days: 1 };
    expect((await hand([given])).status).toBe(200);
    const after = await sheet();
    const planned = after.plan!.stages.find(({ id }) => id === stage.id)!;
    expect(planned).toMatchObject({ people: [], placeId: null });
    // Tuesdays and Thursdays.
    expect([2, 4]).toContain(new Date(planned.from.slice(0, 10)).getUTCDay());
    const ground = planGround(after.facts);
    expect(wrongs(ground.problem, plannedAgain(after.plan!, ground.axis))).toEqual([]);
    await ilse.send('post', '/work-plan/undo', { handId: after.lastHand!.id, planId: after.planId });
    expect((await sheet()).plan!.stages.find(({ id }) => id === stage.id)!.people).not.toEqual([]);
  });
  test('gets no live work, and one that is none or was given up gets nothing', async () => {
    const { facts } = await sheet();
    const stages = facts.jobs.flatMap((one) => one.stages).filter(({ state }) => state === 'waiting');
    const live = stages.find(({ liveHv }) => liveHv)!;
    const other = stages.find(({ liveHv }) => !liveHv)!;
    const to = (stageId: string, firmId: string | null, days: number | null = 1) =>
      hand([{ kind: 'firm', stageId, firmId, days }]);
    expect((await to(live.id, 'dunlin-trim')).body.detail).toMatch(/live work/);
    expect((await to(other.id, 'bay-1')).body.detail).toMatch(/no such firm/);
    expect((await to(other.id, 'nobody')).body.detail).toMatch(/no such firm/);
    expect((await to(other.id, 'dunlin-trim', null)).status).toBe(400);
    expect((await to(other.id, null, 3)).status).toBe(400);
  });
});

test('a job says the day it is ready by the plan; where something of it cannot be planned, that', async () => {
  const { plan } = await sheet();
  const van = await ilse.job('Bakery van');
  const day = plan!.jobs.find(({ number }) => number === van.number)!.to.slice(0, 10);
  expect(van.planned).toEqual({ readyOn: day });
  const onFloor = (await ilse.get('/floor')).body.jobs as { number: string; planned: unknown }[];
  expect(onFloor.find(({ number }) => number === van.number)!.planned).toEqual({ readyOn: day });
  expect((await ilse.job('Post van')).planned).toBeNull();
  await sql("update stage set skill = 'welding under water' where key = 'align' and job_id = $1", [van.id]);
  await make();
  expect((await ilse.job('Bakery van')).planned).toEqual({ readyOn: null });
  await sql("update stage set skill = 'mechanical' where key = 'align' and job_id = $1", [van.id]);
  await make();
});

test('a plan made by itself while a hand is laid on it never takes the hand back', async () => {
  const { facts, planId } = await sheet();
  const number = facts.jobs.at(-1)!.number;
  await sql('update work_plan set facts_key = $1', ['other facts']);
  const maker = startPlanMaker();
  const connection = connect(shop.url(), 4);
  const own = { ...connection, maker, now: () => MORNING };
  const [answer] = await Promise.all([
    hand([{ kind: 'priority', job: number, priority: 'canWait' }], planId),
    makeAnew(own),
    makeAnew(own),
  ]);
  await connection.close();
  await maker.close();
  const after = await sheet();
  if (answer.status === 200) {
    expect(after.facts.jobs.at(-1)!.priority).toBe('canWait');
    expect(after.stale).toBe(false);
  } else expect(answer.status).toBe(409);
});

describe('what if', () => {
  test('is kept, adopted once, and what it thought is so from then on', async () => {
    const { facts } = await sheet();
    const who = facts.people.find(({ name }) => name === 'Soren Adaro')!;
    const body = {
      name: 'Soren away',
      changes: [{ kind: 'away', personId: who.id, from: day(2), to: day(4) }],
    };
    const { id } = (await jory.send('post', '/scenarios', body)).body;
    const { planId, scenarios } = await sheet();
    expect(scenarios.at(-1)).toMatchObject({ id, name: 'Soren away', by: 'Jory Opie' });
    const adopt = () => ilse.send('post', `/scenarios/${id}/adopt`, { version: 1, planId });
    expect((await jory.send('post', `/scenarios/${id}/adopt`, { version: 1, planId })).status).toBe(403);
    expect((await adopt()).status).toBe(200);
    expect((await adopt()).body.detail).toMatch(/adopted already/);
    const after = await sheet();
    expect(after.scenarios.some((one) => one.id === id)).toBe(false);
    expect(after.facts.people.find((one) => one.id === who.id)!.away).toContainEqual({
      from: day(2),
      to: day(4),
    });
    const work = after.plan!.stages.filter(({ people }) => people.includes(who.id));
    for (const one of work) expect(one.from >= day(2) && one.from < day(5)).toBe(false);
    const [row] = ((await ilse.get('/absences')).body as AbsenceRow[]).filter(
      ({ personId, from }) => personId === who.id && from === day(2),
    );
    expect((await ilse.send('post', `/absences/${row!.id}/drop`)).status).toBe(200);
    expect((await ilse.send('post', `/absences/${row!.id}/drop`)).status).toBe(422);
  });
  test('thrown away it is gone, and nothing else is', async () => {
    const { scenarios, planId } = await sheet();
    const [first] = scenarios;
    expect((await ilse.send('post', `/scenarios/${first!.id}/throw-away`, { version: 9 })).status).toBe(409);
    expect((await ilse.send('post', `/scenarios/${first!.id}/throw-away`, { version: 1 })).status).toBe(200);
    expect(await sheet()).toMatchObject({ planId });
  });
});

test('where nobody else works, those who lead are planned', async () => {
  await sql("update person set active = false where role = 'technician'");
  expect((await sheet()).facts.people.map(({ name }) => name)).toContain('Ilse Marrow');
  await sql("update person set active = true where role = 'technician'");
  expect((await sheet()).facts.people.map(({ name }) => name)).not.toContain('Ilse Marrow');
});

describe('a very full workshop', () => {
  test('is always answered a plan, with every stage in it or a reason why not', async () => {
    await sql(`insert into stage select (jsonb_populate_record(s, jsonb_build_object('id', gen_random_uuid(),
        'key', s.key || '-' || n, 'position', s.position + 1000 * n, 'state', 'waiting', 'after', '[]'::jsonb))).*
      from stage s join job j on j.id = s.job_id, generate_series(1, 12) n
      where s.state <> 'done' and j.state in ('agreed', 'building', 'waitingForPart', 'waitingOutside')`);
    expect((await make()).status).toBe(200);
    const { plan, facts } = await sheet();
    const open = facts.jobs.flatMap(({ stages }) => stages).filter(({ state }) => state !== 'done').length;
    expect(open).toBeGreaterThan(550);
    expect(plan!.stages.length + plan!.impossible.length).toBe(open);
    expect(factWrongs(facts, plan!)).toEqual([]);
  });
});
