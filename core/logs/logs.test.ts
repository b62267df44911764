import { describe, expect, test } from 'vitest';
import type { RoadVehicle } from '../road/roadLoad.ts';
import { seeded } from '../spread/seeded.ts';
import { fitCoastDown } from './coastDown.ts';
import { dynoCurve } from './dyno.ts';
import { fitTwoTerms } from './leastSquares.ts';
import { type Log, readLog } from './readLog.ts';
import { dischargeSign, fitRoadEfficiency } from './roadEfficiency.ts';
import { roadFindings } from './roadFindings.ts';
import { readRoadLog } from './roadLog.ts';

const log = (text: string): Log => {
  const read = readLog(text);
  if (typeof read === 'string') throw new Error(read);
  return read;
};
const lines = (n: number, row: (i: number) => string) => Array.from({ length: n }, (_, i) => row(i)).join('\n');

describe('reading a log', () => {
  test('names, units and separators as instruments write them', () => {
    const one = log(`Road test\nTime [s];Speed [mph]\n${lines(6, (i) => `${i},0;${60 - i},5`)}`);
    expect(one.columns.time?.[3]).toBe(3);
    expect(one.columns.speed?.[2]).toBeCloseTo(58.5 * 1.609344, 9);
    const two = log(`t,V,A,km/h\n${lines(6, (i) => `${i},${300 - i},${10 * i},50`)}`);
    expect(two.columns.volts?.[1]).toBe(299);
    expect(two.columns.amps?.[2]).toBe(20);
    expect(two.columns.speed?.[0]).toBe(50);
  });
  test('a dynamometer sheet with a head of three lines; pounds-feet and horsepower', () => {
    const sheet = log(
      `Roller bench, run 3\nOperator;M.\nrpm;torque lb-ft;power hp\n${lines(8, (i) => `${1000 * (i + 1)};100;${20 * i}`)}`,
    );
    expect(sheet.columns.rpm?.[7]).toBe(8000);
    expect(sheet.columns.torque?.[0]).toBeCloseTo(135.58179, 5);
    expect(sheet.columns.power?.[1]).toBeCloseTo(20 * 745.69987, 3);
    expect(sheet.notes).toContainEqual({ code: 'headLines', count: 3 });
  });
  test('doubled times, times backwards, words and gaps are counted and left out', () => {
    const read = log('s,km/h\n0,80\n1,79\n1,79\n0.5,79\n2,n/a\n3,77\n9,70\n10,69\n11,68');
    expect([...read.columns.time!]).toEqual([0, 1, 3, 9, 10, 11]);
    expect(read.notes).toEqual([
      { code: 'headLines', count: 1 },
      { code: 'unreadable', count: 1 },
      { code: 'repeated', count: 2 },
      { code: 'gaps', count: 1 },
    ]);
  });
  test.each([
    ['', 'empty'],
    ['Monday: rain', 'noColumns'],
    ['a,b,c\n1,2,3\n2,3,4\n3,4,5\n4,5,6\n5,6,7', 'noColumns'],
    ['s,km/h\n0,80\n1,79', 'tooFew'],
  ])('%j is %s', (text, problem) => expect(readLog(text)).toBe(problem));
  test('two bare columns are time and speed', () =>
    expect(log(lines(6, (i) => `${i},${50 - i}`)).columns.speed?.[1]).toBe(49));
});

// Closed form: y = 2·x1 − 3·x2 exactly.
test('two terms by least squares', () => {
  const x1 = [1, 2, 3, 4, 7];
  const x2 = [5, 1, 4, 2, 2];
  const fit = fitTwoTerms(
    x1,
    x2,
    x1.map((x, i) => 2 * x - 3 * x2[i]!),
  )!;
  expect(fit.a).toBeCloseTo(2, 9);
  expect(fit.b).toBeCloseTo(-3, 9);
  expect(fit.aError).toBeLessThan(1e-6);
  expect(fitTwoTerms([1, 2, 3], [2, 4, 6], [1, 2, 3])).toBeNull();
  expect(fitTwoTerms([1], [2], [1])).toBeNull();
});

const VAN: RoadVehicle = {
  massKg: 1200,
  rollingCoefficient: 0.013,
  dragAreaM2: 1.1,
  airDensity: 1.2,
  rotationFactor: 1.05,
  headwindMs: 0,
};
/** A coast-down of the van by its own closed form: v = √(a/b)·tan(c − t·√(ab)), a = g·C_rr/k, b = ρ·CdA/(2·m·k). */
function coasting(noise: number, seed = 1): string {
  const a = (9.80665 * VAN.rollingCoefficient) / VAN.rotationFactor;
  const b = (VAN.airDensity * VAN.dragAreaM2) / (2 * VAN.massKg * VAN.rotationFactor);
  const random = seeded(seed);
  const start = Math.atan((90 / 3.6) * Math.sqrt(b / a));
  const rows: string[] = [];
  for (let t = 0; ; t += 0.5) {
    const v = Math.sqrt(a / b) * Math.tan(start - t * Math.sqrt(a * b)) * 3.6;
    if (v < 10) break;
    rows.push(`${t},${(v + noise * (random() + random() + random() - 1.5)).toFixed(4)}`);
  }
  return `s,km/h\n${rows.join('\n')}`;
}

