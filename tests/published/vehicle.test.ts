import { describe, expect, test } from 'vitest';
import { axleLoads } from '../../core/balance/axleLoads.ts';
import { drivelineLoads } from '../../core/drive/driveline.ts';
import { chassisCheckDigit, judgeChassisNumber } from '../../core/vehicle/chassisNumber.ts';
import { readTyreSize, tyreDiameterMm } from '../../core/vehicle/tyre.ts';

// Source: ETRTO / ISO 4000-1 design dimensions: 195/65 R 15 is 634.5 mm across (from memory; rounds to 635).
describe('tyre diameters', () => {
  test.each([
    ['195/65 R 15', 634.5],
    ['165/80 R 13', 594.2],
    ['175/70 R 14', 600.6],
    ['205/55 R 16', 631.9],
  ])('%s is %d mm', (size, mm) => expect(tyreDiameterMm(readTyreSize(size)!)).toBeCloseTo(mm, 1));
});

// Source: 49 CFR 565.15 (check digit) and ISO 3779 (form); worked examples from memory.
describe('chassis check digit', () => {
  test('1M8GDM9AXKP042788 has X', () => expect(chassisCheckDigit('1M8GDM9AXKP042788')).toBe('X'));
  test('seventeen ones have 1', () => expect(chassisCheckDigit('11111111111111111')).toBe('1'));
  test('a changed character is noticed', () => {
    expect(judgeChassisNumber('1M8GDM9AXKP042788', 1989)).toBe('checkDigitRight');
    expect(judgeChassisNumber('1M8GDM9AXKP042789', 1989)).toBe('checkDigitOther');
  });
});

// Moments about the front axle, worked by hand.
describe('axle loads', () => {
  test('a load in the middle is shared, one on an axle is not', () => {
    expect(axleLoads([{ name: 'middle', massKg: 100, xMm: 1000 }], 2000)).toMatchObject({ frontKg: 50, rearKg: 50 });
    expect(axleLoads([{ name: 'on rear', massKg: 100, xMm: 2000 }], 2000)).toMatchObject({ frontKg: 0, rearKg: 100 });
  });
  test('behind the rear axle it lifts the front: 80 kg half a metre behind, wheelbase 2 m, takes 20 kg off', () => {
    const loads = axleLoads(
      [
        { name: 'car', massKg: 1000, xMm: 900 },
        { name: 'box', massKg: 80, xMm: 2500 },
      ],
      2000,
    );
    expect(loads.rearKg).toBeCloseTo(450 + 100, 9);
    expect(loads.frontKg).toBeCloseTo(550 - 20, 9);
    expect(loads.frontShare).toBeCloseTo(530 / 1080, 9);
  });
  test('what is taken out counts negative', () => {
    const loads = axleLoads(
      [
        { name: 'front axle', massKg: 612, xMm: 0 },
        { name: 'rear axle', massKg: 468, xMm: 2160 },
        { name: 'engine out', massKg: -130, xMm: -120 },
      ],
      2160,
    );
    expect(loads.totalKg).toBe(950);
    expect(loads.rearKg).toBeCloseTo(468 + (130 * 120) / 2160, 9);
  });
});

// Common practice, no source: 400 lb·ft through 12.3 : 1 puts nearly 5000 lb·ft on the road.
test('torque through stacked ratios', () => {
  const [hub] = drivelineLoads(
    [{ part: 'wheel', limitNm: 1, after: 'hub' }],
    { gearbox: 3, final: 4.1, hub: 1 },
    400 * 1.3558179,
  );
  expect(hub!.torqueNm / 1.3558179).toBeCloseTo(4920, 0);
});
