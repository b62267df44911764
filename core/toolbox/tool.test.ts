import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { crosswise, missingKinds, type ToolFacts, toolProblem } from './tool.ts';

const wrench: ToolFacts = { kind: 'torque wrench', calibrated: true, calibratedUntil: '2026-11-26', outWhy: null };

describe('a tool on a day', () => {
  test.each([
    [{}, '2026-11-26', null],
    [{}, '2026-11-27', 'calibrationOver'],
    [{ calibratedUntil: null }, '2026-11-26', 'neverCalibrated'],
    [{ calibrated: false, calibratedUntil: null }, '2030-01-01', null],
    [{ outWhy: 'dropped' }, '2026-11-26', 'out'],
    [{ kind: 'insulation tester' }, '2026-11-26', 'otherKind'],
  ] as const)('%j on %s: %s', (more, day, problem) =>
    expect(toolProblem({ ...wrench, ...more }, 'torque wrench', day)).toBe(problem));
  test('a kind is missing where no piece of it can be used', () => {
    const old = { ...wrench, calibratedUntil: '2026-01-01' };
    const crimp = { ...wrench, kind: 'crimp tool', outWhy: 'lost' };
    expect(missingKinds(['torque wrench', 'crimp tool'], [old, wrench, crimp], '2026-11-26')).toEqual(['crimp tool']);
    // Nobody keeps spanners in the register: nothing is known of them.
    expect(missingKinds(['spanner'], [wrench], '2026-11-26')).toEqual([]);
    expect(missingKinds(['torque wrench'], [old], '2026-11-26')).toEqual(['torque wrench']);
    expect(missingKinds([], [], '2026-11-26')).toEqual([]);
  });
});

describe('bolts in turn', () => {
  test('by hand: four, six and eight go across', () => {
    expect(crosswise(4)).toEqual([1, 3, 2, 4]);
    expect(crosswise(6)).toEqual([1, 4, 3, 6, 2, 5]);
    expect(crosswise(8)).toEqual([1, 5, 3, 7, 2, 6, 4, 8]);
  });
  test('every bolt comes once, and of an even flange each second one is across from the one before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 48 }), (bolts) => {
        const order = crosswise(bolts);
        expect(order.toSorted((a, b) => a - b)).toEqual(Array.from({ length: bolts }, (_, i) => i + 1));
        if (bolts % 2 === 0)
          for (let i = 0; i < bolts; i += 2) expect(Math.abs(order[i]! - order[i + 1]!)).toBe(bolts / 2);
      }),
    );
  });
});
