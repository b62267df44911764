import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { traceDistanceM } from '../testing/traceDistance.ts';
import { driveOver } from './driveOver.ts';
import { packRoute, unpackRoute } from './packedRoute.ts';
import { readGpx, type TrackPoints } from './readGpx.ts';
import { type Route, routeFrom } from './route.ts';
import { routeParts } from './routeParts.ts';
import { speedsUnderLimits } from './speedsUnderLimits.ts';

/** About 111 m north every `dt` seconds. */
function points(
  n: number,
  change: Partial<Record<'lat' | 'lon' | 'elevationM' | 'timeS', (i: number) => number>> = {},
  dt = 10,
): TrackPoints {
  const each = (read: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => read(i));
  return {
    name: 'r',
    lat: each(change.lat ?? ((i) => 40 + i * 0.001)),
    lon: each(change.lon ?? (() => -30)),
    elevationM: each(change.elevationM ?? (() => 5)),
    timeS: each(change.timeS ?? ((i) => 1000 + i * dt)),
  };
}
const route = (p: TrackPoints, options = {}): Route => {
  const made = routeFrom(p, options);
  if (typeof made === 'string') throw new Error(made);
  return made;
};
const codes = (r: Route) => Object.fromEntries(r.notes.map(({ code, count }) => [code, count]));
const finite = (r: Route) => [...r.trace.speedMs, ...r.trace.grade, ...r.elevationM].every(Number.isFinite);

describe('a good recording', () => {
  test('keeps length and time, starts and ends standing', () => {
    const r = route(points(60));
    expect(r.distanceM).toBeCloseTo(59 * 111.19, -1);
    expect(traceDistanceM(r.trace) / r.distanceM).toBeCloseTo(1, 1);
    expect(r.trace.speedMs).toHaveLength(591);
    expect([r.trace.speedMs[0], r.trace.speedMs.at(-1)]).toEqual([0, 0]);
    expect(r.notes).toEqual([]);
  });
  test('a steady climb is read at its grade; noise of a metre is smoothed away', () => {
    const r = route(points(100, { elevationM: (i) => i * 111.19 * 0.05 + (i % 2 ? 0.5 : -0.5) }));
    const middle = r.trace.grade.subarray(300, 600);
    for (const g of middle) expect(Math.abs(g - 0.05)).toBeLessThan(0.012);
    expect(r.climbM).toBeGreaterThan(99 * 5.5 * 0.95);
  });
  test('a hill gives back its height', () => {
    const r = route(points(120, { elevationM: (i) => 60 * Math.sin((i / 119) * Math.PI) }));
    expect(Math.abs(r.elevationM.at(-1)! - r.elevationM[0]!)).toBeLessThan(3);
    expect(Math.max(...r.elevationM)).toBeGreaterThan(56);
  });
});

describe('bad recordings: said, put right, never NaN', () => {
  test.each([
    ['no elevation', { elevationM: () => Number.NaN }, 'noElevation', 60],
    ['gaps in elevation', { elevationM: (i: number) => (i > 20 && i < 30 ? Number.NaN : i) }, 'elevationGaps', 9],
    ['no times', { timeS: () => Number.NaN }, 'noTimes', 60],
    ['a point twice', { timeS: (i: number) => 1000 + (i === 5 ? 4 : i) * 10 }, 'duplicates', 1],
    ['time runs back', { timeS: (i: number) => (i === 30 ? 0 : 1000 + i * 10) }, 'timesOutOfOrder', 1],
    ['a jump', { lat: (i: number) => (i === 30 ? 42 : 40 + i * 0.001) }, 'jumps', 1],
    ['off the globe', { lat: (i: number) => (i === 30 ? 400 : 40 + i * 0.001) }, 'badPositions', 1],
    [
      'a gap while moving',
      {
        timeS: (i: number) => 1000 + i * 10 + (i > 30 ? 60 : 0),
        lat: (i: number) => 40 + i * 0.001 + (i > 30 ? 0.01 : 0),
      },
      'timeGaps',
      1,
    ],
    [
      'parked for an hour',
      {
        timeS: (i: number) => 1000 + i * 10 + (i > 30 ? 3600 : 0),
        lat: (i: number) => 40 + (i > 30 ? i - 1 : i) * 0.001,
      },
      'parked',
      1,
    ],
  ] as const)('%s', (_name, change, code, count) => {
    const r = route(points(60, change));
    expect(codes(r)[code]).toBe(count);
    expect(finite(r)).toBe(true);
  });
  test('parking does not count as driving', () => {
    const r = route(
      points(60, { timeS: (i) => 1000 + i * 10 + (i > 30 ? 3600 : 0), lat: (i) => 40 + (i > 30 ? i - 1 : i) * 0.001 }),
    );
    expect(r.trace.speedMs.length).toBeLessThan(700);
  });
  test('what cannot become a route says why', () => {
    expect(routeFrom(points(1))).toBe('tooFewPoints');
    expect(routeFrom(points(20, { lat: () => 40 }))).toBe('noLength');
    expect(routeFrom(points(60, { lat: () => Number.NaN }))).toBe('tooFewPoints');
    expect(routeFrom(points(60, {}, 2000))).not.toBe('tooLong');
    expect(routeFrom(points(1000, {}, 100))).toBe('tooLong');
  });
  test('200 000 points are taken', () => {
    const r = route(points(200_000, { lat: (i) => 40 + i * 1e-6, elevationM: (i) => (i % 7) / 3 }, 0.2));
    expect(r.track.length).toBeLessThan(500);
    expect(finite(r)).toBe(true);
  });
  test('any nonsense at all gives a route without NaN, or a reason', () => {
    const wild = fc.oneof(
      fc.double(),
      fc.constant(Number.NaN),
      fc.double({ min: -90, max: 90 }),
      fc.integer({ min: 0, max: 5000 }),
    );
    const row = fc.tuple(wild, wild, wild, wild);
    fc.assert(
      fc.property(fc.array(row, { minLength: 0, maxLength: 40 }), (rows) => {
        const column = (k: 0 | 1 | 2 | 3) => Float64Array.from(rows, (r) => r[k]);
        const r = routeFrom({ name: '', lat: column(0), lon: column(1), elevationM: column(2), timeS: column(3) });
        return typeof r === 'string' || finite(r);
      }),
    );
  });
});

