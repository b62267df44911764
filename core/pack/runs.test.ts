import { describe, expect, test } from 'vitest';
import { airWarming, cooledBy } from '../cooling/air.ts';
import { packRun, runSeries } from './runs.ts';

// Common practice, no source: 0.1345 m³/s of air take 1 kW with 6.2 K.
test('air that takes a kilowatt', () => {
  expect(airWarming(1000, 0.1345 * 3600)).toBeCloseTo(6.2, 1);
  expect(airWarming(1000, 0)).toBe(Number.POSITIVE_INFINITY);
});
// Closed form: after one time constant the difference is 1/e.
test('a pack in a flow of air comes to its temperature', () => {
  const perSecond = 1.2 * 0.1 * 1006;
  expect(cooledBy(360, 45, 20, perSecond * 100, 100)).toBeCloseTo(20 + 25 / Math.E, 9);
  expect(cooledBy(0, 45, 20, 1000, 100)).toBe(45);
});

describe('a run', () => {
  // By hand: 20 kW for 10 s are 55.56 Wh; from 200 V without sag 100 A, on 0.01 Ω 100 W of heat, 1000 J. With the sag a little more.
  test('at constant power', () => {
    const speeds = Array.from({ length: 101 }, () => 10);
    const run = packRun(speeds, 0.1, () => 20_000, { openV: 200, ohm: 0.01 });
    expect(run.seconds).toBeCloseTo(10, 9);
    expect(run.energyWh).toBeCloseTo(200_000 / 3600, 9);
    const amps = (200 - Math.sqrt(200 ** 2 - 4 * 0.01 * 20_000)) / 0.02;
    expect(run.heatJ).toBeCloseTo(amps ** 2 * 0.01 * 10, 6);
  });
  const pack = { usableWh: 1000, heatJPerK: 10_000, startC: 20, highestC: 45 };
  const rest = { seconds: 60, airM3h: 0, airC: 20 };
  test('in a row until the charge or the heat ends them', () => {
    expect(runSeries({ energyWh: 100, heatJ: 1000 }, pack, rest)).toMatchObject({ runs: 10, endedBy: 'energy' });
    // 10 K a run from 20 °C: after two 40, a third would be 50.
    const hot = runSeries({ energyWh: 10, heatJ: 100_000 }, pack, rest);
    expect(hot).toEqual({ runs: 2, endedBy: 'heat', after: [30, 40] });
    expect(runSeries({ energyWh: 10, heatJ: 100_000 }, pack, { ...rest, airM3h: 5000 }).runs).toBeGreaterThan(2);
    expect(runSeries({ energyWh: 10, heatJ: 1e6 }, pack, rest).runs).toBe(0);
  });
});
