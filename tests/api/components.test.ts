import Ajv from 'ajv/dist/2020.js';
import { parse } from 'csv-parse/sync';
import { beforeAll, describe, expect, test } from 'vitest';
import { COMPONENT_KINDS } from '../../contract/components.ts';
import type { LibraryData } from '../../contract/library.ts';
import { columnsOf, readCell, sheetFrom } from '../../core/component/cells.ts';
import { KINDS } from '../../core/component/kinds/index.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
let library: LibraryData;
const motor = {
  kind: 'drive',
  name: 'Motor Q1',
  supplier: 'Quay works',
  massKg: 52,
  lengthMm: 400,
  widthMm: 300,
  heightMm: 300,
  priceCents: 310_000,
  leadDays: 20,
  covers: [],
  highVoltage: true,
  sheet: {
    minV: 200,
    maxV: 420,
    peakTorqueNm: 210,
    continuousTorqueNm: 90,
    peakPowerW: 80_000,
    continuousPowerW: 40_000,
    maxRpm: 9000,
    ownRatio: 1,
    efficiency: 0.92,
    maxCurrentA: 300,
    hasInverter: true,
    output: 'gearboxInput',
    spline: '24 × 25',
    boltPattern: 'P6',
    curve: [
      { rpm: 0, peakNm: 210, continuousNm: 90 },
      { rpm: 9000, peakNm: 80, continuousNm: 40 },
    ],
  },
};
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  library = (await ilse.get('/library')).body as LibraryData;
});

describe('a component is taken into the library', () => {
  test('and is there with its sheet, under an id a person can read', async () => {
    const { status, body } = await ilse.send('post', '/components', motor);
    expect([status, body]).toEqual([200, { id: 'motor-q1' }]);
    const { components } = (await ilse.get('/library')).body as LibraryData;
    const { kind: _, ...rest } = motor;
    expect(components.find((one) => one.id === 'motor-q1')).toMatchObject({ ...rest, free: 0 });
  });
  test('a name that is taken, whatever its capitals, is said at the name', async () => {
    const { status, body } = await ilse.send('post', '/components', { ...motor, name: 'MOTOR q1' });
    expect([status, body.fields.name]).toEqual([400, 'The library has a component of this name.']);
  });
  test.each([
    [
      'a field of the sheet that is missing',
      { sheet: { ...motor.sheet, peakTorqueNm: undefined } },
      'sheet.peakTorqueNm',
    ],
    ['one that no drive has', { sheet: { ...motor.sheet, wheels: 4 } }, 'sheet.wheels'],
    [
      'a point of the curve beyond any motor',
      { sheet: { ...motor.sheet, curve: [{ rpm: 1e6, peakNm: 1, continuousNm: 1 }] } },
      'sheet.curve.0.rpm',
    ],
    ['a sheet of another kind', { kind: 'cable' }, 'sheet.sectionMm2'],
    ['a kind there is none of', { kind: 'sail' }, 'kind'],
  ])('%s is said at its field', async (_, change, field) => {
    const { status, body } = await ilse.send('post', '/components', { ...motor, name: 'Motor Q2', ...change });
    expect(status).toBe(400);
    expect(Object.keys(body.fields)).toContain(field);
  });
  test('suppliers whose names come to one id are still two', async () => {
    for (const [name, supplier] of [
      ['Motor Q4', 'Holm-Quay'],
      ['Motor Q5', 'Holm Quay'],
      ['Motor Q6', 'HOLM QUAY'],
    ])
      expect((await ilse.send('post', '/components', { ...motor, name, supplier })).status).toBe(200);
    const { components } = (await ilse.get('/library')).body as LibraryData;
    const of = (id: string) => components.find((one) => one.id === id)?.supplier;
    expect([of('motor-q4'), of('motor-q5'), of('motor-q6')]).toEqual(['Holm-Quay', 'Holm Quay', 'Holm Quay']);
  });
  test('parts whose names come to one id are still two', async () => {
    const ids = [];
    for (const name of ['Motor R 1', 'Motor R-1', 'Motor (R) 1'])
      ids.push((await ilse.send('post', '/components', { ...motor, name })).body.id);
    expect(ids).toEqual(['motor-r-1', 'motor-r-1-2', 'motor-r-1-3']);
  });
  test('nobody but a manager', async () => {
    const jory = await shop.visitor('jory');
    expect((await jory.send('post', '/components', { ...motor, name: 'Motor Q3' })).status).toBe(403);
  });
});

