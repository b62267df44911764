import dayjs from 'dayjs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayNumber } from '../quantity/format.ts';
import { practiceOf, USUAL_PRACTICE } from './practice.ts';
import { afterWorkingDays, USUAL_CALENDAR, weekday, workingDaysIn } from './workingDays.ts';

const iso = (day: number | null) => (day === null ? null : dayjs(day * 86_400_000).format('YYYY-MM-DD'));
const from = (day: string, days: number, calendar = USUAL_CALENDAR) =>
  iso(afterWorkingDays(dayNumber(day), days, calendar));

describe('working days', () => {
  // Reference: dayjs, a general-purpose library.
  test('days of the week are those of the calendar', () => {
    fc.assert(
      fc.property(fc.integer({ min: -40_000, max: 80_000 }), (day) => {
        const known = new Date(day * 86_400_000).getUTCDay();
        return weekday(day) === (known === 0 ? 7 : known);
      }),
    );
  });
  test('weekends and closed days are passed over; a part of a day counts whole', () => {
    // 2026-11-25 is a Wednesday.
    expect(from('2026-11-25', 0)).toBe('2026-11-25');
    expect(from('2026-11-25', 1)).toBe('2026-11-26');
    expect(from('2026-11-25', 2.1)).toBe('2026-11-30');
    const closed = new Set([dayNumber('2026-11-26'), dayNumber('2026-11-30')]);
    expect(from('2026-11-25', 2, { ...USUAL_CALENDAR, closed })).toBe('2026-12-01');
    expect(from('2026-11-25', 1, { ...USUAL_CALENDAR, workingDays: [6] })).toBe('2026-11-28');
  });
  test('where no day is worked on nothing is ever done', () => {
    expect(from('2026-11-25', 1, { workingDays: [], closed: new Set() })).toBeNull();
  });
});

describe('working days from a day to another', () => {
  test('the first counts, the last does not; none backwards', () => {
    // Wednesday 25 to Wednesday 2 December: five.
    const wednesday = dayNumber('2026-11-25');
    expect(workingDaysIn(wednesday, wednesday + 7, USUAL_CALENDAR)).toBe(5);
    expect(workingDaysIn(wednesday + 3, wednesday + 5, USUAL_CALENDAR)).toBe(0);
    expect(workingDaysIn(wednesday, wednesday + 7, { ...USUAL_CALENDAR, closed: new Set([wednesday + 1]) })).toBe(4);
    expect(workingDaysIn(wednesday, wednesday, USUAL_CALENDAR)).toBe(0);
    expect(workingDaysIn(wednesday, wednesday - 9, USUAL_CALENDAR)).toBe(0);
  });
  test('counted up they add, and so many days on is no sooner than where they were counted to', () => {
    const day = fc.integer({ min: 20_000, max: 21_000 });
    const closed = fc.array(day, { maxLength: 20 }).map((days) => new Set(days));
    fc.assert(
      fc.property(day, fc.nat(200), fc.nat(200), closed, (start, a, b, shut) => {
        const calendar = { ...USUAL_CALENDAR, closed: shut };
        const whole = workingDaysIn(start, start + a + b, calendar);
        expect(workingDaysIn(start, start + a, calendar) + workingDaysIn(start + a, start + a + b, calendar)).toBe(
          whole,
        );
        // The count has the first day in it, going on counts from the day after: at most one working day apart.
        const on = afterWorkingDays(start, whole, calendar)!;
        expect(Math.abs(workingDaysIn(start, on, calendar) - whole)).toBeLessThanOrEqual(1);
      }),
    );
  });
});

test('what a workshop has not set is common practice', () => {
  expect(practiceOf({ firstJobNumber: 1 })).toEqual({ ...USUAL_PRACTICE, firstJobNumber: 1 });
});
