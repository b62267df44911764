import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { madeAt, type Span, spanProblem } from '../core/hours/entry.ts';
import { byDay, type Clocked, hoursOfMs, isForgotten, sumsBy, within } from '../core/hours/sums.ts';
import { dayBegins, localInstant, weekOf, zoneDays } from './zoneDays.ts';

const H = 3_600_000;
const at = (iso: string) => Date.parse(iso);
const BERLIN = zoneDays('Europe/Berlin');
const DUBLIN = zoneDays('Europe/Dublin');
const YORK = zoneDays('America/New_York');

describe('hours are instants; days are cut where the zone has midnight', () => {
  // Summer time in the European Union begins and ends at 01:00 UTC on the last Sunday of March and October
  // (Directive 2000/84/EC, articles 2 and 3): 29 March and 25 October in 2026.
  test('a night through the clock change has an hour less or more', () => {
    const spring = byDay({ from: at('2026-03-28T21:00:00Z'), to: at('2026-03-29T04:00:00Z') }, 0, BERLIN);
    expect(spring.map(({ day, hours }) => [day, hours])).toEqual([
      ['2026-03-28', 2],
      ['2026-03-29', 5],
    ]);
    // The wall shows 00:00 to 06:00, six hours, and five went by.
    expect(localInstant('2026-03-29', '06:00', 'Europe/Berlin') - dayBegins('2026-03-29', 'Europe/Berlin')).toBe(5 * H);
    expect(localInstant('2026-10-25', '06:00', 'Europe/Berlin') - dayBegins('2026-10-25', 'Europe/Berlin')).toBe(7 * H);
    expect(BERLIN.nextDay('2026-10-25') - dayBegins('2026-10-25', 'Europe/Berlin')).toBe(25 * H);
    expect(DUBLIN.nextDay('2026-03-29') - dayBegins('2026-03-29', 'Europe/Dublin')).toBe(23 * H);
    // In the United States at 02:00 local on the second Sunday of March (15 U.S.C. § 260a): 8 March in 2026.
    expect(YORK.nextDay('2026-03-08') - dayBegins('2026-03-08', 'America/New_York')).toBe(23 * H);
  });
  test('a time that comes twice is the first of both; one that is left out is as long after the last', () => {
    expect(localInstant('2026-10-25', '02:30', 'Europe/Berlin')).toBe(at('2026-10-25T00:30:00Z'));
    expect(localInstant('2026-03-29', '02:30', 'Europe/Berlin')).toBe(at('2026-03-29T01:30:00Z'));
    expect(localInstant('2026-07-01', '08:00', 'Asia/Kolkata')).toBe(at('2026-07-01T02:30:00Z'));
    expect(localInstant('2026-07-01', '08:00', 'Pacific/Auckland')).toBe(at('2026-06-30T20:00:00Z'));
  });
  test('parts meet, lie on their day each, and add up to the whole', () => {
    const zones = ['Europe/Berlin', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Apia'];
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: at('2025-12-30T00:00:00Z'), max: at('2027-01-03T00:00:00Z') }),
        fc.integer({ min: 1, max: 80 * H }),
        (zone, from, long) => {
          const days = zoneDays(zone);
          const parts = byDay({ from, to: from + long }, 0, days);
          expect(parts[0]!.from).toBe(from);
          expect(parts.at(-1)!.to).toBe(from + long);
          for (const [i, part] of parts.entries()) {
            expect(days.dayOf(part.from)).toBe(part.day);
            expect(days.dayOf(part.to - 1)).toBe(part.day);
            if (i > 0) expect(part.from).toBe(parts[i - 1]!.to);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
  test('weeks begin on Monday, over the end of months and years', () => {
    expect(['2026-11-30', '2026-12-01', '2026-12-06', '2027-01-01'].map(weekOf)).toEqual([
      ...['2026-11-30', '2026-11-30', '2026-11-30', '2026-12-28'],
    ]);
  });
});

const ids = (prefix: string, n: number) => fc.integer({ min: 1, max: n }).map((i) => `${prefix}${i}`);
const clocked: fc.Arbitrary<Clocked> = fc
  .record({
    personId: ids('p', 4),
    jobNumber: ids('26-10', 3),
    stageId: ids('s', 5),
    kind: fc.constantFrom('work' as const, 'rework' as const, 'waiting' as const, 'learning' as const),
    from: fc.integer({ min: at('2026-10-20T00:00:00Z'), max: at('2026-11-05T00:00:00Z') }),
    long: fc.integer({ min: 0, max: 30 * H }),
  })
  .map(({ long, ...entry }) => ({ ...entry, to: entry.from + long }));

test('sums by job, stage, person, kind, day and week agree to the millisecond', () => {
  fc.assert(
    fc.property(fc.array(clocked, { maxLength: 30 }), (entries) => {
      const now = at('2026-12-01T00:00:00Z');
      const all = entries.reduce((sum, { from, to }) => sum + (to! - from), 0);
      const keys: ((entry: Clocked, day: string) => string)[] = [
        ({ jobNumber }) => jobNumber,
        ({ stageId, jobNumber }) => `${jobNumber} ${stageId}`,
        ({ personId }) => personId,
        ({ kind }) => kind,
        (_, day) => day,
        (_, day) => weekOf(day),
        ({ personId }, day) => `${personId} ${weekOf(day)}`,
      ];
      for (const key of keys)
        expect([...sumsBy(entries, now, BERLIN, key).values()].reduce((a, b) => a + b, 0)).toBe(all);
      // Two weeks beside each other hold what both hold.
      const cut = at('2026-10-27T23:00:00Z');
      const sum = (list: readonly Span[]) => list.reduce((total, { from, to }) => total + (to! - from), 0);
      expect(sum(within(entries, 0, cut, now)) + sum(within(entries, cut, now, now))).toBe(all);
    }),
    { numRuns: 200 },
  );
  expect(hoursOfMs(90 * 60_000)).toBe(1.5);
});

describe('hours entered afterwards', () => {
  const now = at('2026-11-26T15:00:00Z');
  test.each([
    [now - 2 * H, now - H, null],
    [now - 2 * H, now - 2 * H, 'backwards'],
    [now - H, now - 2 * H, 'backwards'],
    [now - H, now + 1, 'ahead'],
    [now + H, null, 'ahead'],
    [now - 17 * H, now, 'tooLong'],
    [now - 17 * H, null, 'tooLong'],
    [now - 63 * 24 * H, now - 63 * 24 * H + H, 'tooOld'],
  ] as const)('%d to %s: %s', (from, to, problem) => expect(spanProblem({ from, to }, now)).toBe(problem));
  test('left running they count for sixteen hours, on the clock until now', () => {
    const days = (hours: number) => byDay({ from: now - hours * H, to: null }, now, BERLIN);
    const sum = (hours: number) => days(hours).reduce((all, part) => all + part.hours, 0);
    expect([2, 15, 16, 17, 70].map(sum)).toEqual([2, 15, 16, 16, 16]);
    expect(within([{ from: now - 70 * H, to: null }], 0, now, now)).toEqual([{ from: now - 70 * H, to: now - 54 * H }]);
  });
  test('a clock left running since yesterday is forgotten; a night shift is until midnight', () => {
    expect(isForgotten({ from: at('2026-11-25T15:00:00Z'), to: null }, now, BERLIN)).toBe(true);
    expect(isForgotten({ from: at('2026-11-26T07:00:00Z'), to: null }, now, BERLIN)).toBe(false);
    expect(isForgotten({ from: at('2026-11-25T15:00:00Z'), to: now }, now, BERLIN)).toBe(false);
    // Half past midnight in Berlin is the day before in London.
    expect(isForgotten({ from: at('2026-11-25T22:50:00Z'), to: null }, at('2026-11-25T23:30:00Z'), BERLIN)).toBe(true);
    expect(isForgotten({ from: at('2026-11-25T22:50:00Z'), to: null }, at('2026-11-25T23:30:00Z'), DUBLIN)).toBe(false);
  });
});

describe('when something was done by a clock that may be wrong', () => {
  const now = at('2026-11-26T15:00:00Z');
  const WEEK = 7 * 24 * H;
  test('is its age by that clock, whatever that clock shows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -400 * 24 * H, max: 400 * 24 * H }),
        fc.integer({ min: 0, max: WEEK }),
        (skew, age) => {
          expect(madeAt(now, { made: now + skew - age, sent: now + skew }, WEEK)).toBe(now - age);
        },
      ),
    );
  });
  test('is now where the clock was set back in between, and nobody knows where it is older than a week', () => {
    expect(madeAt(now, { made: now + H, sent: now }, WEEK)).toBe(now);
    expect(madeAt(now, { made: now - WEEK - 1, sent: now }, WEEK)).toBeNull();
  });
});
