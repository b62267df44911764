import { describe, expect, test } from 'vitest';
import { idealFrontShare, rearLocksFromG } from '../../core/balance/brakes.ts';
import { taxOf } from '../../core/money/tax.ts';
import { boltsHoldN } from '../../core/pack/holding.ts';
import { airDensity } from '../../core/road/airDensity.ts';
import { readTyreSize, tyreDiameterMm } from '../../core/vehicle/tyre.ts';

// International Standard Atmosphere (ISO 2533), from memory: temperature and density by height.
describe('air of the standard atmosphere', () => {
  test.each([
    [500, 11.75, 1.1673],
    [1500, 5.25, 1.0581],
    [3000, -4.5, 0.9091],
    [5000, -17.5, 0.7361],
  ])('%i m', (metres, celsius, density) => expect(airDensity(celsius, metres)).toBeCloseTo(density, 3));
});

// UN R13-H annex 5, from memory: an axle's use of adhesion is its braking force over its load, which moves with z·h/E.
describe('adhesion of the axles', () => {
  const stance = { frontKg: 620, rearKg: 480, wheelbaseMm: 2400, massCentreHeightMm: 540 };
  const used = (share: number, z: number) => {
    const mass = stance.frontKg + stance.rearKg;
    const moved = (z * mass * stance.massCentreHeightMm) / stance.wheelbaseMm;
    return {
      front: (share * z * mass) / (stance.frontKg + moved),
      rear: ((1 - share) * z * mass) / (stance.rearKg - moved),
    };
  };
  test.each([0.15, 0.3, 0.5, 0.8])('with the ideal share both use the same at %d g: just that', (z) => {
    const { front, rear } = used(idealFrontShare(stance, z), z);
    expect(front).toBeCloseTo(z, 9);
    expect(rear).toBeCloseTo(z, 9);
  });
  test.each([
    0.68, 0.72, 0.78,
  ])('a front share of %d: the rear comes to its adhesion first from where it is told', (share) => {
    const turn = rearLocksFromG(stance, share);
    expect(used(share, turn * 0.98).front).toBeGreaterThan(used(share, turn * 0.98).rear);
    expect(used(share, turn * 1.02).rear).toBeGreaterThan(used(share, turn * 1.02).front);
  });
});

// ISO 898-1, from memory: proof stress 580 N/mm² of 8.8 up to M16, 830 of 10.9; stress areas 36.6, 58.0, 84.3 mm². Twice
// the load is asked of a bolt before it counts.
describe('bolts', () => {
  test.each([
    ['M8', '8.8', 580 * 36.6],
    ['M10', '8.8', 580 * 58.0],
    ['M12', '8.8', 580 * 84.3],
    ['M8', '10.9', 830 * 36.6],
    ['M10', '10.9', 830 * 58.0],
    ['M12', '10.9', 830 * 84.3],
  ] as const)('%s %s bears its proof load, by its factor', (size, grade, proofN) => {
    const one = boltsHoldN({ bolts: 1, size, grade });
    expect(proofN / one).toBeCloseTo(proofN / boltsHoldN({ bolts: 4, size, grade }) / 0.25, 9);
    // The same factor for every size and grade, and never below one.
    expect(proofN / one).toBeCloseTo((580 * 58.0) / boltsHoldN({ bolts: 1, size: 'M10', grade: '8.8' }), 6);
    expect(proofN / one).toBeGreaterThanOrEqual(1);
  });
});

// EN 16931, BR-CO-14, 15 and 17, from memory: tax of a rate is its taxable sum times the rate, to two places; the tax in
// all is the sum of the rates'; what is to be paid is net and tax.
describe('sums of an invoice', () => {
  test.each([
    [[[1273, 0.25]], 318],
    [
      [
        [2, 0.05],
        [2, 0.05],
        [2, 0.05],
      ],
      0,
    ],
    [
      [
        [333, 0.23],
        [333, 0.23],
        [334, 0.23],
      ],
      230,
    ],
    [
      [
        [10_050, 0.19],
        [4950, 0.07],
      ],
      1910 + 347,
    ],
    [
      [
        [-500, 0.2],
        [1500, 0.2],
      ],
      200,
    ],
  ] as const)('%j', (lines, tax) => {
    const sums = taxOf(
      lines.map(([netCents, taxShare]) => ({ netCents, taxShare })),
      'total',
    );
    expect(sums.taxCents).toBe(tax);
    expect(sums.taxCents).toBe(sums.rates.reduce((sum, rate) => sum + rate.taxCents, 0));
    expect(sums.totalCents).toBe(sums.netCents + sums.taxCents);
    expect(sums.lineCents.reduce((sum, one) => sum + one, 0)).toBe(tax);
  });
});

// ETRTO and ISO 4000-1: width and aspect twice, and the rim; diameters as the tables of the standard have them, from memory.
describe('tyres of small and old vehicles', () => {
  test.each([
    ['145/80 R 12', 536.8],
    ['155/80 R 13', 578.2],
    ['185/65 R 15', 621.5],
    ['225/45 R 17', 634.3],
    ['215/75 R 16', 728.9],
  ])('%s is %d mm', (size, mm) => expect(tyreDiameterMm(readTyreSize(size)!)).toBeCloseTo(mm, 1));
});
