import { describe, expect, test } from 'vitest';
import { PROBLEM_TYPES } from '../../contract/problem.ts';
import { configFrom, todayIn } from '../../server/config.ts';
import { badInput, notFound, ProblemError, problemOf, ruleBroken, stale } from '../../server/problems.ts';

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
    expect(badInput({ name: 'Name is needed.', other: 'x' }).problem).toMatchObject({
      status: 400,
      detail: 'Name is needed.',
      fields: { name: 'Name is needed.', other: 'x' },
    });
    expect(badInput({}).problem.detail.length).toBeGreaterThan(10);
    expect(notFound('job').problem).toMatchObject({ status: 404, detail: 'There is no such job.' });
    expect(ruleBroken('First this.').problem.status).toBe(422);
    expect(stale({ version: 3 }).problem).toMatchObject({ status: 409, current: { version: 3 } });
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
    [{ code: '40001' }, 409, /Try again/],
    [{ code: '40P01' }, 409, /Try again/],
    [{ code: 'DJ001' }, 422, /never changed/],
    [{ code: 'DJ002' }, 422, /second one/],
    [{ type: 'entity.too.large' }, 413, /1 MB/],
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
    const own = notFound('kit');
    expect(problemOf(own)).toBe(own);
    expect(problemOf(new TypeError('undefined is not a function'))).toBeNull();
    expect(problemOf(null)).toBeNull();
    expect(problemOf({ code: '08006' })).toBeNull();
  });
});

describe('configuration', () => {
  test('today is the workshop’s, not the server’s', () => {
    const late = new Date('2026-06-30T23:30:00Z');
    expect(todayIn('Europe/Lisbon', late)).toBe('2026-07-01');
    expect(todayIn('UTC', late)).toBe('2026-06-30');
    expect(todayIn('Pacific/Auckland', late)).toBe('2026-07-01');
  });
  test('the environment decides name, zone and sample', () => {
    const config = configFrom(
      { WORKSHOP_NAME: 'Pier Works', WORKSHOP_TIME_ZONE: 'Atlantic/Azores', DAJO_DEMO: '0' },
      'postgres://x',
      null,
      's',
    );
    expect(config).toMatchObject({ workshopName: 'Pier Works', timeZone: 'Atlantic/Azores', demo: false });
    expect(configFrom({}, 'postgres://x', null, 's')).toMatchObject({ workshopName: 'Tarrow Quay Works', demo: true });
  });
});
