import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../figures/index.ts';
import type { Slots } from '../figures/slots.ts';
import { fitting } from '../testing/shelf.ts';
import { DRIVE, inStrings, MODULE, ROUTE, slots, VEHICLE } from '../testing/wren.ts';
import { assumptionsOf } from './assumptions.ts';

const found = (change: Partial<Slots>) => {
  const sheet = createSheet(slots(change));
  // Whatever is wrong with the inputs, no figure is ever NaN or endless.
  for (const id of FIGURE_IDS) {
    const { value, working } = sheet.get(FIGURES[id]);
    if (value !== null) expect(Number.isFinite(value), id).toBe(true);
    for (const term of working?.terms ?? []) expect(Number.isNaN(term.value), `${id}: ${term.symbol}`).toBe(false);
  }
  return assumptionsOf(sheet);
};
const drive = (change: Partial<Slots['drive']>) => ({ drive: { ...slots().drive, ...change } });
const sheetOf = (change: object) => ({ ...DRIVE, sheet: { ...DRIVE.sheet, ...change } });

describe('what is wrong, and what was assumed', () => {
  test('nothing to say of a sound design', () => expect(found({})).toEqual([]));
  test('a curve that does not rise in speed', () => {
    const curve = [
      { rpm: 4000, peakNm: 100, continuousNm: 50 },
      { rpm: 0, peakNm: 150, continuousNm: 70 },
    ];
    expect(found(drive({ curve }))).toEqual([{ code: 'curve', faults: ['notRising'], used: true }]);
    expect(found(drive({ curve: [curve[0]!] }))).toEqual([{ code: 'curve', faults: ['tooShort'], used: false }]);
  });
  test('efficiency over one, in the design, on the sheet, in the map', () => {
    expect(found(drive({ efficiency: 1.3 }))).toEqual([{ code: 'efficiency', given: 1.3, taken: 0.99 }]);
    expect(found(drive({ unit: sheetOf({ efficiency: 0 }) }))).toEqual([{ code: 'efficiency', given: 0, taken: 0.2 }]);
    const efficiencyMap = {
      rpm: [0, 5000],
      torqueNm: [0, 100],
      eta: [
        [0.9, 1.4],
        [0.9, 0.9],
      ],
    };
    expect(found(drive({ unit: sheetOf({ efficiencyMap }) }))).toEqual([{ code: 'efficiencyMap', entries: 1 }]);
  });
  test.each([0, -2])('a reduction of %d', (reduction) => {
    expect(found(drive({ reduction }))).toEqual([{ code: 'reduction', taken: 9 }]);
    expect(createSheet(slots(drive({ reduction }))).get(FIGURES.totalRatio).value).toBe(9);
  });
  test('a mass centre outside the wheelbase, at either end', () => {
    const heavy = (xMm: number) => found({ added: [{ name: 'anvil', massKg: 6000, xMm }] });
    expect(heavy(2600)).toContainEqual(expect.objectContaining({ code: 'massCentre', wheelbaseMm: 2000 }));
    expect(heavy(-900)[0]).toMatchObject({ code: 'massCentre' });
    const plain = createSheet(slots({ vehicle: VEHICLE }));
    expect(assumptionsOf(plain)).toEqual([]);
  });
  test('the empty pack under load below what the inverter needs, the full one above what it stands', () => {
    expect(found({ pack: inStrings(2) })).toContainEqual(
      expect.objectContaining({ code: 'sag', component: 'Drive T' }),
    );
    const boxes = slots().pack.boxes.map((box) => ({ ...box, modules: 18 }));
    expect(found({ pack: { ...slots().pack, boxes } })).toContainEqual(
      expect.objectContaining({ code: 'over', component: 'Drive T', maxV: 400 }),
    );
  });
  test('the weakest box of a mixed string', () => {
    const weak = { ...MODULE, sheet: { ...MODULE.sheet, capacityAh: 60 } };
    const [box] = slots().pack.boxes;
    const boxes = [
      { ...box!, modules: 8 },
      { ...box!, bay: { ...box!.bay, name: 'front' }, xMm: -100, modules: 4, module: weak },
    ];
    expect(found({ pack: { ...slots().pack, boxes } })).toContainEqual(
      expect.objectContaining({ code: 'weakest', box: 'front' }),
    );
  });
  test('a drive too weak for the round', () =>
    expect(found(drive({ powerCapW: 3000 }))).toContainEqual({ code: 'tooWeakOnUse', seconds: expect.any(Number) }));
  test('remarks on the recording are passed on', () =>
    expect(found({ route: { ...ROUTE, notes: [{ code: 'noElevation', count: 3 }] } })).toEqual([
      { code: 'route', note: { code: 'noElevation', count: 3 } },
    ]));
  test('heaters, low voltage, fuse and cable, posts, temperatures and precharge', () => {
    const codes = (change: Partial<Slots>) => found(change).map((one) => one.code);
    const electric = (change: Partial<Slots['electric']>) => ({ electric: { ...slots().electric, ...change } });
    const plain = fitting('heater', 'Element', { minV: 0, maxV: 420, powerW: 1500, ratedV: 110 });
    expect(codes(electric({ heater: plain }))).toEqual(['plainHeater', 'heaterOver']);
    // By hand: 1500 W at 110 V are 8.07 Ω; 302.4 V on them 11.3 kW.
    const over = found(electric({ heater: plain })).find((one) => one.code === 'heaterOver')!;
    expect(over).toMatchObject({ watts: expect.closeTo((302.4 ** 2 * 1500) / 110 ** 2, 6) });
    const gentle = fitting('heater', 'Element', { minV: 0, maxV: 420, powerW: 1500, ratedV: 290 });
    expect(codes(electric({ heater: gentle }))).toEqual(['plainHeater']);
    const converter24 = fitting('dcdc', 'Twenty-four', { minV: 100, maxV: 430, outputA: 60, lowVoltageV: 24 });
    expect(codes(electric({ converter: converter24 }))).toEqual(['lowVoltage']);
    expect(codes(electric({ lvBattery: fitting('lvBattery', 'Big', { capacityAh: 60, lowVoltageV: 24 }) }))).toEqual([
      'lowVoltage',
    ]);
    const cable = fitting('cable', 'Cable', { sectionMm2: 50, outsideMm: 16, continuousA: 230 });
    const fuse = (ratedA: number) => fitting('fuse', 'Fuse', { ratedA, maxV: 500, breakingA: 20_000 });
    expect(codes(electric({ cable, fuse: fuse(250) }))).toEqual(['fuseOverCable']);
    expect(codes(electric({ cable, fuse: fuse(230) }))).toEqual([]);
    expect(codes({ use: { ...slots().use, ambientC: -35 } })).toContain('temperature');
    expect(codes({ use: { ...slots().use, ambientC: -30 } })).not.toContain('temperature');
    const own = (prechargeMaxV: number) => ({
      drive: { ...slots().drive, unit: { ...DRIVE, sheet: { ...DRIVE.sheet, prechargeMaxV } } },
    });
    expect(codes(own(302))).toEqual(['separatePrecharge']);
    expect(codes(own(303))).toEqual([]);
    const trailer = { massKg: 600, ballKg: 50, dragAreaM2: 0.9 };
    const towed = (towing: object | undefined, more: object = {}) =>
      found({
        use: { ...slots().use, trailer: { ...trailer, ...more } },
        vehicle: { ...VEHICLE, variant: { ...VEHICLE.variant, ...(towing ? { towing: towing as never } : {}) } },
      });
    expect(towed(undefined)).toEqual([{ code: 'trailer', what: 'mass', kg: 600, mayKg: null }]);
    expect(towed({ massKg: 600, ballKg: 50 })).toEqual([]);
    expect(towed({ massKg: 599, ballKg: 49 }).map((one) => one.code)).toEqual(['trailer', 'trailer']);
    expect(towed({ massKg: 5000, ballKg: 50 }, { massKg: 4000 })[0]).toMatchObject({ code: 'trailerHeavier' });
    const known = { part: 'transfer case', limitNm: 0, after: 'gearbox' as const, powerOnlyW: 450_000 };
    const variant = { ...VEHICLE.variant, driveline: [...VEHICLE.variant.driveline, known] };
    expect(codes({ vehicle: { ...VEHICLE, variant } })).toEqual(['measureFirst']);
  });
});
