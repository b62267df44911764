import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { requestOf } from '../contract/benchActs.ts';
import type { HoursRow } from '../contract/hours.ts';
import { hoursTable } from './hours.ts';
import { entryText } from './work.ts';

const entry = (from: string, to: string | null, more: Partial<HoursRow> = {}): HoursRow => ({
  ...{ id: 1, personId: 'p', person: 'Jory Opie', jobNumber: '26-104', jobTitle: 'Bakery van', stageId: 's' },
  ...{ stage: 'Front box in', liveHv: false, kind: 'work', cause: null, from, to, corrected: false, version: 1 },
  ...more,
});
const ZONE = 'Europe/Berlin';
const read = (rows: readonly HoursRow[], from: string, to: string, now = '2026-11-26T12:00:00Z') =>
  Papa.parse<Record<string, string>>(
    hoursTable(rows, { from: Date.parse(from), to: Date.parse(to), now: Date.parse(now) }, ZONE).trim(),
    { header: true },
  ).data;

describe('hours for payroll', () => {
  test('a night is two lines, each on its day, at the time on the wall', () => {
    const rows = read(
      [entry('2026-11-24T20:00:00Z', '2026-11-25T01:30:00Z')],
      '2026-11-20T23:00:00Z',
      '2026-11-30T23:00:00Z',
    );
    expect(rows.map((row) => [row.Day, row.From, row.To, row.Hours])).toEqual([
      ['2026-11-24', '21:00', '00:00', '3'],
      ['2026-11-25', '00:00', '02:30', '2.5'],
    ]);
  });
  test('what lies outside the stretch is left off, and whoever is on the clock counts until now', () => {
    const rows = read(
      [entry('2026-11-25T22:00:00Z', '2026-11-26T01:00:00Z'), entry('2026-11-26T10:00:00Z', null, { person: 'Ada' })],
      '2026-11-25T23:00:00Z',
      '2026-11-26T23:00:00Z',
    );
    expect(rows.map((row) => [row.Person, row.Hours, row['On the clock']])).toEqual([
      ['Ada', '2', 'yes'],
      ['Jory Opie', '2', ''],
    ]);
  });
  test('says what for, with its cause, and what was entered afterwards', () => {
    const rework = entry('2026-11-24T08:00:00Z', '2026-11-24T09:00:00Z', {
      ...{ kind: 'rework', cause: 'wrongDrawing', corrected: true, liveHv: true },
    });
    const [row] = read([rework], '2026-11-23T23:00:00Z', '2026-11-24T23:00:00Z');
    expect(row).toMatchObject({
      ...{ Kind: 'Rework: wrong drawing', 'Live high voltage': 'yes', 'Entered or corrected afterwards': 'yes' },
    });
  });
  test('the hour that comes twice is counted twice, the one that is left out not at all', () => {
    // Clocks go back on 25 October 2026 and forward on 28 March 2027, at 01:00 UTC (Directive 2000/84/EC).
    const autumn = read(
      [entry('2026-10-24T23:30:00Z', '2026-10-25T02:30:00Z')],
      '2026-10-24T00:00:00Z',
      '2026-10-26T00:00:00Z',
    );
    expect(autumn.map((row) => [row.From, row.To, row.Hours])).toEqual([['01:30', '03:30', '3']]);
    const spring = read(
      [entry('2027-03-28T00:30:00Z', '2027-03-28T01:30:00Z')],
      ...(['2027-03-27T00:00:00Z', '2027-03-29T00:00:00Z', '2027-04-01T00:00:00Z'] as const),
    );
    expect(spring.map((row) => [row.From, row.To, row.Hours])).toEqual([['01:30', '03:30', '1']]);
  });
});

test('what somebody’s time is for, in words', () => {
  expect([entryText('work', null), entryText('waiting', 'part'), entryText('rework', 'ownMistake')]).toEqual([
    ...['Work', 'Waiting: for a part', 'Rework: own mistake'],
  ]);
});

describe('an act as it is sent', () => {
  const clockOn = { act: 'clockOn', stageId: 's1', number: '26-104', kind: 'work', cause: null, leave: false } as const;
  test('is the same request each time, so that its key fits it', () => {
    expect(JSON.stringify(requestOf(clockOn))).toBe(JSON.stringify(requestOf({ ...clockOn })));
    expect(requestOf(clockOn)).toEqual({
      path: '/stages/s1/clock-on',
      body: { kind: 'work', cause: null, leave: false },
    });
  });
  test.each([
    [{ act: 'clockOff', pause: true }, '/clock-off', { pause: true }],
    [{ act: 'read', stepId: 'e1', value: 4, toolId: null }, '/steps/e1/readings', { value: 4, toolId: null }],
    [{ act: 'finish', stageId: 's1', version: null }, '/stages/s1/finish', { version: null }],
    [{ act: 'snag', number: '26-104', text: 'torn' }, '/jobs/26-104/snags', { text: 'torn' }],
  ] as const)('%j goes to %s', (act, path, body) => expect(requestOf(act)).toEqual({ path, body }));
});
