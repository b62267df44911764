import { describe, expect, test } from 'vitest';
import { PROBLEM_TYPES } from '../../contract/problem.ts';
import { configFrom, SettingFault } from '../../server/config.ts';
import { BadInput, NotFound, ProblemError, problemOf, RuleBroken, Stale } from '../../server/problems.ts';
import { dayOf } from '../../wording/dates.ts';

describe('problem documents', () => {
  test('each type has its status, title and stable address', () => {
    for (const type of PROBLEM_TYPES) {
      const { problem } = new ProblemError(type, 'Do this.');
      expect(problem.type).toBe(`/problems/${type}`);
      expect(problem.status).toBeGreaterThanOrEqual(400);
      expect(problem.title.length).toBeGreaterThan(3);
    }
  });
  test('the first field gives the sentence; nothing named gives a general one', () => {
    expect(new BadInput({ name: 'Name is needed.', other: 'x' }).problem).toMatchObject({
      status: 400,
      detail: 'Name is needed.',
      fields: { name: 'Name is needed.', other: 'x' },
    });
    expect(new BadInput({}).problem.detail.length).toBeGreaterThan(10);
    expect(new NotFound('job').problem).toMatchObject({ status: 404, detail: 'There is no such job.' });
    expect(new RuleBroken('First this.').problem.status).toBe(422);
    expect(new Stale({ version: 3 }).problem).toMatchObject({ status: 409, current: { version: 3 } });
  });
});

describe('what the database and the parser throw', () => {
  test.each([
    [{ code: '23505', constraint: 'time_entry_one_open' }, 409, /clocked on elsewhere/],
    [{ code: '23505', constraint: 'something_new' }, 409, /there already/],
    [{ code: '23503' }, 400, /not there/],
    [{ code: '23514' }, 400, /outside/],
    [{ code: '22003', message: 'integer out of range' }, 400, /integer out of range/],
    [{ code: '22P05' }, 400, /cannot be stored/],
    [{ code: '40001' }, 503, /try again/],
    [{ code: '40P01' }, 503, /try again/],
    [{ code: '08006' }, 503, /Nothing was stored/],
    [{ code: '57P01' }, 503, /database cannot be reached/],
    [{ code: '53300' }, 503, /database cannot be reached/],
    [{ code: '55P03' }, 503, /Somebody else/],
    [{ code: '57014' }, 503, /took longer/],
    [{ code: 'ECONNREFUSED', syscall: 'connect' }, 503, /cannot be reached/],
    [new Error('Connection terminated unexpectedly'), 503, /cannot be reached/],
    [new Error('timeout exceeded when trying to connect'), 503, /cannot be reached/],
    [{ code: 'Z_DATA_ERROR', errno: -3 }, 400, /JSON/],
    [{ code: 'DJ001' }, 422, /never changed/],
    [{ code: 'DJ002' }, 422, /second one/],
    [{ type: 'entity.too.large' }, 413, /more than Dajo takes/],
    [{ type: 'entity.parse.failed' }, 400, /JSON/],
    [{ type: 'charset.unsupported' }, 400, /JSON/],
    [new URIError('bad'), 404, /address/],
  ])('%j', (thrown, status, sentence) => {
    const { problem } = problemOf(thrown)!;
    expect(problem.status).toBe(status);
    expect(problem.detail).toMatch(sentence);
  });
  test('a cause is looked into; a problem stays itself; a real fault is none', () => {
    expect(problemOf(new Error('query failed', { cause: { code: '23503' } }))?.problem.status).toBe(400);
    const own = new NotFound('kit');
    expect(problemOf(own)).toBe(own);
    expect(problemOf(new TypeError('undefined is not a function'))).toBeNull();
    expect(problemOf(null)).toBeNull();
    expect(problemOf({ code: 'XX000' })).toBeNull();
  });
});

describe('configuration', () => {
  test('today is the workshop’s, not the server’s', () => {
    const late = new Date('2026-06-30T23:30:00Z');
    expect(dayOf(late, 'Europe/Lisbon')).toBe('2026-07-01');
    expect(dayOf(late, 'UTC')).toBe('2026-06-30');
    expect(dayOf(late, 'Pacific/Auckland')).toBe('2026-07-01');
  });
  const standing = { databaseUrl: 'postgres://x', pageFolder: null, sessionSecret: 's', sample: false };
  test('the sample is the caller’s word, and two workshops on one address have two cookies', () => {
    expect(configFrom({}, standing)).toMatchObject({
      demo: false,
      trustedProxies: [],
      cookieName: 'dajo',
      houses: null,
    });
    expect(configFrom({}, { ...standing, sample: true })).toMatchObject({ demo: true });
    const ownBegun = async () => true;
    expect(configFrom({}, { ...standing, houses: { here: 'own', ownBegun } }).cookieName).toBe('dajo-own');
    expect(configFrom({}, { ...standing, houses: { here: 'sample', ownBegun } }).cookieName).toBe('dajo');
  });
  test.each([
    [{ SIGN_IN_TRIES: 'many' }, /SIGN_IN_TRIES is “many”: write a whole number from 1 to 1000\./],
    [{ SIGN_IN_TRIES: '0' }, /whole number from 1/],
    [{ TRUSTED_PROXIES: '10.0.0.1, everybody' }, /has “everybody”: write addresses/],
  ])('%j is said in one sentence', (env, sentence) => {
    expect(() => configFrom(env, standing)).toThrow(SettingFault);
    expect(() => configFrom(env, standing)).toThrow(sentence);
  });
  test('proxies go by address, network or name', () => {
    const { trustedProxies } = configFrom({ TRUSTED_PROXIES: 'loopback, 10.1.0.0/16,fd00::1' }, standing);
    expect(trustedProxies).toEqual(['loopback', '10.1.0.0/16', 'fd00::1']);
  });
});
