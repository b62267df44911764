import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { COMPONENT_KINDS } from '../contract/components.ts';
import type { Component } from '../core/component/sheets.ts';
import { componentCsv } from '../wording/componentCsv.ts';
import { MOST_ROWS, readComponentTable } from '../wording/componentTable.ts';
import { finder, verdictOf } from '../wording/tableVerdict.ts';
import { COMPONENTS } from './components.ts';

const EUR = { currency: 'EUR' } as const;
const of = (kind: string) =>
  COMPONENTS.filter((one) => one.kind === kind).map(({ onHand: _, ...one }) => one as unknown as Component);
const verdicts = async (kind: Component['kind'], text: string, library: readonly Component[]) => {
  const { rows, fault } = await readComponentTable(kind, text, EUR);
  expect(fault).toBeNull();
  const find = finder(library);
  return rows.map((row) => ({ verdict: verdictOf(row, find(row)), faults: row.faults }));
};
const fuses = of('fuse');
const HEAD =
  'Name,Supplier,Mass (kg),Length (mm),Width (mm),Height (mm),Price (EUR),Days to get,Covers,Live parts inside,Rating (A),Highest voltage (V),Breaks (A)';
const ROW = 'Fuse 80,Quay,0.1,80,30,30,24.50,3,fuse,yes,80,500,20000';
const read = async (text: string) => readComponentTable('fuse', text, EUR);
const fault = async (text: string) => (await read(text)).fault;

