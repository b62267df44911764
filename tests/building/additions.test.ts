import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';

// What docs/building.md promises about adding things is done here to a copy of the house: so many files, no others, and
// the thing is there. What does not compile, or needs a further file, fails.
const ROOMS = ['core', 'contract', 'wording', 'server', 'web', 'demo', 'tools', 'tests'];
let copy: string;
const touched = new Set<string>();

function put(file: string, text: string): void {
  touched.add(file);
  mkdirSync(dirname(join(copy, file)), { recursive: true });
  writeFileSync(join(copy, file), text);
}
/** Puts text before the first place where `before` stands in a file. */
function insert(file: string, before: string, text: string): void {
  const old = readFileSync(join(copy, file), 'utf8');
  expect(old, `${file} has “${before}”`).toContain(before);
  put(file, old.replace(before, `${text}${before}`));
}
const node = (script: string): unknown =>
  JSON.parse(
    execFileSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
      cwd: copy,
      encoding: 'utf8',
    }),
  );

beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'dajo-additions-'));
  for (const room of [...ROOMS, 'docs']) cpSync(room, join(copy, room), { recursive: true });
  for (const file of [
    'tsconfig.json',
    'package.json',
    'vite.config.ts',
    'vitest.config.ts',
    'drizzle.config.ts',
    'playwright.config.ts',
  ])
    cpSync(file, join(copy, file));
  symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));

  // A figure: its entry, and its line in the index.
  put(
    'core/figures/pack/modulesPerTonne.ts',
    `import { figure } from '../figure.ts';
import { grossMassNow } from '../balance/masses.ts';
export const modulesPerTonne = figure({
  id: 'modulesPerTonne', name: 'Modules a tonne', group: 'weight', kind: 'ratio',
  needs: { grossMassNow }, reads: ['pack'],
  compute: ({ grossMassNow: mass }, { pack }) => ({
    value: (1000 * pack.boxes.reduce((sum, box) => sum + box.modules, 0)) / mass,
    formula: 'n ÷ m', terms: [], source: 'division',
  }),
});
`,
  );
  insert(
    'core/figures/index.ts',
    'export const FIGURES = {',
    "import { modulesPerTonne } from './pack/modulesPerTonne.ts';\n",
  );
  const index = readFileSync(join(copy, 'core/figures/index.ts'), 'utf8');
  put(
    'core/figures/index.ts',
    index.replace('export const FIGURES = {', 'export const FIGURES = {\n  modulesPerTonne,'),
  );

  // A component kind: its descriptor, and its lines in the index.
  put(
    'core/component/kinds/winch.ts',
    `import { flag, number, rows } from '../field.ts';
export const winch = {
  pullN: number('Pull', 'force', 1, 200_000),
  free: flag('Free spool', { start: true }),
  layers: rows('Layers', { turns: number('Turns', 'count', 1, 99), pullN: number('Pull', 'force', 1, 200_000) }, 1, 9),
} as const;
`,
  );
  insert('core/component/kinds/index.ts', '/**\n * The kinds of components', "import { winch } from './winch.ts';\n\n");
  insert('core/component/kinds/index.ts', '  other,\n}', '  winch,\n');
  insert('core/component/kinds/index.ts', "  other: 'Other',", "  winch: 'Winch',\n");

  // A kind of brief line: one entry.
  insert(
    'core/brief/lines.ts',
    '  free: {',
    "  drivePower: { name: 'Power at full throttle', figure: 'drivePower', compare: 'atLeast', kind: 'electricPower', amount: 'needed', start: 60_000 },\n",
  );

  // A resource: contract, table, its place in the schema, routes, their place among the endpoints.
  put(
    'contract/tides.ts',
    `import Joi from 'joi';
import { address, answers } from './address.ts';
import { type Made, number } from './fields.ts';
export interface Tide { readonly id: string; readonly heightM: number }
export interface NewTide { readonly heightM: number }
export const newTideSchema = Joi.object<NewTide, true>({ heightM: number('Height', 0, 20).required() });
export const tideAddress = {
  list: address({ method: 'get', path: '/tides', may: 'viewer', answer: answers<Tide[]>() }),
  add: address({ method: 'post', path: '/tides', may: 'technician', body: newTideSchema, answer: answers<Made>() }),
} as const;
`,
  );
  put(
    'server/db/schema/tides.ts',
    `import { doublePrecision, pgTable, uuid } from 'drizzle-orm/pg-core';
export const tide = pgTable('tide', { id: uuid('id').primaryKey().defaultRandom(), heightM: doublePrecision('height_m').notNull() });
`,
  );
  insert('server/db/schema/index.ts', 'export', "export * from './tides.ts';\n");
  put(
    'server/tides/routes.ts',
    `import { tideAddress } from '../../contract/tides.ts';
import { made } from '../db/one.ts';
import { tide } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
export const tideEndpoints = [
  serve(tideAddress.list, ({ db }) => db.select().from(tide)),
  serve(tideAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      const row = made(await tx.insert(tide).values(body).returning());
      await log({ what: 'noted a tide', resource: 'component', id: row.id, after: row });
      return { id: row.id };
    }),
  ),
];
`,
  );
  insert('server/endpoints.ts', '/** Every address', "import { tideEndpoints } from './tides/routes.ts';\n");
  insert('server/endpoints.ts', '  ...proveEndpoints,', '  ...tideEndpoints,\n');
  put(
    'web/places/tides/Tides.tsx',
    `import { useState } from 'react';
import { tideAddress } from '../../../contract/tides.ts';
import { useOfAddress } from '../../data/resources.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
export default function Tides() {
  const { data = [], mutate } = useOfAddress(tideAddress.list, {});
  const [heightM, setHeight] = useState<number | null>(null);
  const form = useChecked(tideAddress.add, {}, { heightM });
  return (
    <EntryForm save="Note" busy={form.busy} refusal={form.refusal} onSave={() => void form.save().then(() => mutate())}>
      <QuantityInput label="Height" kind="height" value={heightM} onChange={setHeight} fault={form.faults.heightM} />
      <DataTable label="Tides" rows={data} columns={({ figures }) => [figures('Height', (tide) => tide.heightM)]} />
    </EntryForm>
  );
}
`,
  );
  insert('web/app/App.tsx', 'const Floor = lazy', "const Tides = lazy(() => import('../places/tides/Tides.tsx'));\n");
  insert(
    'web/app/App.tsx',
    '          <Route path="/jobs" ',
    '          <Route path="/tides" element={<Tides />} />\n',
  );
}, 120_000);
afterAll(() => rmSync(copy, { recursive: true, force: true }));

