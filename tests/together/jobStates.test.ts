import { describe, expect, test } from 'vitest';
import { JOB_STATES, jobRefusal } from '../../core/job/states.ts';
import { ENDPOINTS } from '../../server/endpoints.ts';
import { refusalSentence } from '../../wording/job.ts';
import { allCases } from './cases.ts';
import { newestEvent, openGround } from './ground.ts';

const ground = openGround();
const { sql, ilse } = ground;
const CASES = allCases(ground);
const WRITING = ENDPOINTS.filter((one) => one.method !== 'get').map((one) => `${one.method} ${one.path}`);

test('there is a case for every address that changes something, and none besides', () => {
  expect(Object.keys(CASES).sort()).toEqual([...WRITING].sort());
});

// Where a job may be taken has a table of its own: core/job/stateMoves.test.ts.
describe.each(
  ENDPOINTS.filter((one) => one.act && one.act !== 'state'),
)('$method $path is held against the state of the job', ({ method, path: address, act }) => {
  test.each(JOB_STATES)('%s', async (state) => {
    const { path, body, who = ilse() } = await CASES[`${method} ${address}`]!.prepare();
    const refusal = jobRefusal(state, act!);
    const before = (await sql("select number, state from job where state not in ('handedOver', 'cancelled')")).rows;
    await sql("update job set state = $1 where state not in ('handedOver', 'cancelled')", [state]);
    const seen = await newestEvent(sql);
    const answer = await who.send(method as 'post', path, body(3));
    for (const one of before) await sql('update job set state = $1 where number = $2', [one.state, one.number]);
    const events = (await sql('select 1 from event where id > $1', [seen])).rows.length;
    if (refusal) {
      expect([answer.status, events]).toEqual([422, 0]);
      const [, number = ''] = /^(\d\d-\d+)/.exec(answer.body.detail) ?? [];
      expect(answer.body.detail).toBe(refusalSentence(number, refusal, act!));
    } else if (state === 'handedOver' || state === 'cancelled') {
      expect(['clockOff', 'move', 'lesson', 'cost']).toContain(act);
    } else expect(answer.status, answer.body.detail).toBe(200);
  });
});
