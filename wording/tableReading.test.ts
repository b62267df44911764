import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { toCsv } from './csv.ts';
import { columnsOfHeads, divide, numbered, readLine, readList, sameInFile, splitHead, unitOf } from './tableReading.ts';

const as = (n: number) => n;

describe('heads', () => {
  test.each([
    ['Peak torque (lb ft)', 'peak torque', 'lb ft'],
    ['  Mass(kg) ', 'mass', 'kg'],
    ['Name', 'name', null],
    ['Empty ()', 'empty', null],
    ['Gross mass, plate (kg)', 'gross mass, plate', 'kg'],
  ])('%s', (head, label, unit) => expect(splitHead(head)).toEqual({ label, unit }));

  // The inch is 25.4 mm and the pound 0.45359237 kg, exact (NIST SP 811).
  test('a unit that people write becomes the base one', () => {
    expect((unitOf('Wheelbase', 'in', 'length') as (n: number) => number)(100)).toBeCloseTo(2540, 9);
    expect((unitOf('Mass', 'lb', 'mass') as (n: number) => number)(100)).toBeCloseTo(45.359237, 9);
    expect((unitOf('Mass', 'kg', 'mass') as (n: number) => number)(0.1)).toBe(0.1);
    expect((unitOf('Angle', 'rad', 'angle') as (n: number) => number)(Math.PI)).toBeCloseTo(180, 9);
  });
  test('one of something else, or that nobody knows, is said with what is wanted', () => {
    expect(unitOf('Wheelbase', 'kg', 'length')).toMatch(/that is a mass; mm or another unit of the same is wanted/);
    expect(unitOf('Wheelbase', 'smoot', 'length')).toMatch(/smoot is not a unit Dajo knows/);
    expect(unitOf('Year', 'kg', 'count')).toMatch(/a number alone is wanted/);
  });
  test('the first that is no column is named', () => {
    const column = (head: string) => (head === 'no' ? null : { head, take: () => {}, read: () => ({ value: 1 }) });
    expect(columnsOfHeads(['a', 'no', 'b'], column)).toMatch(/no column “no”/);
    expect(columnsOfHeads(['a', 'b'], column)).toHaveLength(2);
  });
});

describe('cells', () => {
  test.each<[string, boolean, unknown]>([
    ['1.5', false, 1.5],
    ['1,5', true, 1.5],
    ['1 234,5', true, 1234.5],
    ['-3e-2', false, -0.03],
    ['', false, undefined],
    ['   ', true, undefined],
  ])('“%s” (comma for the point: %s)', (cell, comma, value) => expect(numbered(cell, comma, as)).toEqual({ value }));
  test.each(['heavy', '1,5', '12 mm', '1.2.3', '--1'])('“%s” is no number', (cell) =>
    expect(numbered(cell, false, as)).toEqual({ fault: 'is not a number' }));
  test('numbers that went out come in', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9_999_999, max: 9_999_999 }), fc.integer({ min: 0, max: 4 }), (n, places) => {
        const value = Number((n / 10 ** places).toPrecision(7));
        expect(numbered(String(value), false, as)).toEqual({ value });
        expect(numbered(String(value).replace('.', ','), true, as)).toEqual({ value });
      }),
    );
  });
  test('what a line has wrong is told by its head; a cell too many too', () => {
    const column = (head: string) => ({
      head,
      take: (body: Record<string, unknown>, value: unknown) => {
        body[head] = value;
      },
      read: (cell: string) => numbered(cell, false, as),
    });
    const body = {};
    expect(readLine(['1', 'x', '3'], [column('a'), column('b')], body)).toEqual([
      'b is not a number.',
      'This row has more cells than the head.',
    ]);
    expect(body).toEqual({ a: 1 });
  });
});

describe('files', () => {
  test('whatever divides it, it is divided; numbers have commas where no comma divides', () => {
    for (const [sign, comma] of [
      [',', false],
      [';', true],
      ['\t', true],
    ] as const)
      expect(divide(`a${sign}b\n1${sign}2\n`, 10, 'things')).toEqual({ heads: ['a', 'b'], lines: [['1', '2']], comma });
  });
  test('cells with commas, quotes and line breaks come back as they were', () => {
    const cell = fc.stringMatching(/^[a-z,;"\n ]{1,12}$/).filter((text) => text.trim() === text && text !== '');
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 6 }), (rows) => {
        const table = divide(toCsv(['first', 'second'], rows), 10, 'things');
        expect(typeof table === 'string' ? table : table.lines).toEqual(rows);
      }),
    );
  });
  test('without rows, with too many, or torn it is refused in one sentence', () => {
    expect(divide('a,b\n', 10, 'things')).toMatch(/a head and no rows/);
    expect(divide(`a\n${'x\n'.repeat(11)}`, 10, 'things')).toBe(
      'This file has 11 things; at most 10 are taken at a time. Divide it.',
    );
    expect(divide('a,b\n"x,1\ny,2', 10, 'things')).toMatch(/quotation mark that is never closed/);
    expect(readList('[1,2', 10, 'things')).toMatch(/not readable JSON/);
    expect(readList('[1,2,3]', 2, 'things')).toMatch(/at most 2/);
    expect(readList('{"a":1}', 2, 'things')).toEqual([{ a: 1 }]);
  });
});

describe('the same thing twice in a file', () => {
  const same = (names: readonly string[]) => {
    const rows = names.map((name, i) => ({ line: i + 2, name }));
    const of = sameInFile(rows, ({ name }) => (name ? [['name', name]] : []));
    return rows.map(of);
  };
  test('is told at every one of them, with the lines of the others, whatever the capitals', () => {
    expect(same(['a', 'b', 'A'])).toEqual([['Line 4 has the same name.'], [], ['Line 2 has the same name.']]);
    expect(same(['x', 'x', 'x', 'x', 'x'])[0]).toEqual(['Line 3, 4, 5 and more has the same name.']);
  });
  test('what has no name is like nothing', () => expect(same(['', ''])).toEqual([[], []]));
  test('none is told exactly where all are different', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('a', 'b', 'c', 'd', 'e')), (names) => {
        const told = same(names).some((faults) => faults.length > 0);
        expect(told).toBe(new Set(names).size < names.length);
      }),
    );
  });
});
