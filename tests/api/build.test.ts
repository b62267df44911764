import { beforeAll, describe, expect, test } from 'vitest';
import type { StageRow } from '../../contract/stages.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const work = { kind: 'work', cause: null };
let ilse: Visitor;
let soren: Visitor;
let tove: Visitor;
let jory: Visitor;
let ravi: Visitor;

beforeAll(async () => {
  // Everybody starts the day clocked off; the sample has some of them at work.
  await shop.pool().query('update time_entry set "to" = now() where "to" is null');
  [ilse, soren, tove, jory, ravi] = (await Promise.all(
    ['ilse', 'soren', 'tove', 'jory', 'ravi'].map((name) => shop.visitor(name)),
  )) as [Visitor, Visitor, Visitor, Visitor, Visitor];
});

const stageOf = async (title: string, key: string): Promise<StageRow> =>
  (await ilse.job(title)).stages.find((stage) => stage.key === key)!;
const on = (who: Visitor, stage: StageRow, body: object = work) =>
  who.send('post', `/stages/${stage.id}/clock-on`, body);
const off = (who: Visitor) => who.send('post', '/clock-off');
const read = (who: Visitor, stage: StageRow, step: number, value: unknown) =>
  who.send('post', `/steps/${stage.steps[step]!.id}/readings`, { value });

/** Puts a job where the test needs it: every stage before `key` is finished. */
async function finishedBefore(title: string, key: string): Promise<StageRow> {
  const job = await ilse.job(title);
  const at = job.stages.findIndex((stage) => stage.key === key);
  const ids = job.stages.slice(0, at).map((stage) => stage.id);
  await shop
    .pool()
    .query(
      "update stage set state = 'done', finished_at = now(), finished_by_id = (select id from person limit 1) where id = any($1) and state <> 'done'",
      [ids],
    );
  return stageOf(title, key);
}

describe('stages from the kit', () => {
  test('are made once, with steps and limits', async () => {
    const job = await ilse.job('Tour car');
    const made = await ilse.send('post', `/jobs/${job.number}/stages/from-kit`);
    expect(made.body.stages).toBe(16);
    expect((await ilse.send('post', `/jobs/${job.number}/stages/from-kit`)).body.detail).toBe(
      'The stages are there already.',
    );
    const { stages } = await ilse.job('Tour car');
    expect(stages.filter((stage) => stage.steps.some((step) => step.limit)).length).toBeGreaterThanOrEqual(2);
    expect(stages.find((stage) => stage.key === 'first-power')).toMatchObject({ liveHv: true, people: 2 });
  });
  test('need a kit', async () => {
    const job = await ilse.job('Luggage tug');
    expect((await ilse.send('post', `/jobs/${job.number}/stages/from-kit`)).status).toBe(422);
  });
});

describe('the clock', () => {
  test('one thing at a time: elsewhere is named', async () => {
    const stage = await stageOf('Bakery van', 'rear-box');
    expect((await on(jory, stage)).status).toBe(200);
    expect((await on(jory, stage)).body.detail).toBe('You are clocked on to this stage already.');
    const other = await stageOf('Mobile library', 'run-looms');
    const refused = await on(jory, other);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(
      /^You are clocked on to “Rear box and drive in” of \d\d-\d{3}\. Clock off there first\.$/,
    );
    expect((await off(jory)).status).toBe(200);
    expect((await off(jory)).body.detail).toBe('You are not clocked on anywhere.');
  });
  test('pressed twice at once counts once, in the database itself', async () => {
    const stage = await stageOf('Bakery van', 'rear-box');
    const answers = await Promise.all([on(ravi, stage), on(ravi, stage), on(ravi, stage)]);
    expect(answers.filter((answer) => answer.status === 200)).toHaveLength(1);
    const { rows } = await shop
      .pool()
      .query(
        'select count(*)::int as n from time_entry t join person p on p.id = t.person_id where p.sign_in = $1 and t."to" is null',
        ['ravi'],
      );
    expect(rows[0].n).toBe(1);
    await off(ravi);
    await expect(
      shop
        .pool()
        .query(
          "insert into time_entry (person_id, stage_id, kind) select p.id, s.id, 'work' from person p, (select id from stage limit 1) s, generate_series(1, 2) where p.sign_in = 'ravi'",
        ),
    ).rejects.toThrow(/time_entry_(one_open|apart)/);
  });
  test('what must be done first is named', async () => {
    const stage = await stageOf('Bakery van', 'clearance');
    expect((await on(jory, stage)).body.detail).toBe('First finish “Rear box and drive in”.');
  });
  test('rework and waiting need their cause; a finished stage takes rework only', async () => {
    const done = await stageOf('Bakery van', 'clean');
    expect((await on(jory, done)).body.detail).toContain('rework');
    expect((await on(jory, done, { kind: 'rework', cause: null })).body.fields.cause).toBe(
      'Cause is needed for rework.',
    );
    expect((await on(jory, done, { kind: 'waiting', cause: 'weather' })).status).toBe(400);
    expect((await on(jory, done, { kind: 'rework', cause: 'wrongDrawing' })).status).toBe(200);
    await shop.pool().query(`delete from time_entry where "to" > now() - interval '1 hour'`);
    await shop.pool().query('update time_entry set "from" = now() - interval \'30 minutes\' where "to" is null');
    await off(jory);
    expect((await stageOf('Bakery van', 'clean')).hoursRework).toBeGreaterThanOrEqual(0.5);
    expect((await stageOf('Bakery van', 'clean')).state).toBe('done');
  });
  test('the first one on starts the stage and the job', async () => {
    const stage = await stageOf('Tour car', 'receive');
    await on(jory, stage);
    expect(await stageOf('Tour car', 'receive')).toMatchObject({
      state: 'inHand',
      onIt: [{ initials: 'JO', kind: 'work' }],
    });
    expect((await ilse.job('Tour car')).state).toBe('building');
    await off(jory);
  });
});