describe('a coast-down', () => {
  test('without noise gives back what it was made with', () => {
    const fit = fitCoastDown(log(coasting(0)), VAN);
    expect(fit).toMatchObject({ rolling: expect.closeTo(0.013, 5), dragAreaM2: expect.closeTo(1.1, 2) });
  });
  test('with noise lies within its own errors, which shrink with two runs', () => {
    const one = fitCoastDown(log(coasting(0.6)), VAN);
    if (typeof one === 'string') throw new Error(one);
    expect(Math.abs(one.rolling - 0.013)).toBeLessThan(3 * one.rollingError);
    expect(Math.abs(one.dragAreaM2 - 1.1)).toBeLessThan(3 * one.dragAreaError);
    const later = coasting(0.6, 2)
      .split('\n')
      .slice(1)
      .map((row) => row.replace(/^[\d.]+/, (t) => String(Number(t) + 1000)));
    const both = fitCoastDown(log(`${coasting(0.6)}\n${later.join('\n')}`), VAN);
    if (typeof both === 'string') throw new Error(both);
    expect(both.windows).toBeGreaterThan(1.8 * one.windows);
    expect(both.dragAreaError).toBeLessThan(one.dragAreaError * 1.05);
  });
  test('the same in miles an hour', () => {
    const mph = coasting(0)
      .split('\n')
      .map((row, i) => (i === 0 ? 's,mph' : row.replace(/,([\d.]+)$/, (_, v) => `,${Number(v) / 1.609344}`)));
    expect(fitCoastDown(log(mph.join('\n')), VAN)).toMatchObject({ rolling: expect.closeTo(0.013, 5) });
  });
  test('what is none says so', () => {
    expect(fitCoastDown(log(`rpm,torque\n${lines(6, (i) => `${i},9`)}`), VAN)).toBe('noSpeed');
    expect(fitCoastDown(log(`s,km/h\n${lines(40, (i) => `${i},${20 + i}`)}`), VAN)).toBe('notSlowing');
    expect(fitCoastDown(log(`s,km/h\n${lines(6, (i) => `${i},${60 - i}`)}`), VAN)).toBe('tooShort');
    expect(fitCoastDown(log(`s,km/h\n${lines(40, (i) => `${i},${60 - i / 4}`)}`), VAN)).toBe('tooNarrow');
  });
});

describe('a road log', () => {
  // 100 A at 300 − 0.1·100 V for 1800 s, −50 A for 1800 s: by hand 29 000 W · ½ h taken, 305 V · 50 A · ½ h put back.
  const rows = (sign: number) =>
    `s,V,A,km/h\n${lines(3601, (i) => {
      const amps = i <= 1800 ? 100 : -50;
      return `${i},${300 - 0.1 * amps},${sign * amps},60`;
    })}`;
  test.each([1, -1])('energy, use and resistance, amperes with sign %d', (sign) => {
    const read = readRoadLog(log(rows(sign)));
    if (typeof read === 'string') throw new Error(read);
    expect(read.takenWh).toBeCloseTo(14_500, -1);
    expect(read.backWh).toBeCloseTo(7625, -1);
    expect(read.distanceKm).toBeCloseTo(60, 6);
    expect(read.whPerKm).toBeCloseTo((14_500 - 7625) / 60, 0);
    expect(read.packOhm).toBeCloseTo(0.1, 9);
    expect(read.packV).toBeCloseTo(300, 6);
  });
  test('without electrics, or at one current only, it says so', () => {
    expect(readRoadLog(log(coasting(0)))).toBe('noElectrics');
    expect(readRoadLog(log(`s,V,A\n${lines(20, (i) => `${i},300,50`)}`))).toBe('steadyCurrent');
  });
});

