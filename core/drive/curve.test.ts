import { describe, expect, test } from 'vitest';
import { DRIVE } from '../testing/wren.ts';
import { clampEta, impossibleEtas, mapEta } from './efficiency.ts';
import { cleanCurve, curveTorque, motorTorque, sheetCurve } from './motorCurve.ts';
import { readCurve } from './readCurve.ts';

const CURVE = [
  { rpm: 0, peakNm: 200, continuousNm: 90 },
  { rpm: 3000, peakNm: 200, continuousNm: 90 },
  { rpm: 6000, peakNm: 100, continuousNm: 45 },
];
const MOTOR = { peakTorqueNm: 200, peakPowerW: 1e6, maxRpm: 9000, curve: CURVE };

describe('torque curve', () => {
  test('straight lines between points, the last one’s power beyond', () => {
    expect(curveTorque(CURVE, 4500, 'peakNm')).toBe(150);
    expect(curveTorque(CURVE, 8000, 'peakNm')).toBeCloseTo(75, 9);
    expect(curveTorque(CURVE, 1000, 'continuousNm')).toBe(90);
  });
  test('its speeds move with the voltage; two motors double it; caps hold', () => {
    expect(motorTorque({ ...MOTOR, voltageScale: 0.5 }, 2250)).toBe(150);
    expect(motorTorque({ ...MOTOR, motors: 2, peakTorqueNm: 400 }, 4500)).toBe(300);
    expect(motorTorque({ ...MOTOR, peakTorqueNm: 120 }, 1000)).toBe(120);
    expect(motorTorque({ ...MOTOR, peakPowerW: 31_415.926 }, 3000)).toBeCloseTo(100, 3);
    expect(motorTorque(MOTOR, 9001)).toBe(0);
  });
  test('without one: flat to the corner, constant power above', () => {
    const curve = sheetCurve(DRIVE.sheet);
    expect(curve[0]).toMatchObject({ rpm: 0, peakNm: 150 });
    for (const { rpm, peakNm, continuousNm } of curve) {
      expect((peakNm * rpm * 2 * Math.PI) / 60).toBeLessThanOrEqual(60_000 * 1.001);
      expect(continuousNm).toBeLessThanOrEqual(peakNm);
    }
  });
});

describe('curves that cannot be', () => {
  test('out of order: sorted, a repeated speed once, and said', () => {
    const { curve, faults } = cleanCurve([CURVE[2]!, CURVE[0]!, CURVE[1]!, CURVE[1]!]);
    expect(curve).toEqual(CURVE);
    expect(faults).toEqual(['notRising']);
  });
  test('negative torque is none; continuous never over peak', () => {
    const { curve, faults } = cleanCurve([
      { rpm: 0, peakNm: 100, continuousNm: 500 },
      { rpm: 1000, peakNm: -5, continuousNm: -5 },
    ]);
    expect(curve).toEqual([
      { rpm: 0, peakNm: 100, continuousNm: 100 },
      { rpm: 1000, peakNm: 0, continuousNm: 0 },
    ]);
    expect(faults).toEqual(['negativeTorque']);
  });
  test('one point, or numbers that are none, make no curve', () => {
    expect(cleanCurve([CURVE[0]!])).toEqual({ curve: null, faults: ['tooShort'] });
    expect(cleanCurve([{ rpm: Number.NaN, peakNm: 1, continuousNm: 1 }]).curve).toBeNull();
  });
  test('typed lines: spaces, commas, tabs; the third may be left out; bad lines by number', () => {
    const { points, badLines } = readCurve('0 200 90\n\n3000, 200\n6000;100;x\nsome words\n7000\t90\t40 1');
    expect(points).toEqual([
      { rpm: 0, peakNm: 200, continuousNm: 90 },
      { rpm: 3000, peakNm: 200, continuousNm: 100 },
    ]);
    expect(badLines).toEqual([4, 5, 6]);
  });
});

describe('efficiency', () => {
  test('over one, negative or missing is held inside what a machine can do', () => {
    expect([clampEta(1.2), clampEta(-1), clampEta(Number.NaN), clampEta(0.9)]).toEqual([0.99, 0.2, 0.2, 0.9]);
    const map = {
      rpm: [0, 1000],
      torqueNm: [0, 100],
      eta: [
        [1.5, 0.8],
        [Number.NaN, 0],
      ],
    };
    expect(impossibleEtas(map)).toBe(3);
    expect(mapEta(map, 0, 0)).toBe(0.99);
    expect(mapEta(map, 1000, 100)).toBe(0.2);
    expect(mapEta({ rpm: [], torqueNm: [], eta: [] }, 10, 10)).toBe(0.2);
  });
});
