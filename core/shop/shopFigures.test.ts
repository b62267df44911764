import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  byCause,
  byKind,
  type DoneJob,
  daysLate,
  type MonthHours,
  monthsFrom,
  summaryOf,
  throughput,
} from './shopFigures.ts';

const job = (number: string, doneOn: string, promised: string | null, more: Partial<DoneJob> = {}): DoneJob => ({
  ...{ number, title: number, doneOn, promised, plannedHours: 50, tookHours: 60, reworkHours: 2, days: 12 },
  ...more,
});
const hour = (
  month: string,
  kind: MonthHours['kind'],
  hours: number,
  cause: string | null = null,
  of = 'a',
): MonthHours => ({
  ...{ month, kind, hours, cause, job: of },
});

test('months run over the end of a year', () => {
  expect(monthsFrom('2026-11', '2027-02')).toEqual(['2026-11', '2026-12', '2027-01', '2027-02']);
  expect(monthsFrom('2026-11', '2026-11')).toEqual(['2026-11']);
  expect(monthsFrom('2026-11', '2026-10')).toEqual([]);
});

describe('how the shop is doing, by hand', () => {
  const done = [
    job('a', '2026-10-30', '2026-10-30'),
    job('b', '2026-11-05', '2026-11-01', { days: 30 }),
    job('c', '2026-11-20', null, { plannedHours: 100, tookHours: 90, days: 20 }),
  ];
  const hours = [
    hour('2026-10', 'work', 30),
    hour('2026-11', 'work', 60),
    hour('2026-11', 'rework', 4, 'wrongDrawing'),
    hour('2026-11', 'rework', 2, 'ownMistake', 'b'),
    hour('2026-11', 'rework', 2, 'wrongDrawing', 'b'),
    hour('2026-11', 'waiting', 2, 'part'),
  ];
  test('on its day is in time, the day after is late', () => {
    expect(done.map(daysLate)).toEqual([0, 4, null]);
    expect(daysLate(job('d', '2026-03-30', '2026-03-28'))).toBe(2);
    expect(throughput(done, ['2026-10', '2026-11'])).toEqual([
      { month: '2026-10', inTime: 1, late: 0, notPromised: 0 },
      { month: '2026-11', inTime: 0, late: 1, notPromised: 1 },
    ]);
  });
  test('hours by kind and by cause, with what they cost', () => {
    expect(byKind(hours, ['2026-10', '2026-11'], 'rework')).toEqual([0, 8]);
    expect(byCause(hours, 'rework', 5000)).toEqual([
      { cause: 'wrongDrawing', hours: 6, jobs: 2, cents: 30_000 },
      { cause: 'ownMistake', hours: 2, jobs: 1, cents: 10_000 },
    ]);
    expect(byCause(hours, 'waiting', 5000)).toEqual([{ cause: 'part', hours: 2, jobs: 1, cents: 10_000 }]);
  });
  test('in all', () => {
    expect(summaryOf(done, hours)).toEqual({
      ...{ done: 3, keptShare: 0.5, medianDays: 20, accuracy: 210 / 200, reworkShare: 0.08, waitingShare: 0.02 },
    });
    expect(summaryOf([], [])).toEqual({
      ...{ done: 0, keptShare: null, medianDays: null, accuracy: null, reworkShare: null, waitingShare: null },
    });
  });
});

test('kinds and causes add up to all hours, whatever they are', () => {
  const kinds = ['work', 'rework', 'waiting', 'learning'] as const;
  const months = ['2026-10', '2026-11', '2026-12'];
  const one = fc.record({
    month: fc.constantFrom(...months),
    kind: fc.constantFrom(...kinds),
    hours: fc.integer({ min: 0, max: 400 }).map((quarters) => quarters / 4),
    cause: fc.constantFrom('x', 'y'),
    job: fc.constantFrom('a', 'b', 'c'),
  });
  fc.assert(
    fc.property(fc.array(one, { maxLength: 40 }), (hours) => {
      const all = hours.reduce((sum, { hours: h }) => sum + h, 0);
      const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
      expect(sum(kinds.flatMap((kind) => byKind(hours, months, kind)))).toBe(all);
      for (const kind of ['rework', 'waiting'] as const)
        expect(sum(byCause(hours, kind, 1).map((cause) => cause.hours))).toBe(sum(byKind(hours, months, kind)));
    }),
  );
});
