import { describe, expect, test } from 'vitest';
import { adviseMoves, type MovableBay, type RestOfVehicle } from './adviseMoves.ts';

const bay = (key: string, modules: number, xMm: number, change: Partial<MovableBay> = {}): MovableBay => ({
  key,
  modules,
  most: 10,
  maxMassKg: 200,
  massKg: (n) => (n === 0 ? 0 : 8 + 13 * n),
  xMm,
  ...change,
});
const REST: RestOfVehicle = { massKg: 900, momentKgMm: 900 * 950, wheelbaseMm: 2000 };
const shareOf = (bays: readonly MovableBay[]) => {
  const mass = REST.massKg + bays.reduce((sum, b) => sum + b.massKg(b.modules), 0);
  const moment = REST.momentKgMm + bays.reduce((sum, b) => sum + b.massKg(b.modules) * b.xMm, 0);
  return 1 - moment / 2000 / mass;
};

describe('which modules to move where', () => {
  const bays = [bay('front', 2, -100), bay('rear', 10, 2200)];
  test('names the fewest that meet the aim, and what comes of it', () => {
    const start = shareOf(bays);
    const [first] = adviseMoves(bays, REST, { share: start + 0.05, tolerance: 0.01 });
    expect(first!.meets).toBe(true);
    const [{ from, to, modules }] = first!.moves as [(typeof first & object)['moves'][number]];
    expect([from, to]).toEqual(['rear', 'front']);
    const after = shareOf([bay('front', 2 + modules, -100), bay('rear', 10 - modules, 2200)]);
    expect(first!.frontShare).toBeCloseTo(after, 12);
    // One fewer would not do.
    const less = shareOf([bay('front', 1 + modules, -100), bay('rear', 11 - modules, 2200)]);
    expect(Math.abs(less - start - 0.05)).toBeGreaterThan(0.01);
  });
  test('keeps to the space and the mass of a bay', () => {
    const tight = [bay('front', 2, -100, { most: 3 }), bay('rear', 10, 2200), bay('floor', 0, 900, { maxMassKg: 40 })];
    for (const { moves } of adviseMoves(tight, REST, { share: 0.9, tolerance: 0.01 })) {
      const into = (name: string) => moves.filter((m) => m.to === name).reduce((sum, m) => sum + m.modules, 0);
      expect(into('front')).toBeLessThanOrEqual(1);
      expect(into('floor')).toBeLessThanOrEqual(2);
    }
  });
  test('out of reach: the nearest, said not to meet it', () => {
    const advice = adviseMoves(bays, REST, { share: 0.95, tolerance: 0.01 });
    expect(advice[0]!.meets).toBe(false);
    expect(advice[0]!.frontShare).toBeGreaterThan(shareOf(bays));
    expect(advice[0]!.frontShare).toBeGreaterThanOrEqual(advice[1]!.frontShare);
  });
  test('nothing to move, nothing advised', () => {
    expect(adviseMoves([bay('front', 0, 0)], REST, { share: 0.5, tolerance: 0.01 })).toEqual([]);
    expect(adviseMoves([], REST, { share: 0.5, tolerance: 0.01 })).toEqual([]);
  });
});
