import { describe, expect, test } from 'vitest';
import { VARIANT } from '../testing/wren.ts';
import { judgeChassisNumber } from './chassisNumber.ts';
import { vehicleState } from './state.ts';
import { readTyreSize, rollingRadiusM, tyreDiameterMm } from './tyre.ts';
import { weighingProblems } from './weighingProblem.ts';

describe('tyre sizes', () => {
  test.each(['195/65 R 15', '195/65R15', ' 195 / 65 r 15 '])('reads %s', (text) => {
    expect(readTyreSize(text)).toEqual({ widthMm: 195, aspect: 0.65, rimInch: 15 });
  });
  test.each([
    ['205/70 HR 15', 205, 0.7, 15],
    ['165 R 13', 165, 0.82, 13],
    ['165R13', 165, 0.82, 13],
    ['185 VR 14', 185, 0.82, 14],
    ['195/60 ZR 14.5', 195, 0.6, 14.5],
    ['5.20 x 13', 5.2 * 25.4, 0.95, 13],
    ['5.60-15', 5.6 * 25.4, 0.95, 15],
    ['6.00-16', 6 * 25.4, 1, 16],
    ['7.50 R 16', 7.5 * 25.4, 1, 16],
  ])('old sizes: %s', (text, widthMm, aspect, rimInch) =>
    expect(readTyreSize(text)).toEqual({ widthMm: expect.closeTo(widthMm, 9), aspect, rimInch }));
  test.each([
    '16513',
    '165/80',
    '165 R',
    '165 R 3',
    '165 R 99',
    'R 13',
    '6.0',
    '6.00-160',
    '',
  ])('%s is no size', (text) => expect(readTyreSize(text)).toBeNull());
  test('inch sizes have round sections; nonsense is null', () => {
    expect(tyreDiameterMm(readTyreSize('6.50-16')!)).toBeCloseTo(16 * 25.4 + 2 * 165.1, 6);
    expect(readTyreSize('round')).toBeNull();
  });
  test('rolling radius is a little under half the diameter', () => {
    expect(rollingRadiusM({ widthMm: 195, aspect: 0.65, rimInch: 15 })).toBeCloseTo(0.97 * 0.31725, 5);
  });
});

describe('chassis numbers', () => {
  test.each([
    ['', 1970, 'empty'],
    ['40117', 1971, 'oldForm'],
    ['40117', 1985, 'tooShortFor1981'],
    ['1M8GDM9AXKP042788', 1989, 'checkDigitRight'],
    ['1M8GDM9A0KP042788', 1989, 'checkDigitOther'],
    ['1M8GDM9AXKPO42788', 1989, 'forbiddenLetters'],
    ['1M8GDM9AXKP-42788', 1979, 'oldForm'],
  ])('%s of %d is %s', (text, year, verdict) => expect(judgeChassisNumber(text, year)).toBe(verdict));
});

describe('weighing', () => {
  const figures = { frontAxleRatingKg: 800, rearAxleRatingKg: 900, frontAxleMassKg: 600, rearAxleMassKg: 400 };
  const corners = { frontLeftKg: 301, frontRightKg: 298, rearLeftKg: 202, rearRightKg: 199 };
  test('plausible corners pass', () => expect(weighingProblems(corners, figures)).toEqual([]));
  test('nothing, less than nothing and not a number are named by corner', () => {
    expect(weighingProblems({ ...corners, rearLeftKg: 0, frontLeftKg: -3 }, figures)).toEqual([
      { problem: 'notPositive', corner: 'frontLeftKg' },
      { problem: 'notPositive', corner: 'rearLeftKg' },
    ]);
    expect(weighingProblems({ ...corners, rearLeftKg: Number.NaN }, figures)).toHaveLength(1);
  });
  test('over twice the rating and far too light are named by axle', () => {
    expect(weighingProblems({ ...corners, frontLeftKg: 1400 }, figures)[0]).toMatchObject({
      problem: 'overTwiceRating',
      axle: 'front',
      massKg: 1698,
    });
    expect(weighingProblems({ ...corners, rearLeftKg: 20, rearRightKg: 20 }, figures)[0]).toMatchObject({
      problem: 'tooLight',
      axle: 'rear',
    });
  });
  test('a weighing stands in for library axle masses and for single measured ones', () => {
    const measured = {
      frontAxleMass: { value: 1, source: 'measured' as const },
      wheelbase: { value: 2010, source: 'measured' as const },
    };
    const state = vehicleState(VARIANT, measured, {
      ...corners,
      state: 'asReceived',
      by: 'JO',
      at: '2026-11-20T10:00:00Z',
    });
    expect(state.figures.frontAxleMass).toMatchObject({ value: 599, source: 'measured', by: 'JO' });
    expect(state.figures.rearAxleMass.value).toBe(401);
    expect(state.figures.wheelbase.value).toBe(2010);
    expect(state.figures.track.source).toBe('library');
  });
});
