import { describe, expect, test } from 'vitest';
import { readCalendar } from './readCalendar.ts';

const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:1', ...lines, 'END:VEVENT'];
const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//quay//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
const FROM = '2026-11-25';

// Reference: RFC 5545, sections 3.3.4 (DATE), 3.6.1 (DTEND of a day is the day after the last), 3.3.10 (RRULE).
describe('closed days from a calendar', () => {
  test('single days, several days, days gone by', () => {
    const text = calendar(
      ...event('SUMMARY:Boat day', 'DTSTART;VALUE=DATE:20261224'),
      ...event('SUMMARY:Winter rest', 'DTSTART;VALUE=DATE:20261228', 'DTEND;VALUE=DATE:20270102'),
      ...event('SUMMARY:Gone by', 'DTSTART;VALUE=DATE:20260101'),
    );
    const days = readCalendar(text, FROM)!;
    expect(days.map(({ day }) => day)).toEqual([
      '2026-12-24',
      '2026-12-28',
      '2026-12-29',
      '2026-12-30',
      '2026-12-31',
      '2027-01-01',
    ]);
    expect(days[0]!.name).toBe('Boat day');
  });
  test('what comes every year comes for the next years, without end or with one', () => {
    const yearly = (rule: string) =>
      readCalendar(calendar(...event('SUMMARY:Harbour', 'DTSTART;VALUE=DATE:20200501', `RRULE:${rule}`)), FROM)!.map(
        ({ day }) => day,
      );
    expect(yearly('FREQ=YEARLY')).toEqual(['2027-05-01', '2028-05-01', '2029-05-01']);
    expect(yearly('FREQ=YEARLY;UNTIL=20280501')).toEqual(['2027-05-01', '2028-05-01']);
    expect(yearly('FREQ=DAILY').length).toBeLessThanOrEqual(400);
  });
  test('hours close nothing; an entry without a day is passed over', () => {
    const text = calendar(
      ...event('SUMMARY:Dentist', 'DTSTART:20261201T090000Z'),
      ...event('SUMMARY:Nothing'),
      ...event('SUMMARY:Closed', 'DTSTART;VALUE=DATE:20261202'),
    );
    expect(readCalendar(text, FROM)!.map(({ name }) => name)).toEqual(['Closed']);
  });
  test.each(['', 'hello', 'BEGIN:VCALENDAR', '{"a": 1}'])('%o is no calendar', (text) =>
    expect(readCalendar(text, FROM) ?? []).toEqual([]));
  test('a text that is none at all is told', () => expect(readCalendar('hello', FROM)).toBeNull());
});