describe('readings against limits', () => {
  test('need the clock; out of limits stops the stage until measured again or decided', async () => {
    const stage = await stageOf('Bakery van', 'rear-box');
    expect((await read(jory, stage, 1, 66)).body.detail).toContain('Clock on to this stage first');
    await on(jory, stage);
    expect((await read(jory, stage, 0, 4)).body.verdict).toBe('within');
    expect((await read(jory, stage, 1, 81)).body.verdict).toBe('over');
    expect((await stageOf('Bakery van', 'rear-box')).state).toBe('stopped');
    expect(
      (
        await jory.send('post', `/stages/${stage.id}/finish`, {
          version: (await stageOf('Bakery van', 'rear-box')).version,
        })
      ).body.detail,
    ).toContain('out of limits');
    expect((await read(jory, stage, 1, 66)).body.verdict).toBe('within');
    expect((await stageOf('Bakery van', 'rear-box')).state).toBe('inHand');
    expect((await read(jory, stage, 2, 50)).body.verdict).toBe('under');
    expect((await ilse.send('post', `/steps/${stage.steps[2]!.id}/decision`, { reason: 'no' })).status).toBe(400);
    expect(
      (
        await ilse.send('post', `/steps/${stage.steps[2]!.id}/decision`, {
          reason: 'bolt replaced by a shorter one, torque by its sheet',
        })
      ).status,
    ).toBe(200);
    const after = await stageOf('Bakery van', 'rear-box');
    expect(after.state).toBe('inHand');
    expect(after.steps[2]!.reading).toMatchObject({ value: 50, verdict: 'under', decidedBy: 'Ilse Marrow' });
    expect(
      (await ilse.send('post', `/steps/${stage.steps[2]!.id}/decision`, { reason: 'once more' })).body.detail,
    ).toBe('There is nothing to decide here.');
  });
  test('insulation out of limits is let stand by nobody', async () => {
    const stage = await stageOf('Bakery van', 'rear-box');
    const step = stage.steps[2]!.id;
    const { rows } = await shop.pool().query('select limit_kind, limit_min, limit_max from step where id = $1', [step]);
    await shop
      .pool()
      .query("update step set limit_kind = 'insulation', limit_min = 30, limit_max = null where id = $1", [step]);
    expect((await read(jory, stage, 2, 12)).body.verdict).toBe('under');
    const answer = await ilse.send('post', `/steps/${step}/decision`, { reason: 'damp day' });
    expect([answer.status, answer.body.detail]).toEqual([
      422,
      'Insulation out of limits is let stand by nobody: find the fault, mend it, measure again.',
    ]);
    expect((await read(jory, stage, 2, 900)).body.verdict).toBe('within');
    const { limit_kind, limit_min, limit_max } = rows[0];
    await shop
      .pool()
      .query('update step set limit_kind = $2, limit_min = $3, limit_max = $4 where id = $1', [
        step,
        limit_kind,
        limit_min,
        limit_max,
      ]);
  });
  test.each(['66 N·m', '0,5', null, {}, true])('a value of %j is refused at its field', async (value) => {
    const stage = await stageOf('Bakery van', 'rear-box');
    const answer = await read(jory, stage, 1, value);
    expect(answer.status).toBe(400);
    expect(answer.body.fields.value).toMatch(
      value === null ? /^Measured value is needed\.$/ : /^Measured value must be a number/,
    );
  });
  test('a tick is a tick', async () => {
    const stage = await stageOf('Tour car', 'receive');
    await off(jory);
    await on(jory, stage);
    expect((await read(jory, stage, 0, 7)).body.fields.value).toContain('confirmed');
    expect((await read(jory, stage, 0, 1)).body.verdict).toBe('within');
    await off(jory);
  });
});