describe('the way from battery to road', () => {
  // A drive that turns 0.85 of what it takes into work, beside 300 W of its own, accelerating again and again.
  const driven = (efficiency: number, sign = 1, speedOf = (t: number) => 40 + 30 * Math.sin(t / 7)) => {
    const row = (i: number) => {
      const t = i / 4;
      const v = speedOf(t) / 3.6;
      const dv = (speedOf(t + 0.01) - speedOf(t - 0.01)) / 0.02 / 3.6;
      const force = 1200 * 1.05 * dv + 1200 * 9.80665 * 0.013 + 0.5 * 1.2 * 1.1 * v * v;
      const wheelW = force * v;
      const watts = (wheelW > 0 ? wheelW / efficiency : 0.4 * wheelW) + 300;
      // V = 300 − 0.1·I with V·I = watts.
      const amps = (300 - Math.sqrt(300 ** 2 - 0.4 * watts)) / 0.2;
      return `${t},${300 - 0.1 * amps},${sign * amps},${speedOf(t)}`;
    };
    return log(`s,V,A,km/h\n${lines(2400, row)}`);
  };
  test.each([1, -1])('found by what the road asked, with sign %d of amperes', (sign) => {
    const read = driven(0.85, sign);
    expect(dischargeSign(read.columns)).toBe(sign);
    const way = fitRoadEfficiency(read, VAN);
    if (typeof way === 'string') throw new Error(way);
    expect(way.efficiency).toBeCloseTo(0.85, 2);
    expect(Math.abs(way.besidesW - 300)).toBeLessThan(150);
    expect(way.error).toBeLessThan(0.02);
  });
  test('each finding beside what was predicted, at 20 °C and at the shaft', () => {
    const predicted = { packResistance: 0.06, efficiency: 0.9 };
    const run = { vehicle: VAN, gearEfficiency: 0.95, resistanceThen: 2, predicted };
    const shown = roadFindings(driven(0.85), run);
    if (typeof shown === 'string') throw new Error(shown);
    expect(shown.findings.map(({ figure }) => figure)).toEqual([
      'consumption',
      'packResistance',
      'packVoltage',
      'efficiency',
    ]);
    expect(shown.findings[0]).toMatchObject({ predicted: null, error: null });
    expect(shown.findings[1]).toMatchObject({ predicted: 0.06, measured: expect.closeTo(0.05, 6) });
    expect(shown.findings[3]).toMatchObject({ predicted: 0.9, measured: expect.closeTo(0.85 / 0.95, 2) });
    const unknown = roadFindings(driven(0.85), { ...run, vehicle: null });
    expect(typeof unknown !== 'string' && unknown.findings.map(({ figure }) => figure)).not.toContain('efficiency');
    expect(roadFindings(log(coasting(0)), run)).toBe('noElectrics');
  });
  test('a log that cannot tell says why', () => {
    expect(fitRoadEfficiency(log(`s,V,A\n${lines(20, (i) => `${i},300,${i}`)}`), VAN)).toBe('noSpeedInLog');
    expect(
      fitRoadEfficiency(
        driven(0.85, 1, () => 10),
        VAN,
      ),
    ).toBe('tooFewPulls');
    // A vehicle of twice the mass would have put out more than went in.
    expect(fitRoadEfficiency(driven(0.85), { ...VAN, massKg: 2400 })).toBe('notTheVehicle');
  });
});

describe('a dynamometer sheet', () => {
  const flat = { peakTorqueNm: 200, peakPowerW: 1e9, maxRpm: 9000 };
  const now = { peak: flat, continuous: { ...flat, peakTorqueNm: 80 } };
  test('torque by speed, gathered and averaged, against what was computed', () => {
    const curve = dynoCurve(log(`rpm;Nm\n${lines(400, (i) => `${1000 + 10 * i};${190 + (i % 2)}`)}`), 1, now);
    if (typeof curve === 'string') throw new Error(curve);
    expect(curve.points.length).toBeLessThanOrEqual(40);
    for (const point of curve.points) expect(point).toMatchObject({ peakNm: 190.5, continuousNm: 80 });
    expect(curve.against).toBeCloseTo(190.5 / 200 - 1, 6);
  });
  test('from power, and from the wheels', () => {
    // 20 kW at 2000 rpm are 95.49 N·m; behind gears of 0.9 the motor gave 106.1.
    const sheet = log(`rpm,power kW\n${lines(30, (i) => `${1000 + 100 * i},${(1000 + 100 * i) / 100}`)}`);
    const at = (efficiency: number) => {
      const curve = dynoCurve(sheet, efficiency, null);
      if (typeof curve === 'string') throw new Error(curve);
      return curve;
    };
    expect(at(1).points[0]!.peakNm).toBeCloseTo(95.5, 1);
    expect(at(0.9).points[0]!.peakNm).toBeCloseTo(106.1, 1);
    expect(at(1).points[0]!.continuousNm).toBeCloseTo(95.5 / 2, 0);
    expect(at(1).against).toBeNull();
  });
  test('what is none says so', () => {
    expect(dynoCurve(log(coasting(0)), 1, now)).toBe('noTorque');
    expect(dynoCurve(log(`rpm,Nm\n${lines(9, () => '3000,100')}`), 1, now)).toBe('tooNarrowSpeeds');
  });
});
