import { describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { fitting, LV_BATTERY, shelfMap } from '../testing/shelf.ts';
import { CHARGER, DRIVE, MODULE, slots, VEHICLE } from '../testing/wren.ts';
import {
  type DesignInputs,
  DRIVE_DEFAULTS,
  designComponents,
  driveChoice,
  EMPTY_DESIGN,
  electricChoice,
} from './inputs.ts';
import { resolveDesign, shelfOf } from './resolve.ts';

const OTHER = { ...MODULE, id: 'module-o', name: 'Other', massKg: 20, priceCents: 50_000 };
const INLET = fitting('inlet', 'Inlet DC', { standard: 'x', maxAmps: 32, phases: 3, dc: true, openingMm: 70 });
const INVERTER = fitting('inverter', 'Inverter', { minV: 100, maxV: 420, maxCurrentA: 400 });
const LIBRARY = new Map<string, Component>([
  ...shelfMap(),
  ...[MODULE, OTHER, DRIVE, CHARGER, INLET, INVERTER, LV_BATTERY].map((part) => [part.id, part as Component] as const),
]);
const resolve = (design: Partial<DesignInputs>, free?: ReadonlyMap<string, number>) =>
  resolveDesign({
    design: { ...EMPTY_DESIGN, ...design },
    library: LIBRARY,
    vehicle: VEHICLE,
    use: slots().use,
    newHoles: null,
    work: slots().work,
    ...(free ? { free } : {}),
  });

describe('boxes', () => {
  test('each may hold modules of its own, in its own wiring, shifted three ways', () => {
    const [box] = resolve({
      moduleId: MODULE.id,
      strings: 2,
      boxes: [
        { bay: 'rear', modules: 4, shiftMm: -30, shiftYMm: 15, shiftZMm: 40, moduleId: OTHER.id, parallel: 4, pack: 2 },
      ],
    }).pack.boxes;
    expect(box).toMatchObject({ module: { id: OTHER.id }, parallel: 4, pack: 2, xMm: 1970, yMm: 15 });
    // The bay's floor is at 200; the box stands on it, raised by 40.
    expect(box!.zMm).toBeCloseTo(200 + 40 + box!.outer!.heightMm / 2, 9);
    expect(box!.massKg).toBeGreaterThan(80);
  });
  test('without words of their own they follow the pack', () =>
    expect(
      resolve({ moduleId: MODULE.id, strings: 3, boxes: [{ bay: 'rear', modules: 3, shiftMm: 0 }] }).pack.boxes[0],
    ).toMatchObject({
      module: { id: MODULE.id },
      parallel: 3,
      pack: 1,
      yMm: 0,
    }));
});

describe('what is added', () => {
  test('two motors weigh and cost twice, with an inverter each', () => {
    const one = resolve({ driveId: DRIVE.id, inverterId: INVERTER.id });
    const two = resolve({ driveId: DRIVE.id, inverterId: INVERTER.id, drive: { motors: 2 } });
    const mass = (from: typeof one) => from.added.reduce((sum, item) => sum + item.massKg, 0);
    expect(mass(two)).toBeCloseTo(2 * mass(one), 9);
    expect(two.work.partsCents).toBe(2 * one.work.partsCents!);
    expect(two.added[0]!.name).toBe('2 × Drive T');
  });
  test('items and parts stand where they are said to, or where the engine was', () => {
    const { added } = resolve({
      others: [
        { componentId: LV_BATTERY.id, quantity: 2, xMm: 500, yMm: -300 },
        { componentId: 'pump-15', quantity: 1, xMm: null },
      ],
      items: [{ name: 'seat', massKg: -18, xMm: 900, yMm: 350 }],
    });
    expect(added).toEqual([
      { name: 'LV battery', massKg: 2, xMm: 500, yMm: -300 },
      { name: 'Pump 15', massKg: 1, xMm: -100, yMm: 0 },
      { name: 'seat', massKg: -18, xMm: 900, yMm: 350 },
    ]);
  });
  test('fittings of the design are found by kind', () => {
    const { electric, charge } = resolve({
      chargerId: CHARGER.id,
      inletId: INLET.id,
      others: [LV_BATTERY.id, 'heater-3', 'converter-110'].map((componentId) => ({
        componentId,
        quantity: 1,
        xMm: null,
      })),
    });
    expect([electric.lvBattery?.id, electric.heater?.id, electric.converter?.id]).toEqual([
      LV_BATTERY.id,
      'heater-3',
      'converter-110',
    ]);
    expect(charge).toMatchObject({ inletAmps: 32, inletDc: true, dcMaxW: null });
    expect(resolve({}).electric).toMatchObject({ lvBattery: null, heater: null, converter: null, cradlePoints: [] });
  });
});

describe('defaults', () => {
  test('a part left out is its default, one given wins', () => {
    expect(driveChoice(EMPTY_DESIGN)).toEqual(DRIVE_DEFAULTS);
    expect(driveChoice({ ...EMPTY_DESIGN, drive: { motors: 2 } })).toEqual({ ...DRIVE_DEFAULTS, motors: 2 });
    expect(electricChoice({ ...EMPTY_DESIGN, electric: { cableC: 90 } })).toMatchObject({ cableC: 90, prechargeS: 1 });
  });
  test('every module kind is counted by itself', () =>
    expect(
      designComponents({
        ...EMPTY_DESIGN,
        moduleId: MODULE.id,
        boxes: [
          { bay: 'a', modules: 4, shiftMm: 0 },
          { bay: 'b', modules: 3, shiftMm: 0, moduleId: OTHER.id },
          { bay: 'c', modules: 2, shiftMm: 0 },
          { bay: 'd', modules: 0, shiftMm: 9, moduleId: OTHER.id },
        ],
      }),
    ).toEqual([
      { componentId: MODULE.id, quantity: 6 },
      { componentId: OTHER.id, quantity: 3 },
    ]));
});

describe('stock', () => {
  const parts = { moduleId: MODULE.id, driveId: DRIVE.id, boxes: [{ bay: 'rear', modules: 6, shiftMm: 0 }] };
  test('the longest lead time of what is short; none when all is there; unknown without stock', () => {
    const lead = (free: Record<string, number>) => resolve(parts, new Map(Object.entries(free))).work.leadDays;
    expect(lead({ [MODULE.id]: 6, [DRIVE.id]: 1 })).toBe(0);
    expect(lead({ [MODULE.id]: 5, [DRIVE.id]: 1 })).toBe(10);
    expect(resolve(parts).work.leadDays).toBeNull();
    expect(resolve({}, new Map()).work.leadDays).toBeNull();
    expect(createSheet(resolve(parts)).get(FIGURES.leadTime).reason).toBe('noStock');
  });
  test('the shelf of a library is made once', () => {
    expect(shelfOf(LIBRARY)).toBe(shelfOf(LIBRARY));
    expect(shelfOf(LIBRARY).cables).toHaveLength(3);
  });
});
