import fc from 'fast-check';
import { expect, test } from 'vitest';
import { claimClashes } from './rangeClaims.ts';

/** 1000 kg and 25 kg a module: 10 make 1250, 20 make 1500. */
const mass = (modules: number) => 1000 + 25 * modules;
const claim = (modules: number, km: number, says = 'somebody') => ({ modules, km, says });

// By hand: 10 modules at 100 km allow 20 at 200 · 1250/1500 = 166.7 to 200 km, and 3 % for round numbers.
test.each([
  [200, 0],
  [206, 0],
  [206.1, 1],
  [167, 0],
  [161.7, 0],
  [161.6, 1],
  [240, 1],
])('twenty modules at %d km against ten at 100: %d clash', (km, clashes) => {
  const found = claimClashes([claim(20, km), claim(10, 100)], mass);
  expect(found).toHaveLength(clashes);
  if (clashes)
    expect(found[0]).toMatchObject({ fewer: { modules: 10 }, leastKm: expect.closeTo(166.667, 2), mostKm: 200 });
});
test('the same number twice must agree; one claim, or none, contradicts nothing', () => {
  expect(claimClashes([claim(10, 100), claim(10, 120)], mass)).toHaveLength(1);
  expect(claimClashes([claim(10, 100), claim(10, 102)], mass)).toEqual([]);
  expect(claimClashes([claim(10, 100)], mass)).toEqual([]);
});
test('claims that follow any mixture of mass and air never clash', () =>
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 2, maxLength: 5 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (counts, share) => {
        const range = (n: number) => (n * 100) / (share * mass(n) + (1 - share) * 900);
        expect(
          claimClashes(
            counts.map((n) => claim(n, range(n))),
            mass,
          ),
        ).toEqual([]);
      },
    ),
  ));
