import type { HoursRow } from '../contract/hours.ts';
import { byDay, within } from '../core/hours/sums.ts';
import { toCsv } from './csv.ts';
import { clock } from './dates.ts';
import { entryText } from './work.ts';
import { zoneDays } from './zoneDays.ts';

const HEAD = [
  ...['Day', 'Person', 'From', 'To', 'Hours', 'Job', 'Vehicle', 'Stage', 'Kind', 'Live high voltage', 'On the clock'],
  'Entered or corrected afterwards',
];

/** Hours for payroll: a line for each day somebody was on a stage, cut at midnight of the workshop, hours of 60 minutes. */
export function hoursTable(
  rows: readonly HoursRow[],
  span: { readonly from: number; readonly to: number; readonly now: number },
  timeZone: string,
): string {
  const entries = rows.map((row) => ({
    row,
    from: Date.parse(row.from),
    to: row.to === null ? null : Date.parse(row.to),
  }));
  const days = zoneDays(timeZone);
  const lines = within(entries, span.from, span.to, span.now).flatMap((entry) =>
    byDay(entry, span.now, days).map((part) => ({ ...part, row: entry.row })),
  );
  const time = (instant: number) => clock(new Date(instant).toISOString(), timeZone);
  return toCsv(
    HEAD,
    lines
      .toSorted((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.row.person.localeCompare(b.row.person)))
      .map(({ day, from, to, hours, row }) => [
        ...[day, row.person, time(from), time(to), hours, row.jobNumber, row.jobTitle, row.stage],
        ...[entryText(row.kind, row.cause), row.liveHv ? 'yes' : '', row.to === null ? 'yes' : ''],
        row.corrected ? 'yes' : '',
      ]),
  );
}
