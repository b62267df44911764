import fc from 'fast-check';
import { median as mathMedian } from 'mathjs';
import { describe, expect, test } from 'vitest';
import { accuracyOf, adoptedFor, learntOf, type StageActual, withAdopted, worthAdopting } from './learnt.ts';

const took = (hours: number, day: number, more: Partial<StageActual> = {}): StageActual => ({
  ...{ job: `26-${100 + day}`, title: 'van', variantId: 'wren-11', key: 'box', hours, reworkHours: 0, planned: 6 },
  ...{ day: `2026-10-${String(day).padStart(2, '0')}`, ...more },
});

describe('what the last vehicles speak for', () => {
  test('is the median of the newest five, whatever order they come in; older ones count for nothing', () => {
    const list = [took(20, 1), took(5, 2), took(6, 3), took(40, 4), took(7, 5), took(6.5, 6)];
    // By hand: the newest five are 6.5, 7, 40, 6 and 5; their middle is 6.5. The vehicle of the first day is too old.
    expect(learntOf(list)).toEqual({ hours: 6.5, lowHours: 5, highHours: 40, vehicles: 5 });
    expect(learntOf(list.toReversed())).toEqual(learntOf(list));
  });
  test('says nothing of fewer than three', () => {
    expect(learntOf([took(5, 1), took(6, 2)])).toBeNull();
    expect(learntOf([])).toBeNull();
    expect(learntOf([took(5, 1), took(6, 2), took(7, 3)])).toMatchObject({ hours: 6, vehicles: 3 });
  });
  test('is of work on the first go: rework is kept apart', () => {
    const list = [took(5, 1, { reworkHours: 2 }), took(5, 2), took(6, 3, { reworkHours: 2 })];
    expect(learntOf(list)).toMatchObject({ hours: 5, highHours: 6 });
  });
  test('is the median of a general library, lies in its spread, and one that went wrong does not move it far', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.1, max: 80, noNaN: true }), { minLength: 3, maxLength: 5 }), (hours) => {
        const list = hours.map((one, i) => took(one, i + 1));
        const learnt = learntOf(list)!;
        expect(learnt.hours).toBeCloseTo(mathMedian(hours) as number, 1);
        expect(learnt.lowHours).toBeLessThanOrEqual(learnt.hours);
        expect(learnt.highHours).toBeGreaterThanOrEqual(learnt.hours);
        // However wrong the newest one goes, the estimate stays between the others.
        const wrong = learntOf([...list.slice(0, -1), took(9000, 28)])!;
        expect(wrong.hours).toBeLessThanOrEqual(hours.length > 3 ? Math.max(...hours.slice(0, -1)) + 0.01 : 9000);
      }),
    );
  });
  test('is worth asking about from a tenth and a quarter of an hour on', () => {
    const learnt = learntOf([took(6.5, 1), took(6.5, 2), took(6.5, 3)])!;
    expect(worthAdopting(6, learnt)).toBe(false);
    expect(worthAdopting(5.5, learnt)).toBe(true);
    expect(worthAdopting(6.5, learnt)).toBe(false);
    expect(worthAdopting(0.5, learntOf([took(0.7, 1), took(0.7, 2), took(0.7, 3)])!)).toBe(false);
  });
});

describe('what somebody has adopted', () => {
  const one = (key: string, variantId: string | null, hours: number) => ({
    ...{ key, variantId, hours, lowHours: hours, highHours: hours, vehicles: 3 },
  });
  const adopted = [one('box', null, 7), one('box', 'wren-12', 9), one('looms', 'wren-12', 4)];
  test('is a variant’s own before that of all', () => {
    expect(adoptedFor(adopted, 'box', 'wren-12')?.hours).toBe(9);
    expect(adoptedFor(adopted, 'box', 'wren-11')?.hours).toBe(7);
    expect(adoptedFor(adopted, 'looms', 'wren-11')).toBeNull();
  });
  test('stands in place of the hours a stage was written with; others stay', () => {
    const stages = [
      { key: 'box', hours: 6 },
      { key: 'looms', hours: 8 },
    ];
    expect(withAdopted(stages, adopted, 'wren-11').map(({ hours }) => hours)).toEqual([7, 8]);
    expect(withAdopted(stages, [], 'wren-11')).toEqual(stages);
  });
  test('accuracy is hours taken for each planned, over the whole', () => {
    expect(accuracyOf([took(9, 1), took(3, 2)])).toBe(1);
    expect(accuracyOf([took(9, 1)])).toBe(1.5);
    expect(accuracyOf([])).toBeNull();
  });
});
