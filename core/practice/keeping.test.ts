import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { KEEP_DAYS, KEEP_MONTHS, KEEP_WEEKS, toThrowAway } from './keeping.ts';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 10, 25, 3);
const ages = (...days: number[]) => days.map((age) => ({ id: String(age), at: NOW - age * DAY }));
const gone = (...days: number[]) => toThrowAway(ages(...days), NOW).map(({ id }) => Number(id));

describe('which backups are kept', () => {
  test('every one of the last fortnight', () =>
    expect(gone(...Array.from({ length: KEEP_DAYS }, (_, i) => i))).toEqual([]));
  test('then the newest of a week, then of a month, then none', () => {
    expect(gone(0, 14, 15, 20, 21, 22)).toEqual([15, 20, 22]);
    expect(gone(0, 60, 61, 89, 90)).toEqual([61, 89]);
    expect(gone(0, KEEP_MONTHS * 30 - 1, KEEP_MONTHS * 30)).toEqual([KEEP_MONTHS * 30]);
  });
  test('the last one there is stays, however old', () => expect(gone(4000)).toEqual([]));
  test('made daily for years, few are there, and thrown away day by day the same ones stay', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 900 }), (days) => {
        let kept: { id: string; at: number }[] = [];
        for (let d = 0; d <= days; d++) {
          const now = NOW + d * DAY;
          kept.push({ id: String(d), at: now });
          const out = new Set(toThrowAway(kept, now).map(({ id }) => id));
          kept = kept.filter(({ id }) => !out.has(id));
        }
        return kept.length <= KEEP_DAYS + KEEP_WEEKS + KEEP_MONTHS && kept.at(-1)!.id === String(days);
      }),
      { numRuns: 20 },
    );
  });
});