test('everything compiles, both sides and all tests included', () => {
  const tsc = join('node_modules', '.bin', 'tsc');
  let said = '';
  try {
    execFileSync(tsc, ['--noEmit', '-p', '.'], { cwd: copy, encoding: 'utf8', stdio: 'pipe' });
  } catch (error) {
    said = (error as { stdout: string }).stdout;
  }
  expect(said).toBe('');
});

test('and it took no more files than promised', () => {
  expect([...touched].filter((file) => file.startsWith('core/figures/'))).toHaveLength(2);
  expect([...touched].filter((file) => file.startsWith('core/component/'))).toHaveLength(2);
  expect([...touched].filter((file) => file.startsWith('core/brief/'))).toHaveLength(1);
  expect([...touched].filter((file) => !file.startsWith('core/'))).toHaveLength(7);
});

describe('it is there', () => {
  test('the figure, among those of its group, with a value', () => {
    expect(
      node(`
      import { FIGURES } from './core/figures/index.ts';
      import { FIGURE_GROUPS, FIGURE_NAME } from './core/figures/names.ts';
      import { createSheet } from './core/figures/evaluate.ts';
      import { slots } from './core/testing/wren.ts';
      const { value } = createSheet(slots()).get(FIGURES.modulesPerTonne);
      console.log(JSON.stringify([FIGURE_NAME.modulesPerTonne, FIGURE_GROUPS.weight.includes('modulesPerTonne'), value > 0]));`),
    ).toEqual(['Modules a tonne', true, true]);
  });
  test('the component kind: schema, columns, JSON Schema, start of a form, reading of rows', () => {
    expect(
      node(`
      import { COMPONENT_KINDS } from './contract/components.ts';
      import { SHEET_SCHEMAS } from './contract/component.ts';
      import { check } from './contract/fields.ts';
      import { jsonSchemaOf } from './contract/jsonSchema.ts';
      import { fieldsFault } from './core/component/readSheet.ts';
      import { KINDS } from './core/component/kinds/index.ts';
      import { componentCsv } from './wording/componentCsv.ts';
      import { blankSheet } from './web/places/components/sheetDraft.ts';
      console.log(JSON.stringify([
        COMPONENT_KINDS.includes('winch'),
        check(SHEET_SCHEMAS.winch, { pullN: 0, free: true, layers: [{ turns: 9, pullN: 5 }] }).problems,
        componentCsv('winch', []).split(',').slice(-3).map((head) => head.trim()),
        Object.keys(jsonSchemaOf(SHEET_SCHEMAS.winch, 'Winch').properties),
        blankSheet('winch'),
        fieldsFault(KINDS.winch, { pullN: 5, free: 'maybe', layers: [] }),
      ]));`),
    ).toEqual([
      true,
      { pullN: 'Pull must be at least 1.' },
      ['Pull (N)', 'Free spool', 'Layers'],
      ['pullN', 'free', 'layers'],
      { free: true, layers: [] },
      'free',
    ]);
  });
  test('the brief line, in the form and judged', () => {
    expect(
      node(`
      import { lineToStart } from './web/places/jobs/brief/lineToStart.ts';
      import { judgeLine } from './core/brief/judgeLine.ts';
      import { createSheet } from './core/figures/evaluate.ts';
      import { slots } from './core/testing/wren.ts';
      const line = lineToStart.of('drivePower');
      console.log(JSON.stringify([lineToStart.options.at(-2).label, line.amount, judgeLine({ ...line, id: 'x' }, createSheet(slots())).state]));`),
    ).toEqual(['Power at full throttle', 60_000, expect.stringMatching(/met|broken/)]);
  });
  test('the resource, under its addresses', () => {
    expect(
      node(`
      import { ENDPOINTS } from './server/endpoints.ts';
      console.log(JSON.stringify(ENDPOINTS.filter((one) => one.path.startsWith('/tides')).map((one) => one.method + ' ' + one.may)));`),
    ).toEqual(['get viewer', 'post technician']);
  });
});
