import { parse } from 'csv-parse/sync';
import { describe, expect, test } from 'vitest';
import { chartCsv } from './chartCsv.ts';

describe('a chart as a table', () => {
  const text = chartCsv('km/h', [
    {
      label: 'gear 1, engaged',
      points: [
        { x: 0, y: 9 },
        { x: 10, y: 8.123456789 },
      ],
    },
    {
      label: 'a "road"',
      points: [
        { x: 10, y: 1 },
        { x: 20, y: 2 },
      ],
    },
  ]);
  test('one row an x, empty where a line has no point; read back by a CSV library', () => {
    expect(parse(text)).toEqual([
      ['km/h', 'gear 1, engaged', 'a "road"'],
      ['0', '9', ''],
      ['10', '8.123457', '1'],
      ['20', '', '2'],
    ]);
  });
  test('no lines, no rows', () => expect(chartCsv('x', [])).toBe('x\r\n'));
});