describe('finishing', () => {
  test('takes every step; of two who finish at once one is told who was first', async () => {
    const stage = await stageOf('Bakery van', 'rear-box');
    await on(jory, stage);
    await on(ravi, stage);
    const { version } = await stageOf('Bakery van', 'rear-box');
    const answers = await Promise.all(
      [jory, ravi].map((who) => who.send('post', `/stages/${stage.id}/finish`, { version })),
    );
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409]);
    expect(answers.find((answer) => answer.status === 409)?.body.current.message).toMatch(/^Finished already by /);
    expect(await stageOf('Bakery van', 'rear-box')).toMatchObject({ state: 'done', onIt: [] });
    expect((await read(jory, stage, 0, 4)).body.detail).toContain('finished');
  });
  test('with steps open it is refused', async () => {
    const stage = await stageOf('Bakery van', 'clearance');
    await on(jory, stage);
    const { version } = await stageOf('Bakery van', 'clearance');
    expect((await jory.send('post', `/stages/${stage.id}/finish`, { version })).body.detail).toBe(
      'Some steps have no answer yet.',
    );
    await off(jory);
  });
});

describe('live high-voltage work', () => {
  test('does not start with one person, two unauthorised ones, or an expired authorisation', async () => {
    const stage = await finishedBefore('School minibus', 'first-power');
    await on(soren, stage);
    expect((await stageOf('School minibus', 'first-power')).state).toBe('waiting');
    expect((await soren.send('post', `/stages/${stage.id}/confirm-live`)).body.detail).toContain(
      'A second person must clock on',
    );
    expect((await read(soren, stage, 0, 500)).status).toBe(422);
    await on(jory, stage);
    expect((await jory.send('post', `/stages/${stage.id}/confirm-live`)).status).toBe(403);
    await off(soren);
    await on(ravi, stage);
    expect((await ravi.send('post', `/stages/${stage.id}/confirm-live`)).status).toBe(403);
    await off(ravi);
    await shop
      .pool()
      .query(
        "update authorisation set valid_until = current_date - 1 where person_id = (select id from person where sign_in = 'tove')",
      );
    await on(tove, stage);
    const expired = await tove.send('post', `/stages/${stage.id}/confirm-live`);
    expect(expired.status).toBe(403);
    expect(expired.body.detail).toContain('ran out');
    await off(tove);
    await off(jory);
  });
  test('the database refuses it too, whoever asks', async () => {
    const stage = await stageOf('School minibus', 'first-power');
    await expect(shop.pool().query("update stage set state = 'inHand' where id = $1", [stage.id])).rejects.toThrow(
      /authorised person and a second one/,
    );
    await expect(shop.pool().query('update stage set hv_confirmed = true where id = $1', [stage.id])).rejects.toThrow(
      /authorised person and a second one/,
    );
  });
  test('starts with two, one authorised; when one leaves it is no longer confirmed', async () => {
    const stage = await stageOf('School minibus', 'first-power');
    await on(soren, stage);
    await on(jory, stage);
    expect((await soren.send('post', `/stages/${stage.id}/confirm-live`)).body.people.sort()).toEqual([
      'Jory Opie',
      'Soren Adaro',
    ]);
    expect(await stageOf('School minibus', 'first-power')).toMatchObject({ state: 'inHand', hvConfirmed: true });
    expect((await read(soren, stage, 0, 500)).body.verdict).toBe('within');
    await off(jory);
    expect((await stageOf('School minibus', 'first-power')).hvConfirmed).toBe(false);
    expect((await read(soren, stage, 1, 500)).status).toBe(422);
    await on(jory, stage);
    expect((await read(soren, stage, 1, 500)).body.detail).toContain('Confirm isolation');
    await soren.send('post', `/stages/${stage.id}/confirm-live`);
    await read(soren, stage, 1, 500);
    await read(soren, stage, 2, 1);
    expect(
      (
        await soren.send('post', `/stages/${stage.id}/finish`, {
          version: (await stageOf('School minibus', 'first-power')).version,
        })
      ).status,
    ).toBe(200);
  });
  test('rework on a finished live stage begins with the authorised person', async () => {
    const stage = await stageOf('School minibus', 'first-power');
    const rework = { kind: 'rework', cause: 'damaged' };
    expect((await on(jory, stage, rework)).body.detail).toContain('nobody on this stage is HV authorised');
    expect((await on(soren, stage, rework)).status).toBe(200);
    expect((await on(jory, stage, rework)).status).toBe(200);
    await off(jory);
    await off(soren);
  });
  test('a stage without live work has nothing to confirm', async () => {
    const stage = await stageOf('School minibus', 'interior');
    expect((await soren.send('post', `/stages/${stage.id}/confirm-live`)).body.detail).toContain('no live');
  });
});

describe('snags', () => {
  test('are noted and put right once', async () => {
    const job = await jory.job('Bakery van');
    expect((await jory.send('post', `/jobs/${job.number}/snags`, { text: '  ' })).status).toBe(400);
    const made = await jory.send('post', `/jobs/${job.number}/snags`, { text: 'Bracket fouls the hose' });
    expect((await ravi.send('post', `/snags/${made.body.id}/close`)).status).toBe(200);
    expect((await ravi.send('post', `/snags/${made.body.id}/close`)).body.detail).toContain('already');
    expect((await jory.job('Bakery van')).snags.find((snag) => snag.id === made.body.id)).toMatchObject({
      by: 'Jory Opie',
      closedBy: 'Ravi Dunmore',
    });
  });
});