describe('speeds under limits', () => {
  test('limits by part, gentle changes, a stand at both ends', () => {
    const speeds = speedsUnderLimits(4000, [
      { fromM: 0, limitKmh: 30 },
      { fromM: 2000, limitKmh: 60 },
    ]);
    expect(Math.max(...speeds.subarray(0, 200)) * 3.6).toBeLessThanOrEqual(30.01);
    expect(Math.max(...speeds) * 3.6).toBeCloseTo(60, 0);
    for (let s = 1; s < speeds.length; s++) {
      expect(speeds[s]! - speeds[s - 1]!).toBeLessThan(0.95);
      expect(speeds[s]! - speeds[s - 1]!).toBeGreaterThan(-1.25);
    }
    const metres = traceDistanceM({ speedMs: speeds, grade: speeds });
    expect(Math.abs(metres / 4000 - 1)).toBeLessThan(0.02);
  });
});

describe('GPX', () => {
  const file = (inside: string) =>
    `<?xml version="1.0"?><gpx version="1.1"><trk><name>Round &amp; back</name><trkseg>${inside}</trkseg></trk></gpx>`;
  test('points with and without height and time', () => {
    const p = readGpx(
      file(
        '<trkpt lat="40" lon="-30"><ele>5</ele><time>2026-05-12T07:40:00Z</time></trkpt><trkpt lat="40.1" lon="-30"/>',
      ),
    );
    if (typeof p === 'string') throw new Error(p);
    expect(p.name).toContain('Round');
    expect([...p.lat]).toEqual([40, 40.1]);
    expect(p.elevationM[1]).toBeNaN();
    expect(p.timeS[0]).toBe(Date.parse('2026-05-12T07:40:00Z') / 1000);
  });
  test('a planned route stands in where there is no track', () => {
    const p = readGpx('<gpx><rte><rtept lat="1" lon="2"/><rtept lat="1.1" lon="2"/></rte></gpx>');
    expect(typeof p).toBe('object');
  });
  test.each([
    ['', 'notGpx'],
    ['hello', 'notGpx'],
    ['{"gpx": true}', 'notGpx'],
    ['<kml></kml>', 'notGpx'],
    ['<gpx></gpx>', 'noPoints'],
    ['<gpx><trk><trkseg><trkpt lat="1" lon="2"/></trkseg></trk></gpx>', 'noPoints'],
  ])('%j is %s', (text, problem) => expect(readGpx(text)).toBe(problem));
});

describe('stored and told by part', () => {
  const r = route(points(80, { elevationM: (i) => 30 * Math.sin(i / 12) }));
  test('packed and unpacked it drives the same within 0.5 %', () => {
    const vehicle = {
      massKg: 1500,
      rollingCoefficient: 0.012,
      dragAreaM2: 1,
      airDensity: 1.2,
      rotationFactor: 1.05,
      headwindMs: 0,
    };
    const drive = {
      gearEfficiency: 0.96,
      motorEfficiency: 0.9,
      maxPowerW: 8e4,
      regenPowerW: 2e4,
      regenShare: 0.5,
      auxiliaryW: 200,
    };
    const before = driveOver(r.trace, vehicle, drive);
    const after = driveOver(unpackRoute(packRoute(r)).trace, vehicle, drive);
    expect(Math.abs(after.batteryWh / before.batteryWh - 1)).toBeLessThan(0.005);
    const parts = routeParts(r, before, 5);
    expect(parts.reduce((sum, part) => sum + part.batteryWh, 0)).toBeCloseTo(before.batteryWh, 9);
    expect(parts.reduce((sum, part) => sum + part.seconds, 0)).toBe(before.durationS);
    expect(parts.at(-1)!.toKm).toBeCloseTo(before.distanceKm, 9);
  });
});
