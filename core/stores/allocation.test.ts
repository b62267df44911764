import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { USUAL_CALENDAR } from '../practice/workingDays.ts';
import { choicesOf, type Wanting } from './allocation.ts';

// Day 20 784 is Friday 27 November 2026.
const FRIDAY = 20_784;
const pace = { today: FRIDAY, hoursPerDay: 10, calendar: USUAL_CALENDAR };
const wanting = (jobNumber: string, part: Partial<Wanting>): Wanting => ({
  ...{ lineId: jobNumber, jobNumber, quantity: 1, neededDay: FRIDAY, holds: false, remainingHours: 50 },
  ...{ otherPartsDay: null, promisedDay: null },
  ...part,
});

describe('who gets the one piece', () => {
  // One on hand, one comes in a week. Five working days of work each: begun today, done next Friday; a week later, the
  // Friday after.
  const first = wanting('26-105', { promisedDay: FRIDAY + 10, neededDay: FRIDAY });
  const second = wanting('26-107', { promisedDay: FRIDAY + 30, neededDay: FRIDAY + 5, holds: true });
  const choices = choicesOf(
    { onHand: 1, receipts: [{ day: FRIDAY + 7, quantity: 1 }], orderDays: 30 },
    [second, first],
    pace,
  );

  test('each choice says what it does to every job', () => {
    expect(choices.map(({ jobNumber, lateInAll }) => [jobNumber, lateInAll])).toEqual([
      ['26-105', 0],
      ['26-107', 4],
    ]);
    expect(choices[0]!.outcomes.map(({ jobNumber, partDay, readyDay }) => [jobNumber, partDay, readyDay])).toEqual([
      ['26-105', FRIDAY, FRIDAY + 7],
      ['26-107', FRIDAY + 7, FRIDAY + 14],
    ]);
    expect(choices[1]!.outcomes.map(({ lateDays }) => lateDays)).toEqual([4, 0]);
  });
  test('the one with the fewest days late in all is advised; of equal ones, things stay as they are', () => {
    expect(choices.map(({ advised }) => advised)).toEqual([true, false]);
    const relaxed = choicesOf(
      { onHand: 1, receipts: [{ day: FRIDAY + 7, quantity: 1 }], orderDays: 30 },
      [second, { ...first, promisedDay: FRIDAY + 30 }],
      pace,
    );
    expect(relaxed.find(({ advised }) => advised)!.jobNumber).toBe('26-107');
  });
  test('whoever finds nothing left waits for what would be ordered today', () => {
    const third = wanting('26-108', { neededDay: FRIDAY + 9 });
    const [one] = choicesOf({ onHand: 1, receipts: [], orderDays: 30 }, [first, third], pace);
    expect(one!.outcomes.map(({ partDay }) => partDay)).toEqual([FRIDAY, FRIDAY + 30]);
  });
  test('a part that does not hold the job up changes nothing; a job without stages has no day', () => {
    const waits = wanting('26-109', { otherPartsDay: FRIDAY + 21, promisedDay: FRIDAY + 40, neededDay: FRIDAY + 1 });
    const open = wanting('26-110', { remainingHours: null, neededDay: null });
    const all = choicesOf(
      { onHand: 1, receipts: [{ day: FRIDAY + 14, quantity: 2 }], orderDays: 30 },
      [waits, open],
      pace,
    );
    for (const { outcomes } of all) expect(outcomes[0]!.readyDay).toBe(FRIDAY + 28);
    expect(all[0]!.outcomes[1]!.readyDay).toBeNull();
  });
});

