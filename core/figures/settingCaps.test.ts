import { expect, test } from 'vitest';
import { CHARGER, MODULE, slots } from '../testing/wren.ts';
import { createSheet } from './evaluate.ts';
import { FIGURES } from './index.ts';
import { settingCaps } from './settingCaps.ts';

const capsOf = (change: Parameters<typeof slots>[0] = {}) =>
  new Map(settingCaps(createSheet(slots(change))).map(({ key, most, least }) => [key, most ?? least]));

test('each setting is held by what the design reckons, or by nothing', () => {
  const sheet = createSheet(slots());
  const caps = capsOf();
  expect(caps.get('maxTorqueNm')).toBe(sheet.get(FIGURES.protectiveCap).value);
  expect(caps.get('maxDischargeA')).toBe(sheet.get(FIGURES.fullCurrent).value);
  expect(caps.get('endV')).toBe(sheet.get(FIGURES.packVoltageFull).value);
  expect(caps.get('emptyV')).toBe(sheet.get(FIGURES.packVoltageEmpty).value);
  for (const unknown of ['hottestC', 'rampS', 'creepTorqueNm']) expect(caps.has(unknown)).toBe(false);
});

test('by hand: the cells are held by the sheet of their module, the least of several boxes', () => {
  const { cellsSeries, minV, maxV } = MODULE.sheet;
  expect(capsOf().get('cellMaxV')).toBeCloseTo(maxV / cellsSeries, 9);
  const { pack } = slots();
  const [box] = pack.boxes;
  const weak = { ...MODULE, sheet: { ...MODULE.sheet, maxV: maxV * 0.9, minV: minV * 1.1 } };
  const mixed = { pack: { ...pack, boxes: [box!, { ...box!, module: weak }] } };
  expect(capsOf(mixed).get('cellMaxV')).toBeCloseTo((maxV * 0.9) / cellsSeries, 9);
  expect(capsOf(mixed).get('cellMinV')).toBeCloseTo((minV * 1.1) / cellsSeries, 9);
});

test('by hand: charging by the best rate of the sheet, and not where it stands none', () => {
  const { pack } = slots();
  const sheet = {
    ...MODULE.sheet,
    capacityAh: 50,
    rates: [
      { state: 0, perHour: 0.5 },
      { state: 0.3, perHour: 1.2 },
      { state: 1, perHour: 0.1 },
    ],
    byTemperature: [
      { temperatureC: -5, resistance: 2, energy: 0.8, charge: 0 },
      { temperatureC: 20, resistance: 1, energy: 1, charge: 1 },
    ],
  };
  const boxes = pack.boxes.map((box) => ({ ...box, module: { ...MODULE, sheet }, parallel: 2 }));
  const caps = capsOf({ pack: { ...pack, boxes } });
  // 1.2 × 50 Ah × 2 side by side.
  expect(caps.get('maxChargeA')).toBeCloseTo(120, 6);
  expect(caps.get('maxDcA')).toBeCloseTo(120, 6);
  expect(caps.get('coldestChargeC')).toBe(-5);
});

test('the mains: the least of charger, inlet and the largest supply; without a charger nobody knows', () => {
  const { charge, use } = slots();
  const supplied = (amps: number, inletAmps: number | null, maxAmps: number) =>
    capsOf({
      use: { ...use, supply: { ...use.supply, amps }, otherSupplies: [] },
      charge: { ...charge, inletAmps, charger: { ...CHARGER, sheet: { ...CHARGER.sheet, maxAmps } } },
    }).get('maxAcA');
  expect(supplied(10, 16, 32)).toBe(10);
  expect(supplied(63, 16, 32)).toBe(16);
  expect(supplied(63, null, 32)).toBe(32);
  expect(capsOf({ charge: { ...charge, charger: null } }).has('maxAcA')).toBe(false);
});

test('without a pack there is nothing to hold it by', () => {
  const { pack } = slots();
  const caps = capsOf({ pack: { ...pack, boxes: [] } });
  for (const key of ['cellMaxV', 'endV', 'maxChargeA', 'maxDischargeA']) expect(caps.has(key)).toBe(false);
});
