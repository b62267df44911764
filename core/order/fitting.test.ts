import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { measure, see, stage } from '../kit/stageMakers.ts';
import { doneProblems, type FitterReading, fitterHours, fitterStages, leftToFit } from './fitting.ts';

const stages = [
  stage({ key: 'strip', name: 'Strip out', hours: 8, steps: [see('Fuel drained')] }),
  stage({
    ...{ key: 'box', name: 'Front box in', hours: 3, after: ['strip'] },
    steps: [see('Grease'), measure('Torque', 'torque', 42, 48)],
  }),
  stage({ key: 'power', name: 'First power', hours: 3, after: ['box'], liveHv: true, people: 2, steps: [] }),
];
const read = (value: number, more: Partial<FitterReading> = {}): FitterReading => ({
  ...{ id: 'r', stageKey: 'box', step: 1, value, instrument: '', by: 'Senna', at: '2026-11-01T08:00:00.000Z' },
  ...{ allowedWhy: null, allowedBy: null },
  ...more,
});
const done = (stageKey: string, hours: number | null = null) => ({ stageKey, by: 'Senna', at: '', hours });

describe('what a fitter does next', () => {
  const at = (of: ReturnType<typeof fitterStages>, key: string) => of.find(({ stage: own }) => own.key === key)!;

  test('stages wait for those before them, by name', () => {
    const fresh = fitterStages(stages, {}, [], []);
    expect(fresh.map(({ state }) => state)).toEqual(['ready', 'waits', 'waits']);
    expect(at(fresh, 'box').waitsFor).toEqual(['Strip out']);
    expect(doneProblems(at(fresh, 'box'))).toEqual(['waits', 'unread']);
  });

  test.each([
    ['just within', 42, []],
    ['just under', 41.99, ['outside']],
    ['just over', 48.01, ['outside']],
    ['at the other end', 48, []],
  ])('a torque %s its limits', (_, value, problems) => {
    const after = fitterStages(stages, {}, [done('strip')], [read(value)]);
    expect(doneProblems(at(after, 'box'))).toEqual(problems);
  });

  test('the newest reading counts; one that may stand stops nothing', () => {
    const again = [read(39), read(45, { id: 'r2', at: '2026-11-01T09:00:00.000Z' })];
    expect(doneProblems(at(fitterStages(stages, {}, [done('strip')], again), 'box'))).toEqual([]);
    expect(doneProblems(at(fitterStages(stages, {}, [done('strip')], [...again].reverse()), 'box'))).toEqual([]);
    const allowed = [read(39, { allowedWhy: 'new studs are on their way', allowedBy: 'Jory' })];
    expect(doneProblems(at(fitterStages(stages, {}, [done('strip')], allowed), 'box'))).toEqual([]);
  });

  test('a stage that is done here is not the fitter’s, and is not missed on their sheet', () => {
    const rows = fitterStages(stages, { power: 'here' }, [done('strip', 9), done('box', 3.5)], [read(45)]);
    expect(doneProblems(at(rows, 'power'))).toContain('notTheFitters');
    expect(leftToFit(rows)).toEqual([]);
    expect(fitterHours(rows)).toEqual({ planned: 11, taken: 12.5 });
    expect(leftToFit(fitterStages(stages, {}, [done('strip')], []))).toEqual(['Front box in', 'First power']);
  });

  test('nothing can be signed while one of their stages may still be done', () => {
    fc.assert(
      fc.property(fc.subarray(['strip', 'box', 'power']), fc.subarray(['strip', 'box', 'power']), (finished, ours) => {
        const rows = fitterStages(
          stages,
          Object.fromEntries(ours.map((key) => [key, 'here' as const])),
          finished.map((key) => done(key)),
          [],
        );
        const open = rows.filter(({ by, state }) => by === 'fitter' && state !== 'done').length;
        return leftToFit(rows).length === open;
      }),
    );
  });
});