describe('where the plan says when it is ready', () => {
  // Its stage begins on Tuesday week (the piece comes then), and could begin on Wednesday; ready on Friday week.
  const planned = { day: FRIDAY + 11, wantedDay: FRIDAY + 5, readyDay: FRIDAY + 14 };
  const ready = (change: Partial<Wanting>, partDay: number, onHand = 1) => {
    const scarce = { onHand: 0, receipts: [{ day: partDay, quantity: onHand }], orderDays: 90 };
    return choicesOf(scarce, [wanting('26-105', { plan: planned, ...change })], pace)[0]!.outcomes[0]!.readyDay;
  };
  test('by hand: as many working days sooner or later as its stage begins', () => {
    expect(ready({}, FRIDAY + 11)).toBe(FRIDAY + 14);
    // Two working days later, over the weekend: the Tuesday after.
    expect(ready({}, FRIDAY + 13)).toBe(FRIDAY + 18);
    // On Thursday: three working days sooner (Thursday, Friday, Monday), from Friday week to Tuesday.
    expect(ready({}, FRIDAY + 6)).toBe(FRIDAY + 11);
    // Sooner than the stage could begin anyhow it is of no use.
    expect(ready({}, FRIDAY)).toBe(ready({}, FRIDAY + 5));
  });
  test('its other parts hold it as well, but no later than the plan has it', () => {
    expect(ready({ otherPartsDay: FRIDAY + 10 }, FRIDAY)).toBe(FRIDAY + 13);
    expect(ready({ otherPartsDay: FRIDAY + 40 }, FRIDAY)).toBe(FRIDAY + 14);
  });
  test('a stage that has its piece begins when the plan says, and later where it is taken away', () => {
    const has = { plan: { ...planned, wantedDay: null } };
    expect(ready(has, FRIDAY)).toBe(FRIDAY + 14);
    expect(ready(has, FRIDAY + 12)).toBe(FRIDAY + 17);
  });
});

describe('whatever there is and whoever wants it', () => {
  const jobs = fc
    .array(
      fc.record({
        quantity: fc.integer({ min: 1, max: 4 }),
        neededDay: fc.option(fc.integer({ min: FRIDAY, max: FRIDAY + 60 })),
        holds: fc.boolean(),
        remainingHours: fc.option(fc.integer({ min: 0, max: 200 })),
        otherPartsDay: fc.option(fc.integer({ min: FRIDAY, max: FRIDAY + 60 })),
        promisedDay: fc.option(fc.integer({ min: FRIDAY - 10, max: FRIDAY + 90 })),
      }),
      { minLength: 1, maxLength: 6 },
    )
    .map((list) => list.map((one, i) => wanting(`26-${100 + i}`, one)));
  const receipts = fc.array(
    fc.record({ day: fc.integer({ min: FRIDAY - 5, max: FRIDAY + 40 }), quantity: fc.integer({ min: 1, max: 3 }) }),
    { maxLength: 4 },
  );
  const scarce = fc.record({
    onHand: fc.integer({ min: 0, max: 6 }),
    receipts,
    orderDays: fc.integer({ min: 1, max: 60 }),
  });

  test('one choice a job, one advised, the advised one no later in all than any other', () => {
    fc.assert(
      fc.property(scarce, jobs, (there, wanted) => {
        const choices = choicesOf(there, wanted, pace);
        expect(choices.map(({ jobNumber }) => jobNumber).sort()).toEqual(
          wanted.map(({ jobNumber }) => jobNumber).sort(),
        );
        const advised = choices.filter((one) => one.advised);
        expect(advised.length).toBe(1);
        expect(advised[0]!.lateInAll).toBe(Math.min(...choices.map(({ lateInAll }) => lateInAll)));
      }),
    );
  });
  test('whoever comes first never has its pieces later than in another’s choice', () => {
    fc.assert(
      fc.property(scarce, jobs, (there, wanted) => {
        const choices = choicesOf(there, wanted, pace);
        for (const { lineId, outcomes } of choices) {
          const own = outcomes.find((one) => one.lineId === lineId)!.partDay;
          for (const other of choices)
            expect(own).toBeLessThanOrEqual(other.outcomes.find((one) => one.lineId === lineId)!.partDay);
        }
      }),
    );
  });
  test('nobody has pieces before today, nor is ready before they are there; more on hand makes no job later', () => {
    fc.assert(
      fc.property(scarce, jobs, (there, wanted) => {
        const choices = choicesOf(there, wanted, pace);
        const more = choicesOf({ ...there, onHand: there.onHand + 3 }, wanted, pace);
        for (const [i, { outcomes }] of choices.entries())
          for (const [j, one] of outcomes.entries()) {
            expect(one.partDay).toBeGreaterThanOrEqual(FRIDAY);
            if (one.readyDay !== null) expect(one.readyDay).toBeGreaterThanOrEqual(one.partDay);
            expect(more[i]!.outcomes[j]!.partDay).toBeLessThanOrEqual(one.partDay);
          }
      }),
    );
  });
});
