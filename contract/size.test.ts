import { describe, expect, test } from 'vitest';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { packRoute } from '../core/road/packedRoute.ts';
import { ROUTE } from '../core/testing/wren.ts';
import { check } from './fields.ts';
import { routeSchema } from './route.ts';
import { useSchema } from './use.ts';

const faults = (change: object) => check(useSchema, { ...USUAL_USE, ...change }).problems;

describe('how it is used', () => {
  test('what was stored before supplies, posts and prices were asked for still holds', () =>
    expect(faults({})).toEqual({}));
  test('every new part in full', () =>
    expect(
      faults({
        roundWords: 'round the island',
        seatsW: 120,
        otherSupplies: [{ name: 'quay', volts: 230, amps: 16, phases: 3 }],
        dcPostW: 50_000,
        homeAtH: 17.5,
        cost: {
          centsPerKwh: 28,
          litresPer100Km: 11,
          centsPerLitre: 178,
          kmPerYear: 12_000,
          gramsCo2PerKwh: 220,
          gramsCo2PerLitre: 2310,
        },
      }),
    ).toEqual({}));
  test.each([
    [{ otherSupplies: [{ name: '', volts: 230, amps: 16, phases: 1 }] }, 'otherSupplies.0.name'],
    [{ otherSupplies: [{ name: 'x', volts: 12, amps: 16, phases: 1 }] }, 'otherSupplies.0.volts'],
    [{ otherSupplies: [{ name: 'x', volts: 230, amps: 16, phases: 2 }] }, 'otherSupplies.0.phases'],
    [{ dcPostW: 10 }, 'dcPostW'],
    [{ homeAtH: 25 }, 'homeAtH'],
    [{ seatsW: -1 }, 'seatsW'],
    [{ cost: { centsPerKwh: 28 } }, 'cost.litresPer100Km'],
    [{ roundWords: 'x'.repeat(301) }, 'roundWords'],
  ])('%o is refused at %s', (change, field) => {
    const found = faults(change);
    expect(Object.keys(found)).toContain(field);
    expect(found[field]).toMatch(/^[A-Z].*\.$/);
  });
});

describe('the recorded route', () => {
  const route = packRoute(ROUTE);
  test('as the page makes it', () =>
    expect(check(routeSchema, JSON.parse(JSON.stringify(route))).problems).toEqual({}));
  test.each([
    [{ name: 'x'.repeat(61) }, 'name'],
    [{ speedCms: [1] }, 'speedCms'],
    [{ speedCms: route.speedCms.map(() => -1) }, 'speedCms'],
    [{ startM: 99_999 }, 'startM'],
    [{ climbM: Number.NaN }, 'climbM'],
    [{ track: [[1]] }, 'track.0'],
  ])('%o is refused', (change, field) =>
    expect(Object.keys(check(routeSchema, { ...route, ...change }).problems)).toContain(field));
  test('as many grades as speeds', () =>
    expect(Object.values(check(routeSchema, { ...route, gradeE4: [0, 0] }).problems).join()).toMatch(/as many grades/));
});
