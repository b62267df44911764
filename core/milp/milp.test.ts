import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { highsSolver } from './highs.ts';
import { lpSum, type Solver } from './solver.ts';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
});

describe('sums of a programme as text', () => {
  test('signs stand apart, terms of nought are left out', () => {
    expect(
      lpSum([
        [2, 'x'],
        [-3.5, 'y'],
        [0, 'z'],
      ]),
    ).toBe('+ 2 x - 3.5 y');
    expect(lpSum([])).toBe('');
  });
});

describe('the solver', () => {
  test('a textbook programme by hand: 3x + 5y with x ≤ 4, 2y ≤ 12, 3x + 2y ≤ 18 is 36 at (2, 6)', () => {
    const lp = 'Maximize\n obj: 3 x + 5 y\nSubject To\n a: x <= 4\n b: 2 y <= 12\n c: 3 x + 2 y <= 18\nEnd\n';
    const found = solve(lp, 5);
    expect(found.state).toBe('optimal');
    expect(found.objective).toBeCloseTo(36, 9);
    expect([found.value('x'), found.value('y')].map(Math.round)).toEqual([2, 6]);
    expect(found.gap).toBe(0);
    expect(found.value('nobody')).toBe(0);
  });
  test('whole numbers are whole: the relaxed answer is not taken', () => {
    // Relaxed it is 2.5; in whole numbers 2.
    const lp = 'Maximize\n obj: x\nSubject To\n a: 2 x <= 5\nBounds\n x <= 10\nGeneral\n x\nEnd\n';
    expect(solve(lp, 5).objective).toBeCloseTo(2, 9);
  });
  test('what nothing satisfies is said, and what has no end is not taken for an answer', () => {
    expect(solve('Minimize\n obj: x\nSubject To\n a: x >= 3\n b: x <= 2\nEnd\n', 5).state).toBe('none');
    expect(solve('Maximize\n obj: x\nSubject To\n a: x >= 0\nEnd\n', 5).state).toBe('none');
  });
  test('a knapsack is the best of all ways, tried one by one', () => {
    const things = fc.array(
      fc.record({ worth: fc.integer({ min: 1, max: 30 }), mass: fc.integer({ min: 1, max: 20 }) }),
      {
        minLength: 1,
        maxLength: 8,
      },
    );
    fc.assert(
      fc.property(things, fc.integer({ min: 0, max: 60 }), (all, most) => {
        let best = 0;
        for (let bits = 0; bits < 2 ** all.length; bits++) {
          const taken = all.filter((_, i) => (bits >> i) & 1);
          const mass = taken.reduce((sum, one) => sum + one.mass, 0);
          if (mass <= most)
            best = Math.max(
              best,
              taken.reduce((sum, one) => sum + one.worth, 0),
            );
        }
        const names = all.map((_, i) => `t${i}`);
        const lp = [
          `Maximize\n obj: ${lpSum(all.map(({ worth }, i) => [worth, names[i]!] as const))}`,
          `Subject To\n mass: ${lpSum(all.map(({ mass }, i) => [mass, names[i]!] as const))} <= ${most}`,
          `Binary\n ${names.join(' ')}\nEnd\n`,
        ].join('\n');
        expect(solve(lp, 5).objective).toBeCloseTo(best, 6);
      }),
      { numRuns: 40 },
    );
  });
});
