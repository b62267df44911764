import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cellText, columnsOf, readCell, sheetFrom, valueAt } from './cells.ts';
import { choice, count, flag, grid, group, number, optional, rows, series, text } from './field.ts';

const FIELDS = {
  power: number('Power', 'electricPower', 0, 1e6),
  phases: choice('Phases', [1, 3]),
  turns: choice('Turns', ['left', 'right']),
  built: flag('Built in'),
  spline: text('Spline'),
  curve: rows(
    'Curve',
    { rpm: number('Revolutions', 'rotation', 0, 9e4), nm: number('Torque', 'torque', -9e3, 9e3) },
    0,
    9,
  ),
  picks: rows('Picks', { point: text('Point'), x: number('Aft', 'length', -9e3, 9e3) }, 0, 9),
  map: optional(
    group('Map', { axis: series('Axis', 'rotation', 0, 9e4, 9), eta: grid('Efficiency', 'share', 0, 1, 9) }),
  ),
  many: optional(count('Many', 0, 50)),
} as const;

const real = fc.double({ noNaN: true, noDefaultInfinity: true }).map((x) => x + 0);
const sheets = fc.record(
  {
    power: real,
    phases: fc.constantFrom(1, 3),
    turns: fc.constantFrom('left', 'right'),
    built: fc.boolean(),
    spline: fc.string(),
    curve: fc.array(fc.record({ rpm: real, nm: real }), { maxLength: 4 }),
    picks: fc.array(fc.record({ point: fc.string(), x: real }), { maxLength: 4 }),
    map: fc.record({
      axis: fc.array(real, { minLength: 1, maxLength: 4 }),
      eta: fc.array(fc.array(real, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 4 }),
    }),
    many: fc.nat(),
  },
  { requiredKeys: ['power', 'phases', 'turns', 'built', 'spline', 'curve', 'picks'] },
);

test('a sheet written as cells and read back is the same sheet, to the last bit', () => {
  const columns = columnsOf(FIELDS);
  fc.assert(
    fc.property(sheets, (sheet) => {
      const back = columns.map((column) => {
        const value = valueAt(sheet, column);
        if (value === undefined) return [column, undefined] as const;
        const read = readCell(column.field, cellText(column.field, value));
        expect(read).toHaveProperty('value');
        return [column, (read as { value: unknown }).value] as const;
      });
      expect(sheetFrom(back)).toEqual(sheet);
    }),
  );
});

test('a group is a column for each of its members, under its own name', () => {
  expect(columnsOf(FIELDS).map(({ label }) => label)).toContain('Map: efficiency');
  expect(columnsOf(FIELDS).find(({ label }) => label === 'Map: axis')).toMatchObject({
    path: ['map', 'axis'],
    optional: true,
  });
});

describe('a cell as people write it', () => {
  test.each([
    [
      'a curve with commas and line breaks',
      FIELDS.curve,
      '0, 240\n4000 180;',
      [
        { rpm: 0, nm: 240 },
        { rpm: 4000, nm: 180 },
      ],
    ],
    ['yes in capitals', FIELDS.built, ' Yes ', true],
    ['a choice that is a number', FIELDS.phases, '3', 3],
    ['nothing', FIELDS.many, '  ', undefined],
  ])('%s', (_, field, cell, value) => expect(readCell(field, cell)).toEqual({ value }));
  test.each([
    ['a word for a number', FIELDS.power, 'much', 'number'],
    ['a choice there is none of', FIELDS.turns, 'up', 'choice'],
    ['neither yes nor no', FIELDS.built, 'perhaps', 'flag'],
    ['a line too short', FIELDS.curve, '0 240; 4000', 'rows'],
    ['a hole in a map', FIELDS.map.of.eta, '0.9 0.8; 0.7 x', 'rows'],
    ['half a list', FIELDS.picks, '[{"point":', 'rows'],
  ])('%s is said, not guessed', (_, field, cell, problem) => expect(readCell(field, cell)).toEqual({ problem }));
});
