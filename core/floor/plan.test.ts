import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { freeSpot, type Plan, type PlannedPlace, planProblems, USUAL_SIZE } from './plan.ts';

const place = (
  name: string,
  box: [number, number, number, number],
  change: Partial<PlannedPlace> = {},
): PlannedPlace => {
  const [xM, yM, widthM, lengthM] = box;
  return { id: null, name, kind: 'bay', lift: false, alignment: false, xM, yM, widthM, lengthM, ...change };
};
const plan = (...places: PlannedPlace[]): Plan => ({ building: { widthM: 10, lengthM: 8 }, places });

describe('a plan', () => {
  test('places side by side, and against the walls, are good', () =>
    expect(planProblems(plan(place('a', [0, 0, 5, 8]), place('b', [5, 0, 5, 4]), place('c', [5, 4, 5, 4])))).toEqual(
      [],
    ));
  test.each([
    ['over the right wall', place('a', [6, 0, 4.02, 2])],
    ['over the lower wall', place('a', [0, 7, 2, 1.02])],
    ['over the left wall', place('a', [-0.02, 0, 2, 1])],
    ['above the upper wall', place('a', [0, -0.02, 2, 1])],
  ])('%s', (_, one) => expect(planProblems(plan(one))).toEqual([{ at: 0, problem: 'outOfBuilding' }]));
  test('one over another is said at the later one, with the earlier one’s name', () =>
    expect(planProblems(plan(place('a', [0, 0, 4, 4]), place('b', [3.98, 0, 4, 4])))).toEqual([
      { at: 1, problem: 'overlaps', with: 'a' },
    ]));
  test('two of one name, whatever the case', () =>
    expect(planProblems(plan(place('Bay', [0, 0, 1, 1]), place('bay', [2, 0, 1, 1])))).toEqual([
      { at: 1, problem: 'sameName' },
    ]));
  test('what is outside lies nowhere in the building', () =>
    expect(planProblems(plan(place('a', [0, 0, 4, 4]), place('paint', [90, 90, 9, 9], { kind: 'outside' })))).toEqual(
      [],
    ));
});

describe('a new place', () => {
  test('goes to the first spot that is free, row by row', () => {
    expect(freeSpot(plan(), [4, 4])).toEqual({ xM: 0, yM: 0 });
    expect(freeSpot(plan(place('a', [0, 0, 4, 4])), [4, 4])).toEqual({ xM: 4, yM: 0 });
    expect(freeSpot(plan(place('a', [0, 0, 7, 4])), [4, 4])).toEqual({ xM: 0, yM: 4 });
    expect(freeSpot(plan(place('a', [0, 0, 7, 5])), [4, 4])).toBeNull();
    expect(freeSpot(plan(), [11, 1])).toBeNull();
  });
  test('never makes a plan wrong', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...Object.entries(USUAL_SIZE)), { maxLength: 8 }), (wanted) => {
        let now = plan();
        for (const [kind, size] of wanted) {
          const at = freeSpot(now, size);
          if (!at) continue;
          const one = place(`${kind} ${now.places.length}`, [at.xM, at.yM, size[0], size[1]]);
          now = { ...now, places: [...now.places, one] };
        }
        expect(planProblems(now)).toEqual([]);
      }),
    ));
});
