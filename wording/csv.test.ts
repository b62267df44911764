import { expect, test } from 'vitest';
import { fromCell, toCsv } from './csv.ts';

const written = (cell: string) => toCsv(['head'], [[cell]]).split('\r\n')[1]!;

test.each([
  '=1+1',
  '+1',
  '@sum',
  '\t=1',
  ';=1+1',
  '; =1+1',
  ';-2+3',
  '＝1+1',
  '＋1',
  '＠sum',
  '－1+1',
  '-1+1',
  "'=1",
  "';=1",
])('a cell %j is text in a spreadsheet, and reads back as it was', (cell) => {
  const quoted = /^"(.*)"$/s.exec(written(cell));
  const stored = (quoted?.[1] ?? written(cell)).replaceAll('""', '"');
  expect(stored.startsWith("'")).toBe(true);
  expect(fromCell(stored)).toBe(cell);
});

test.each(['-12.5', 'two; three', 'a = b', "'tis", ';', 'Ø 8 mm'])('%j is left as it is', (cell) => {
  expect(written(cell).replaceAll('"', '')).toBe(cell);
  expect(fromCell(cell)).toBe(cell);
});
