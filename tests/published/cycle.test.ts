import { describe, expect, test } from 'vitest';
import { CYCLE_R83, CYCLE_R83_EXTRA_URBAN, CYCLE_R83_URBAN } from '../../core/road/cycleR83.ts';
import { traceDistanceM } from '../../core/testing/traceDistance.ts';

// Source: UN Regulation No. 83, Annex 4, tables of the urban and extra-urban cycle (segments from memory).
describe('UN R83 cycle', () => {
  test('urban part: 195 s, 1.013 km, at most 50 km/h', () => {
    expect(CYCLE_R83_URBAN.speedMs.length - 1).toBe(195);
    expect(traceDistanceM(CYCLE_R83_URBAN) / 1000).toBeCloseTo(1.013, 2);
    expect(Math.max(...CYCLE_R83_URBAN.speedMs) * 3.6).toBeCloseTo(50, 9);
  });
  test('extra-urban part: 400 s, 6.955 km, to 120 km/h', () => {
    expect(CYCLE_R83_EXTRA_URBAN.speedMs.length - 1).toBe(400);
    expect(Math.abs(traceDistanceM(CYCLE_R83_EXTRA_URBAN) / 6955 - 1)).toBeLessThan(0.001);
    expect(Math.max(...CYCLE_R83_EXTRA_URBAN.speedMs) * 3.6).toBeCloseTo(120, 9);
  });
  test('whole cycle: 1180 s, 11.007 km within 0.1 %, starts and ends at rest', () => {
    expect(CYCLE_R83.speedMs.length - 1).toBe(1180);
    expect(Math.abs(traceDistanceM(CYCLE_R83) / 11_007 - 1)).toBeLessThan(0.001);
    expect(CYCLE_R83.speedMs[0]).toBe(0);
    expect(CYCLE_R83.speedMs.at(-1)).toBe(0);
  });
  test('mean speed of the urban part is 18.7 km/h (table of the regulation says 19)', () => {
    expect((traceDistanceM(CYCLE_R83_URBAN) / 195) * 3.6).toBeCloseTo(18.7, 0);
  });
});
