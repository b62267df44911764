import { describe, expect, test } from 'vitest';
import { judgeShaft, NEW_SHAFT } from './shafts.ts';

describe('shafts', () => {
  // By hand: atan(100 ÷ 100) is 45°; tan 12° · 400 mm = 85.02 mm; √(300² + 400²) = 500.
  test('angles, and the millimetres that cure one too steep', () => {
    const steep = judgeShaft({ ...NEW_SHAFT, alongMm: 400, restMm: -100, droopMm: 400, bumpMm: 0 });
    expect(steep.droopDeg).toBeCloseTo(45, 9);
    expect(steep.bumpDeg).toBe(0);
    expect(steep.moveMm).toBeCloseTo(100 - 85.02, 2);
    const cured = judgeShaft({ ...NEW_SHAFT, alongMm: 400, restMm: 100 - steep.moveMm });
    expect(cured.restDeg).toBeCloseTo(12, 9);
    expect(cured.moveMm).toBeCloseTo(0, 9);
  });
  test('a cross joint stands less; a sheet’s own angle wins', () => {
    const along = { ...NEW_SHAFT, alongMm: 1000, restMm: 110 };
    expect(judgeShaft({ ...along, joint: 'cross' }).moveMm).toBeCloseTo(110 - 1000 * Math.tan((6 * Math.PI) / 180), 6);
    expect(judgeShaft({ ...along, joint: 'ball' }).moveMm).toBe(0);
    expect(judgeShaft({ ...along, joint: 'cross', limitDeg: 7 }).moveMm).toBe(0);
  });
  test('plunge against travel', () => {
    const shaft = { ...NEW_SHAFT, alongMm: 400, restMm: 0, droopMm: 300, bumpMm: 0 };
    expect(judgeShaft(shaft)).toMatchObject({ plungeMm: 100, travelLeftMm: null });
    expect(judgeShaft({ ...shaft, travelMm: 99 }).travelLeftMm).toBeCloseTo(-1, 9);
    expect(judgeShaft({ ...shaft, travelMm: 101 }).travelLeftMm).toBeCloseTo(1, 9);
    expect(judgeShaft({ ...shaft, alongMm: 0 }).restDeg).toBe(90);
  });
});
