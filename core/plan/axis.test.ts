import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayNumber } from '../quantity/format.ts';
import { merged, WorkAxis } from './axis.ts';

// Monday 23 November 2026; the day has 7½ hours from 8:00 to 16:30 with an hour's break at noon.
const MONDAY = dayNumber('2026-11-23');
const OPEN = { startMin: 480, breakMin: 60, endMin: 990 };
const week = { workingDays: [1, 2, 3, 4, 5], closed: new Set([dayNumber('2026-12-08')]) };
const axis = (minute = 480, day = MONDAY) => new WorkAxis({ day, minute }, OPEN, week);

describe('working time laid end to end', () => {
  test.each([
    [0, { day: MONDAY, minute: 480 }],
    [240, { day: MONDAY, minute: 780 }],
    [450, { day: MONDAY + 1, minute: 480 }],
    [450 * 5, { day: MONDAY + 7, minute: 480 }],
    // Over a closed Tuesday.
    [450 * 11, { day: dayNumber('2026-12-09'), minute: 480 }],
  ])('minute %d begins', (minute, moment) => {
    expect(axis().momentOf(minute, 'start')).toEqual(moment);
    expect(axis().minuteAt(moment)).toBe(minute);
  });
  test('what ends with a day ends that day; before a break it ends there', () => {
    expect(axis().momentOf(450, 'end')).toEqual({ day: MONDAY, minute: 990 });
    expect(axis().momentOf(240, 'end')).toEqual({ day: MONDAY, minute: 720 });
    expect(axis().momentOf(450 * 5, 'end')).toEqual({ day: MONDAY + 4, minute: 990 });
  });
  test('begun in the middle of a day, in its break, at night or on a free day', () => {
    expect(axis(600).momentOf(0, 'start')).toEqual({ day: MONDAY, minute: 600 });
    expect(axis(750).momentOf(0, 'start')).toEqual({ day: MONDAY, minute: 780 });
    expect(axis(1200).momentOf(0, 'start')).toEqual({ day: MONDAY + 1, minute: 480 });
    expect(axis(600, MONDAY + 5).momentOf(0, 'start')).toEqual({ day: MONDAY + 7, minute: 480 });
  });
  test('what was before the axis begins stays in its order', () => {
    const one = axis(600);
    const moments = [MONDAY - 7, MONDAY - 1, MONDAY].flatMap((day) => [480, 590].map((minute) => ({ day, minute })));
    const minutes = moments.map((moment) => one.minuteAt(moment));
    expect(minutes).toEqual(minutes.toSorted((a, b) => a - b));
    expect(minutes.every((minute) => minute < 0)).toBe(true);
  });
  test('days away, short days', () => {
    expect(axis().spanOf(MONDAY + 4, MONDAY + 7)).toEqual({ from: 450 * 4, to: 450 * 6 });
    expect(axis().spanOf(MONDAY - 9, MONDAY)).toEqual({ from: 0, to: 450 });
    expect(axis(600).shortDays(300, 600)).toEqual([
      { from: 180, to: 330 },
      { from: 630, to: 780 },
    ]);
    expect(axis().shortDays(450, 900)).toEqual([]);
  });
  test('there and back again is the same, wherever it begins', () => {
    fc.assert(
      fc.property(fc.nat(20), fc.nat(1439), fc.nat(60_000), (day, minute, at) => {
        const one = axis(minute, MONDAY + day);
        for (const side of ['start', 'end'] as const) expect(one.minuteAt(one.momentOf(at, side))).toBe(at);
        const [a, b] = [one.momentOf(at, 'start'), one.momentOf(at + 1, 'start')];
        expect(a.day * 1440 + a.minute).toBeLessThan(b.day * 1440 + b.minute);
      }),
    );
  });
  test('a workshop that never works ends somewhere', () => {
    const never = new WorkAxis({ day: MONDAY, minute: 0 }, OPEN, { workingDays: [], closed: new Set() });
    expect(Number.isFinite(never.momentOf(1000, 'start').day)).toBe(true);
  });
});

test('stretches that touch become one', () => {
  const spans = [
    { from: 5, to: 9 },
    { from: 0, to: 2 },
    { from: 8, to: 12 },
    { from: 2, to: 3 },
    { from: 20, to: 20 },
  ];
  expect(merged(spans)).toEqual([
    { from: 0, to: 3 },
    { from: 5, to: 12 },
  ]);
});
