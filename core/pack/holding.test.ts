import { describe, expect, test } from 'vitest';
import { boltsHoldN, holdBox, USUAL_HOLD, USUAL_HOLDING_G } from './holding.ts';

describe('what holds a box', () => {
  // ISO 898-1, from memory: M10 8.8 proof 580 MPa × 58.0 mm² = 33.6 kN; four of them halved 67.3 kN.
  test('bolts by proof load', () => {
    expect(boltsHoldN({ bolts: 4, size: 'M10', grade: '8.8' })).toBeCloseTo(4 * 580 * 58 * 0.5, 9);
    expect(boltsHoldN({ bolts: 2, size: 'M12', grade: '10.9' })).toBeCloseTo(830 * 84.3, 9);
    expect(boltsHoldN({ bolts: 1, size: 'M8', grade: '10.9' })).toBeCloseTo((830 * 36.6) / 2, 9);
  });
  test('the hardest direction comes first, and the weakest of bolts, straps and brackets', () => {
    const [worst] = holdBox(100, USUAL_HOLD, USUAL_HOLDING_G);
    expect(worst).toMatchObject({ by: 'bolts', direction: 'forwards', forceN: expect.closeTo(100 * 20 * 9.80665, 6) });
    const strapped = holdBox(100, { ...USUAL_HOLD, strapsN: 12_000, bracketsN: 30_000 }, USUAL_HOLDING_G);
    expect(strapped[0]).toMatchObject({ by: 'straps', direction: 'forwards' });
    expect(strapped).toHaveLength(12);
    const across = holdBox(100, USUAL_HOLD, { ...USUAL_HOLDING_G, sideways: 40 });
    expect(across[0]!.direction).toBe('sideways');
  });
  test('just inside and just outside', () => {
    const holds = boltsHoldN(USUAL_HOLD);
    const just = holds / (20 * 9.80665);
    expect(holdBox(just * 0.999, USUAL_HOLD, USUAL_HOLDING_G)[0]!.margin).toBeGreaterThan(1);
    expect(holdBox(just * 1.001, USUAL_HOLD, USUAL_HOLDING_G)[0]!.margin).toBeLessThan(1);
    expect(holdBox(0, USUAL_HOLD, USUAL_HOLDING_G)[0]!.margin).toBe(Number.POSITIVE_INFINITY);
  });
});
