import { describe, expect, test } from 'vitest';
import { ENDPOINTS } from '../../server/endpoints.ts';
import type { Case, Outcome } from './case.ts';
import { CASES_OF } from './cases.ts';
import { newestEvent, openGround, TEN } from './ground.ts';

const SECRET = new Set(ENDPOINTS.filter((one) => one.secret).map((one) => `${one.method} ${one.path}`));

const said = (answers: readonly { status: number; body: { detail?: string } }[]) =>
  answers.map((one) => `${one.status} ${one.body.detail ?? ''}`).join('\n');

/**
 * Every address that changes something is fired ten times at the same moment: with the same body under one key, with
 * the same body under ten keys, and with ten bodies. What was answered 200 must be in the log, once; what changes one
 * thing from a known version must change it once.
 */
export function tenAtOnce(...about: readonly (keyof typeof CASES_OF)[]): void {
  const ground = openGround();
  const { sql, ilse } = ground;
  const cases = Object.assign({}, ...about.map((one) => CASES_OF[one](ground))) as Record<string, Case>;

  async function volley(name: string, bodyOf: (i: number) => number, keyOf: (i: number) => string) {
    const { path, body, who = ilse() } = await cases[name]!.prepare();
    const before = await newestEvent(sql);
    const method = name.split(' ')[0] as 'post' | 'put' | 'delete';
    const answers = await Promise.all(
      TEN.map((i) => who.send(method, path, body(bodyOf(i)), { 'Idempotency-Key': keyOf(i) })),
    );
    const { rows } = await sql('select what, after from event where id > $1', [before]);
    return {
      answers,
      events: rows.length / (cases[name]!.events ?? 1),
      good: answers.filter((one) => one.status === 200),
    };
  }

  function expectOutcome(
    name: string,
    outcome: Outcome,
    { answers, events, good }: Awaited<ReturnType<typeof volley>>,
  ) {
    expect(
      answers.every((one) => one.status < 500),
      said(answers),
    ).toBe(true);
    const logged = name === 'put /preferences' ? good.length : events;
    if (outcome === 'one') expect([good.length, logged], said(answers)).toEqual([1, 1]);
    if (outcome === 'all') expect([good.length, logged], said(answers)).toEqual([10, 10]);
    if (outcome === 'once' && name !== 'put /preferences')
      expect([good.length, logged], said(answers)).toEqual([10, 1]);
    for (const one of answers) if (one.status !== 200) expect(one.body.detail.length).toBeGreaterThan(10);
  }

  describe.each(Object.keys(cases))('%s, ten at once', (name) => {
    test('one request sent ten times is done once and answered alike', async () => {
      const { answers, events, good } = await volley(
        name,
        () => 0,
        () => `${name} the same`,
      );
      // What is secret is not remembered by its key.
      if (SECRET.has(name)) {
        expectOutcome(name, cases[name]!.same, { answers, events, good });
        return;
      }
      expect(good.length, said(answers)).toBe(10);
      expect(new Set(answers.map((one) => JSON.stringify(one.body))).size).toBe(1);
      if (name !== 'put /preferences') expect(events).toBe(1);
    });
    test('ten people with the same body', async () => {
      const fired = await volley(
        name,
        () => 1,
        (i) => `${name} same body ${i}`,
      );
      expectOutcome(name, cases[name]!.same, fired);
    });
    test('ten people with different bodies', async () => {
      const fired = await volley(
        name,
        (i) => i,
        (i) => `${name} own body ${i}`,
      );
      expectOutcome(name, cases[name]!.different, fired);
    });
  });
}
