import { describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { componentAs, voltageWindow } from '../component/sheets.ts';
import { designComponents, EMPTY_DESIGN } from '../design/inputs.ts';
import { engineX, type Library, resolveDesign } from '../design/resolve.ts';
import { CHARGER, DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import {
  boxCents,
  type KitLine,
  type KitRevision,
  kitDesign,
  kitHours,
  kitParts,
  kitStages,
  type StageTemplate,
} from './kit.ts';

const heater = {
  ...MODULE,
  id: 'heater',
  kind: 'other',
  name: 'Heater',
  massKg: 3,
  priceCents: 5000,
  sheet: {},
} as unknown as Component;
const box = {
  ...MODULE,
  id: 'box',
  kind: 'box',
  name: 'Box',
  sheet: { holds: 4, bay: 'rear' },
} as unknown as Component;
const LIBRARY: Library = new Map<string, Component>(
  [MODULE, DRIVE, CHARGER, heater, box].map((part) => [part.id, part]),
);

const line = (componentId: string, quantity = 1, appliesWhen: KitLine['appliesWhen'] = null): KitLine => ({
  componentId,
  quantity,
  packedIn: 'crate 1',
  appliesWhen,
});
const stage = (hours: number): StageTemplate => ({
  key: `s${hours}`,
  name: '',
  traits: [],
  after: [],
  hours,
  people: 1,
  liveHv: false,
  needs: '',
  note: '',
  steps: [],
});
const revision = (lines: KitLine[]): KitRevision => ({
  id: 'k-a',
  kitId: 'k',
  kitName: 'Kit',
  modelName: 'Van',
  revision: 'A',
  state: 'released',
  lines,
  options: [{ id: 'warm', name: 'Heater' }],
  layout: { boxes: [{ bay: 'rear', modules: 12 }], strings: 1 },
  torqueCapNm: 120,
  gear: 3,
  cover: {},
  exclusions: [],
  stages: [stage(8), stage(2.5)],
});
const ids = (lines: KitLine[], variantId: string, options: string[] = []) =>
  kitParts(revision(lines), LIBRARY, variantId, options).map((part) => part.component.id);

describe('lines of a kit', () => {
  test('apply by variant, with an option, and without one', () => {
    const lines = [
      line('module-t', 12),
      line('drive-t', 1, { variantIds: ['test-van'] }),
      line('heater', 1, { option: 'warm' }),
      line('charger-t', 1, { without: 'warm' }),
    ];
    expect(ids(lines, 'test-van')).toEqual(['module-t', 'drive-t', 'charger-t']);
    expect(ids(lines, 'sister', ['warm'])).toEqual(['module-t', 'heater']);
  });
  test('parts the library has not got are left out', () => expect(ids([line('gone')], 'test-van')).toEqual([]));
  test('hours add up', () => expect(kitHours(revision([]), 'v', [])).toBe(10.5));
  test('a stage of an option is left out without it, and what waited for it waits for what came before', () => {
    const stages = [
      stage(1),
      { ...stage(2), after: ['s1'], appliesWhen: { option: 'cold' } },
      { ...stage(3), after: ['s2', 's1'] },
    ];
    expect(kitHours({ stages }, 'v', [])).toBe(4);
    expect(kitStages({ stages }, 'v', []).map(({ key, after }) => [key, after])).toEqual([
      ['s1', []],
      ['s3', ['s1']],
    ]);
    expect(kitStages({ stages }, 'v', ['cold']).map(({ after }) => after)).toEqual([[], ['s1'], ['s2', 's1']]);
  });
});

describe('the design a kit makes', () => {
  const parts = kitParts(
    revision([line('module-t', 12), line('drive-t'), line('charger-t'), line('heater', 2), line('box')]),
    LIBRARY,
    'test-van',
    [],
  );
  const design = kitDesign(revision([]), parts, 'test-van', []);
  test('names module, drive and charger, lays out boxes, keeps gear and cap', () => {
    expect(design).toMatchObject({
      moduleId: 'module-t',
      driveId: 'drive-t',
      chargerId: 'charger-t',
      inletId: null,
      strings: 1,
      gear: 3,
      torqueCapNm: 120,
    });
    expect(design.boxes).toEqual([{ bay: 'rear', modules: 12, shiftMm: 0 }]);
  });
  test('everything else rides along, but for boxes, whose mass the figures work out', () => {
    expect(design.others).toEqual([{ componentId: 'heater', quantity: 2, xMm: null }]);
  });
  test('lists every component with its quantity', () => {
    expect(designComponents(design)).toEqual([
      { componentId: 'module-t', quantity: 12 },
      { componentId: 'drive-t', quantity: 1 },
      { componentId: 'charger-t', quantity: 1 },
      { componentId: 'heater', quantity: 2 },
    ]);
    expect(designComponents(EMPTY_DESIGN)).toEqual([]);
  });
});

describe('from choices to slots', () => {
  const work = {
    labourHours: null,
    rateCents: 0,
    todayDay: 0,
    latestPartDay: null,
    remainingHours: null,
    hoursPerDay: 1,
  };
  const resolve = (change: Partial<typeof EMPTY_DESIGN>) =>
    resolveDesign({
      design: { ...EMPTY_DESIGN, ...change },
      library: LIBRARY,
      vehicle: VEHICLE,
      use: slots().use,
      newHoles: null,
      work,
    });
  test('a box gets its outside, its mass with modules, and its place with the shift', () => {
    const [placed] = resolve({ moduleId: 'module-t', boxes: [{ bay: 'rear', modules: 6, shiftMm: -40 }] }).pack.boxes;
    expect(placed).toMatchObject({ modules: 6, xMm: 1960, yMm: 0 });
    expect(placed!.massKg).toBeGreaterThan(6 * 13);
    expect(placed!.zMm).toBeLessThan(400);
  });
  test('more than fit leaves the outside open and says how many would', () => {
    const [placed] = resolve({ moduleId: 'module-t', boxes: [{ bay: 'rear', modules: 500, shiftMm: 0 }] }).pack.boxes;
    expect(placed!.outer).toBeNull();
    expect(placed!.most).toBeGreaterThan(10);
  });
  test('unknown bays, empty boxes and unknown parts fall away', () => {
    const slot = resolve({
      moduleId: 'gone',
      driveId: 'charger-t',
      chargerId: 'drive-t',
      boxes: [
        { bay: 'attic', modules: 4, shiftMm: 0 },
        { bay: 'rear', modules: 0, shiftMm: 0 },
      ],
    });
    expect(slot.pack.boxes).toEqual([]);
    expect([slot.pack.module, slot.drive.unit, slot.charge.charger]).toEqual([null, null, null]);
  });
  test('price: what is named, times how many; nothing named has no price', () => {
    expect(
      resolve({
        moduleId: 'module-t',
        boxes: [{ bay: 'rear', modules: 4, shiftMm: 0 }],
        others: [{ componentId: 'heater', quantity: 2, xMm: null }],
      }).work.partsCents,
    ).toBe(4 * 30_000 + 2 * 5000);
    expect(resolve({}).work.partsCents).toBeNull();
  });
  test('a front drive weighs on its axle, other parts where the engine was or where they are put', () => {
    const { added } = resolve({
      driveId: 'drive-t',
      others: [{ componentId: 'heater', quantity: 1, xMm: 700 }],
      chargerId: 'charger-t',
    });
    expect(added.map(({ name, xMm }) => [name, xMm])).toEqual([
      ['Drive T', 0],
      ['Charger T', -100],
      ['Heater', 700],
    ]);
    expect(engineX({ ...VARIANT, removed: [] })).toBe(0);
  });
});

describe('component sheets', () => {
  test('are read by kind only', () => {
    expect(componentAs(MODULE, 'module')?.sheet.cellsSeries).toBe(6);
    expect(componentAs(MODULE, 'drive')).toBeNull();
    expect(componentAs(undefined, 'module')).toBeNull();
  });
  test('only high-voltage kinds have a window', () => {
    expect(voltageWindow(DRIVE)).toMatchObject({ minV: 150, maxV: 400 });
    expect(voltageWindow(MODULE)).toBeNull();
  });
});

test('the boxes of a kit cost what they cost, although no design names them', () => {
  const part = (kind: 'box' | 'other', priceCents: number, quantity: number) => ({
    ...{ component: { ...MODULE, kind, priceCents } as unknown as Component, quantity, packedIn: '' },
  });
  expect(boxCents([part('box', 46_000, 2), part('other', 9900, 1), part('box', 38_000, 1)])).toBe(130_000);
  expect(boxCents([])).toBe(0);
});
