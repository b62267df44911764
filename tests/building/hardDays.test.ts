import { expect, test } from 'vitest';
import { hardDays } from '../../tools/hardDays.ts';

test.each([
  '2026-12-02T09:00:00Z',
  '2028-02-29T11:00:00Z',
  '2027-03-28T02:00:00Z',
  '2026-12-31T23:55:00Z',
])('the hard days after %s are to come, and are what they are called', (now) => {
  const days = new Map(hardDays(new Date(now)).map(({ name, at }) => [name, at]));
  for (const at of days.values()) expect(Date.parse(at)).toBeGreaterThan(Date.parse(now));
  const offset = (at: string, hours: number) =>
    new Intl.DateTimeFormat('en', { timeZone: 'Europe/Lisbon', hour: 'numeric', hourCycle: 'h23' }).format(
      new Date(Date.parse(at) + hours * 3_600_000),
    );
  // Two hours later by the sun are three by the clock, or one.
  const hours = (name: string) => Number(offset(days.get(name)!, 2)) - Number(offset(days.get(name)!, 0));
  expect((hours('clocks go forward') + 24) % 24).toBe(3);
  expect((hours('clocks go back') + 24) % 24).toBe(1);
  expect(days.get('29 February')).toMatch(/-02-29T/);
  expect(Date.parse(days.get('two years on')!) - Date.parse(now)).toBeGreaterThanOrEqual(730 * 86_400_000);
});