describe('out and in again is the same', () => {
  test.each(COMPONENT_KINDS)('%s of the sample, as table and as list', async (kind) => {
    const mine = of(kind);
    if (mine.length === 0) return;
    for (const text of [componentCsv(kind, mine), JSON.stringify(mine)])
      expect(new Set((await verdicts(kind, text, mine)).map(({ verdict }) => verdict)), text.slice(0, 80)).toEqual(
        new Set(['alike']),
      );
  });
  test('whatever names, numbers and lists it has', async () => {
    const line = fc.string({ unit: 'grapheme', minLength: 2, maxLength: 60 }).map((s) => `${s.trim()}ab`);
    const safe = line.filter((s) => !/[\p{Cc}\ud800-\udfff]/u.test(s) && s.trim() === s);
    await fc.assert(
      fc.asyncProperty(
        safe,
        fc.constantFrom('=2+2', '+1', "'=x", '@a', '-b', 'a;b', 'a"b', ''),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0.1, max: 10_000, noNaN: true }),
        fc.boolean(),
        async (name, partNumber, massKg, ratedA, highVoltage) => {
          const base = fuses[0]! as Extract<Component, { kind: 'fuse' }>;
          const one = { ...base, name, partNumber, massKg, highVoltage, sheet: { ...base.sheet, ratedA } } as Component;
          for (const text of [componentCsv('fuse', [one]), JSON.stringify([one])])
            expect(await verdicts('fuse', text, [one])).toEqual([{ verdict: 'alike', faults: [] }]);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('units and ways to write', () => {
  test('units stand in the heads, prices in the workshop’s money', async () => {
    const text = `${HEAD.replace('Mass (kg)', 'mass (lb)').replace('Length (mm)', 'Length (in)')}\n${ROW.replace('0.1,80', '0.25,4')}`;
    const [row] = (await read(text)).rows;
    // NIST SP 811: 0.25 lb = 0.113398 kg; 4 in = 101.6 mm.
    expect(row!.component).toMatchObject({ massKg: expect.closeTo(0.1133981, 6), lengthMm: expect.closeTo(101.6, 9) });
    expect(row!.component!.priceCents).toBe(2450);
  });
  test('a table with semicolons has decimal commas', async () => {
    const text = `${HEAD}\n${ROW}`.replaceAll(',', ';').replace('0.1', '0,1').replace('24.50', '24,50');
    expect((await read(text)).rows[0]!.component).toMatchObject({ massKg: 0.1, priceCents: 2450 });
  });
  test('a row is known by its id, else by its name, whatever its capitals', async () => {
    const mine = { ...fuses[0]!, massKg: 9 };
    const named = componentCsv('fuse', [mine]).replace(mine.id, '').replace(mine.name, mine.name.toUpperCase());
    const byId = componentCsv('fuse', [{ ...mine, name: 'Another name' }]);
    for (const text of [named, byId]) expect((await verdicts('fuse', text, fuses))[0]!.verdict).toBe('changed');
  });
});

describe('what cannot be read is said where it is', () => {
  test.each([
    ['', 'There is nothing in this file.'],
    [HEAD, 'This table has a head and no rows.'],
    [
      `${HEAD.replace('Mass (kg)', 'Mass (N·m)')}\n${ROW}`,
      'The column “Mass (N·m)”: that is a torque; kg or another unit of the same is wanted.',
    ],
    [
      `${HEAD.replace('Rating (A)', 'Rating (furlong)')}\n${ROW}`,
      'The column “Rating (furlong)”: furlong is not a unit Dajo knows; A or another unit of the same is wanted.',
    ],
    [
      `${HEAD.replace('Price (EUR)', 'Price (USD)')}\n${ROW}`,
      'The column “Price (USD)”: prices here are in EUR or cents.',
    ],
    [`${HEAD},Colour\n${ROW},red`, 'Dajo knows no column “Colour” here. Export the table to see what they are called.'],
    [`${HEAD}\n"Fuse 80,Quay`, 'Line 2 has a quotation mark that is never closed.'],
    ['[{"name": "x"', 'This is not readable JSON: it is cut off or has a sign too many.'],
  ])('%s', async (text, sentence) => expect(await fault(text)).toBe(sentence));
  test('50 000 rows with a wrong unit are one sentence, at once', async () => {
    const many = `${HEAD.replace('Mass (kg)', 'Mass (V)')}\n${`${ROW}\n`.repeat(50_000)}`;
    expect(await fault(many)).toBe(
      `This file has 50000 components; at most ${MOST_ROWS} are taken at a time. Divide it.`,
    );
    const some = `${HEAD.replace('Mass (kg)', 'Mass (V)')}\n${`${ROW}\n`.repeat(MOST_ROWS)}`;
    expect(await fault(some)).toMatch(/that is a voltage; kg/);
  });
  test('faults of a row stay at the row', async () => {
    const text = [
      HEAD,
      ROW,
      ROW.replace('80,500', 'eighty,500').replace('yes', 'maybe'),
      ROW.replace('0.1', '-1'),
      `${ROW},more`,
    ];
    const { rows } = await read(text.join('\n'));
    expect(rows.map(({ faults }) => faults)).toEqual([
      [],
      ['Live parts inside must be yes or no.', 'Rating (A) is not a number.'],
      ['Mass must be at least 0.'],
      ['This row has more cells than the head.'],
    ]);
    const [other, none] = (await read('[{"kind": "drive", "name": "x"}, 7]')).rows;
    expect([other!.faults, none!.faults]).toEqual([['It is of another kind.'], ['This entry is not a component.']]);
  });
  test('an efficiency map with a hole says how many it needs', async () => {
    const drive = of('drive').find((one) => 'efficiencyMap' in one.sheet)! as Extract<Component, { kind: 'drive' }>;
    const { rpm, torqueNm, eta } = drive.sheet.efficiencyMap!;
    const holed = { ...drive.sheet.efficiencyMap, eta: eta.map((line, i) => (i === 1 ? line.slice(1) : line)) };
    const text = JSON.stringify([{ ...drive, sheet: { ...drive.sheet, efficiencyMap: holed } }]);
    const [row] = (await readComponentTable('drive', text, EUR)).rows;
    expect(row!.faults).toEqual([
      `The map has a hole: it needs ${rpm.length} lines, one a speed, of ${torqueNm.length} values, one a torque.`,
    ]);
  });
});
