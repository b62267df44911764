import { describe, expect, test } from 'vitest';
import { toBase, toShown, WATTS_PER_HP, WATTS_PER_METRIC_HP } from '../../core/quantity/units.ts';

// Source: NIST Special Publication 811, Appendix B.8, conversion factors (values from memory).
describe('NIST SP 811 conversion factors', () => {
  test('1 hp (550 ft·lbf/s) = 745.69987 W', () => expect(toBase(1, 'shaftPower', 'us')).toBeCloseTo(745.69987, 5));
  test('1 metric horsepower = 735.49875 W', () => {
    expect(WATTS_PER_METRIC_HP).toBe(735.49875);
    expect(WATTS_PER_HP / WATTS_PER_METRIC_HP).toBeCloseTo(1.01387, 5);
  });
  test('1 lbf·ft = 1.3558179 N·m', () => expect(toBase(1, 'torque', 'uk')).toBeCloseTo(1.3558179, 7));
  test('1 mile = 1609.344 m exactly', () => expect(toBase(1, 'distance', 'uk')).toBeCloseTo(1.609344, 9));
  test('1 lb = 0.45359237 kg exactly', () => expect(toBase(1, 'mass', 'us')).toBeCloseTo(0.45359237, 12));
  test('60 mph = 96.56064 km/h', () => expect(toBase(60, 'speed', 'us')).toBeCloseTo(96.56064, 9));
  test('there and back is the same number', () => {
    for (const kind of ['shaftPower', 'torque', 'distance', 'mass', 'speed', 'consumption'] as const) {
      expect(toShown(toBase(123.456, kind, 'us'), kind, 'us')).toBeCloseTo(123.456, 9);
      expect(toShown(toBase(123.456, kind, 'uk'), kind, 'uk')).toBeCloseTo(123.456, 9);
    }
  });
});
