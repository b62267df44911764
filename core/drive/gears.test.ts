import { describe, expect, test } from 'vitest';
import { VARIANT } from '../testing/wren.ts';
import { accelerate } from './accelerate.ts';
import { adviseGear, type GearTrial, neighbourWords } from './gearAdvice.ts';
import { gearWays } from './gears.ts';
import { mountLoads } from './mounts.ts';

const gearbox = { ...VARIANT.gearbox, transfer: 1.3, transferLow: 2.6, hub: 1.25 };
const ways = (output: 'halfShafts' | 'propShaft' | 'gearboxInput', change: object = {}) =>
  gearWays({
    sheet: { output, ownRatio: 2 },
    gearbox,
    reduction: null,
    transferLow: false,
    wheelRadiusM: 0.3,
    ...change,
  });

describe('ways from motor to wheel', () => {
  test('each gear of a kept box, with transfer case, final drive and hubs', () => {
    const all = ways('gearboxInput');
    expect(all.map((way) => way.gear)).toEqual([1, 2, 3, 4]);
    expect(all[0]!.ratio).toBeCloseTo(2 * 3.5 * 1.3 * 4 * 1.25, 9);
    expect(ways('gearboxInput', { transferLow: true })[0]!.ratio / all[0]!.ratio).toBeCloseTo(2, 9);
  });
  test('half shafts pass by transfer case and final drive', () => expect(ways('halfShafts')[0]!.ratio).toBe(2 * 1.25));
  test('a typed reduction counts, one of zero or less is passed over', () => {
    expect(ways('halfShafts', { reduction: 9.4 })[0]!.ratio).toBeCloseTo(9.4 * 1.25, 9);
    expect(ways('halfShafts', { reduction: 0 })[0]!.ratio).toBe(2.5);
    expect(ways('halfShafts', { reduction: -3 })[0]!.ratio).toBe(2.5);
  });
  test('no ratio is ever zero', () => {
    const odd = { ...gearbox, ratios: [0, 1], finalDrive: 0, hub: 0, transfer: 0, transferLow: 0 };
    for (const way of gearWays({
      sheet: { output: 'gearboxInput', ownRatio: 0 },
      gearbox: odd,
      reduction: null,
      transferLow: true,
      wheelRadiusM: 0.3,
    }))
      expect(way.ratio).toBeGreaterThan(0);
  });
});

describe('the gear to leave it in', () => {
  const trial = (gear: number, whPerKm: number | null, refused: GearTrial['refused'] = null): GearTrial => ({
    gear,
    ratio: 20 / gear,
    refused,
    whPerKm,
  });
  test('least energy of those that do; within one per cent the taller', () => {
    expect(adviseGear([trial(1, 200), trial(2, 180), trial(3, 190)])?.gear).toBe(2);
    expect(adviseGear([trial(1, 200), trial(2, 180), trial(3, 181.7), trial(4, 182)])?.gear).toBe(3);
    expect(adviseGear([trial(2, 180), trial(4, null, 'doesNotStart')])?.gear).toBe(2);
    expect(adviseGear([trial(1, null, 'overRevolutions')])).toBeNull();
    expect(adviseGear([])).toBeNull();
  });
  test('why the neighbours are worse', () => {
    const all = [trial(1, 206), trial(2, 200), trial(3, null, 'doesNotStart')];
    expect(neighbourWords(all, all[1]!)).toBe('gear 1 uses 3.0 % more; gear 3 does not start with a tenth to spare');
    expect(neighbourWords([trial(3, 100.6), trial(4, 100)], trial(4, 100))).toContain('gear 3 uses 0.6 % more');
    expect(neighbourWords([trial(3, 100), trial(4, 100)], trial(4, 100))).toBe('gear 3 uses as much, and turns faster');
  });
});

describe('running up through the gears', () => {
  const van = {
    massKg: 1200,
    rollingCoefficient: 0.012,
    dragAreaM2: 1,
    airDensity: 1.2,
    rotationFactor: 1.05,
    headwindMs: 0,
  };
  const low = (v: number) => (v > 12 ? 0 : 5000);
  const high = (v: number) => (v > 40 ? 0 : 2400);
  test('changing costs its time, and gets beyond the first gear', () => {
    const stays = accelerate(van, low, [30, 80]);
    expect(stays.secondsTo.get(80)).toBeNull();
    const quick = accelerate(van, low, [30, 80], { upper: [high], shiftTimeS: 0 });
    const slow = accelerate(van, low, [30, 80], { upper: [high], shiftTimeS: 0.8 });
    expect(quick.shifts).toBe(1);
    expect(quick.secondsTo.get(30)).toBeCloseTo(stays.secondsTo.get(30)!, 9);
    const cost = slow.secondsTo.get(80)! - quick.secondsTo.get(80)!;
    // Nothing but the time of the change, and what is rolled away in it: 0.8 s at 12 m/s lose 0.1 m/s of 1.8 m/s².
    expect(cost).toBeGreaterThan(0.8);
    expect(cost).toBeLessThan(0.9);
  });
  test('a vehicle that stops pulling rolls the rest of the way at its speed', () => {
    const run = accelerate({ ...van, rollingCoefficient: 0, dragAreaM2: 0 }, (v) => (v > 5 ? 0 : 3000), [200], {
      distanceM: 402,
    });
    expect(run.distance!.kmh).toBeCloseTo(18, 0);
    expect(run.secondsTo.get(200)).toBeNull();
  });
});

describe('mounts', () => {
  const point = (name: string, xMm: number, loadN = 8000) => ({ ...VARIANT.mountingPoints[0]!, name, xMm, loadN });
  // By hand: 1000 N·m over 0.4 m is 2500 N; two points in the front line share it; 30 kg weigh 98.07 N on each of three.
  test('two in line share the reaction, each carries its weight', () => {
    const loads = mountLoads([point('a', 0), point('b', 0), point('c', 400)], 1000, 30)!;
    expect(loads.find((load) => load.point === 'a')!.forceN).toBeCloseTo(1250 + 98.0665, 3);
    expect(loads[0]!.point).toBe('c');
    expect(loads[0]!.forceN).toBeCloseTo(2500 + 98.0665, 3);
  });
  test('one point, or all in one line, cannot be worked out', () => {
    expect(mountLoads([point('a', 0)], 1000, 30)).toBeNull();
    expect(mountLoads([point('a', 0), point('b', 10)], 1000, 30)).toBeNull();
  });
});