describe.each(COMPONENT_KINDS)('%s in open formats', (kind) => {
  test('every sheet of the sample holds to the JSON Schema that is given out', async () => {
    const { text } = await ilse.get(`/components/${kind}/schema.json`).buffer(true);
    const holds = new Ajv({ strict: false, allErrors: true }).compile(JSON.parse(text) as object);
    for (const one of library.components.filter((part) => part.kind === kind))
      expect(holds(one.sheet), JSON.stringify(holds.errors)).toBe(true);
    expect(holds({ surprise: 1 })).toBe(false);
  });
  test('the table read back cell by cell makes the same sheets', async () => {
    const { text } = await ilse.get(`/components/${kind}/table.csv`).buffer(true);
    const [head = [], ...lines] = parse(text, { bom: true }) as string[][];
    const columns = columnsOf(KINDS[kind]);
    const first = head.length - columns.length;
    const own = library.components.filter((part) => part.kind === kind && part.id !== 'motor-q1');
    for (const one of own) {
      const line = lines.find(([id]) => id === one.id)!;
      const sheet = sheetFrom(
        columns.map((column, i) => {
          const read = readCell(column.field, line[first + i]!);
          if ('problem' in read) throw new Error(`${one.id} ${column.label}: ${line[first + i]}`);
          const empty = line[first + i] === '' && column.optional;
          return [column, empty ? undefined : read.value];
        }),
      );
      expect(sheet).toEqual(one.sheet);
    }
  });
});

test('a kind there is none of has neither table nor schema', async () => {
  expect((await ilse.get('/components/sail/table.csv')).status).toBe(404);
  expect((await ilse.get('/components/sail/schema.json')).status).toBe(404);
});

describe('a component that is changed', () => {
  const partOf = async (name: string) => {
    const now: LibraryData = (await ilse.get('/library')).body;
    const { id, free: _, lent: __, version, ...component } = now.components.find((one) => one.name === name)!;
    return { id, version, component };
  };
  test('name, supplier and price change at once; what a design reckons with makes a revision it does not see', async () => {
    const van = await ilse.job('Bakery van');
    const design = van.designs.find((one) => one.id === van.chosenDesignId)!;
    const module = library.components.find((one) => one.id === design.inputs.moduleId)!;
    const { id, version, component } = await partOf(module.name);
    const dearer = { ...component, priceCents: component.priceCents + 100 };
    const priced = await ilse.send('put', `/components/${id}`, { component: dearer, version });
    expect(priced.body).toEqual({ id, version: version + 1 });
    const heavier = { ...dearer, massKg: component.massKg + 1 };
    expect((await ilse.send('put', `/components/${id}`, { component: heavier, version })).status).toBe(409);
    const revised = await ilse.send('put', `/components/${id}`, { component: heavier, version: version + 1 });
    expect(revised.body.id).toBe(`${id}.r2`);
    const old = await partOf(`${module.name}, revision 1`);
    expect([old.id, old.component.massKg]).toEqual([id, component.massKg]);
    expect((await partOf(module.name)).component.massKg).toBe(component.massKg + 1);
    const again = { component: { ...old.component, priceCents: 1 }, version: old.version };
    expect((await ilse.send('put', `/components/${id}`, again)).body.detail).toMatch(
      /newer revision of this component/,
    );
    const after = await ilse.job('Bakery van');
    expect(after.designs.find((one) => one.id === design.id)!.inputs).toEqual(design.inputs);
  });
  test('one that nothing stands on changes in place; its kind and another one’s name are refused at their fields', async () => {
    const made = await ilse.send('post', '/components', { ...motor, name: 'Motor Q7' });
    expect(made.status).toBe(200);
    const { id, version, component } = await partOf('Motor Q7');
    const change = (next: object) =>
      ilse.send('put', `/components/${id}`, { component: { ...component, ...next }, version });
    const fuse = library.components.find((one) => one.kind === 'fuse')!;
    expect((await change({ kind: 'fuse', sheet: fuse.sheet })).body.fields).toEqual({
      'component.kind': 'A component stays of its kind. Add another one.',
    });
    expect((await change({ name: fuse.name })).body.fields['component.name']).toMatch(/of this name/);
    expect(Object.keys((await change({ massKg: -1 })).body.fields)).toEqual(['component.massKg']);
    expect((await change({ massKg: 60 })).body).toEqual({ id, version: version + 1 });
    expect((await partOf('Motor Q7')).component.massKg).toBe(60);
  });
});
