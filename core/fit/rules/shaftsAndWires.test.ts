import { describe, expect, test } from 'vitest';
import { createSheet } from '../../figures/evaluate.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Slots } from '../../figures/slots.ts';
import { USUAL_LV_LOADS } from '../../lowvoltage/loads.ts';
import { found, ON, part } from '../../testing/judgedBy.ts';
import { VARIANT } from '../../testing/wren.ts';
import { readTyreSize, rollingRadiusM } from '../../vehicle/tyre.ts';
import type { Variant } from '../../vehicle/variant.ts';
import type { Finding } from '../finding.ts';
import { buses } from './buses.ts';
import { chargePhases } from './chargePhases.ts';
import { lvBudget } from './lvBudget.ts';
import { shaftAngles } from './shaftAngles.ts';

const told = (findings: readonly Finding[]) => findings.map(({ subject, verdict }) => `${subject}: ${verdict}`);

describe('half shafts of a drive that a cradle carries', () => {
  // VARIANT's tyre rolls at its radius; the output is put level with the hub, so that only travel turns the joint.
  const hubMm = rollingRadiusM(readTyreSize(VARIANT.tyre)!) * 1000;
  const shaft = (aim: object, travel: Variant['travel'] | null = { droopMm: 80, bumpMm: 60 }) =>
    found(shaftAngles, {
      parts: [part('cradle', { picks: [], aim: { xMm: 0, zMm: hubMm, alongMm: 400, ...aim } })],
      variant: { drivenAxle: 'front', ...(travel && { travel }) },
    });
  test('angles by geometry: 80 mm off over 400 mm are 11.31°, 60 mm 8.53°; plunge √(400² + 80²) − 400 = 7.92 mm', () => {
    const [rest, droop, bump, plunge] = shaft({ travelMm: 8 });
    expect(rest!.left.value).toBeCloseTo(0, 9);
    expect(droop!.left.value).toBeCloseTo((Math.atan2(80, 400) * 180) / Math.PI, 9);
    expect(droop!.left.value).toBeCloseTo(11.31, 2);
    expect(bump!.left.value).toBeCloseTo(8.53, 2);
    expect(plunge!.left.value).toBeCloseTo(Math.sqrt(400 ** 2 + 80 ** 2) - 400, 9);
    expect(told(shaft({ travelMm: 8 }))).toEqual([
      'cradle, half shafts at rest: fits',
      'cradle, half shafts at full droop: fits',
      'cradle, half shafts at full bump: fits',
      'cradle, plunge of the half shafts: fits',
    ]);
  });
  // 20° over 400 mm reach 145.588 mm, by hand: 400 × tan 20°.
  test.each([
    [145.5, 'fits', 0.088],
    [145.7, 'doesNotFit', -0.112],
  ])('a droop of %f mm at a joint of 20°: %s, cured by the millimetres told', (droopMm, verdict, margin) => {
    const droop = shaft({ mostDeg: 20, travelMm: 60 }, { droopMm, bumpMm: 0 })[1]!;
    expect(droop.verdict).toBe(verdict);
    expect(droop.margin!.value).toBeCloseTo(margin, 3);
  });
  test('a joint that slides less than it must comes apart; one that nobody knows is measured', () => {
    expect(shaft({ travelMm: 7.9 })[3]).toMatchObject({ verdict: 'doesNotFit', margin: { kind: 'length' } });
    expect(shaft({})[3]).toMatchObject({ verdict: 'measureFirst', margin: null });
  });
  test('travel that nobody has measured is measured first, and a kit without aim says nothing', () => {
    expect(told(shaft({}, null))).toEqual(['cradle, half shafts at full droop and bump: measureFirst']);
    expect(found(shaftAngles, { parts: [part('cradle', { picks: [] })] })).toEqual([]);
  });
});

describe('low-voltage budget', () => {
  const converter = (outputA: number, quantity = 1) => ({
    ...part('dcdc', { minV: 60, maxV: 400, outputA, lowVoltageV: 12 }),
    quantity,
  });
  const listed = (watts: number): Slots => ({
    ...ON,
    electric: { ...ON.electric, lvLoads: [{ ...USUAL_LV_LOADS[0]!, name: 'all', watts, running: 'always' } as never] },
  });
  const need = createSheet(ON).get(FIGURES.converterNeed).value!;
  test('what is wanted is the figure of the catalogue; just enough fits', () => {
    const [just] = found(lvBudget, { parts: [converter(need)] });
    expect(just).toMatchObject({ verdict: 'fits', right: { value: need } });
    expect(just!.margin!.value).toBeCloseTo(0, 9);
    expect(found(lvBudget, { parts: [converter(need / 2, 2)] })[0]!.verdict).toBe('fits');
  });
  test('short of usual loads is looked at; short of listed ones does not fit', () => {
    expect(found(lvBudget, { parts: [converter(need - 0.1)] })[0]!.verdict).toBe('measureFirst');
    expect(found(lvBudget, { parts: [converter(1)], on: listed(2000) })[0]!.verdict).toBe('doesNotFit');
  });
  test('a charger that converts counts; without any the cover says so', () => {
    expect(found(lvBudget, { parts: [part('combinedUnit', { dcdcA: need + 1 })] })[0]!.margin!.value).toBeCloseTo(1, 9);
    expect(found(lvBudget)).toEqual([]);
  });
});

describe('charger and inlet', () => {
  const inlet = (phases: number, maxAmps: number) =>
    part('inlet', { standard: 'Type 2', phases, maxAmps, openingMm: 50 });
  const charger = (phases: number, maxAmps: number) => part('charger', { phases, maxAmps });
  test.each<[number, number, number, number, string | null, string[]]>([
    [1, 16, 1, 16, null, ['fits', 'fits']],
    [3, 16, 3, 16, 'eu', ['fits', 'fits']],
    [3, 16, 1, 16, null, ['afterWork', 'fits']],
    [3, 16, 3, 16, 'us', ['afterWork', 'fits']],
    [1, 16.1, 3, 16, null, ['fits', 'afterWork']],
  ])('%i phases of %f A behind %i of %i A, region %s', (phases, amps, inletPhases, inletAmps, region, verdicts) => {
    const parts = [charger(phases, amps), inlet(inletPhases, inletAmps)];
    expect(found(chargePhases, { parts, region }).map(({ verdict }) => verdict)).toEqual(verdicts);
  });
  test('the work names what is set, and to how much', () => {
    const works = found(chargePhases, { parts: [charger(3, 32), inlet(1, 16)] }).map(({ work }) => work?.step);
    expect(works).toEqual(['Set charger to one phase; it gives a third', 'Limit charger to 16 A, and prove it']);
  });
  test('the better of two inlets counts; without one the cover says so', () => {
    const parts = [charger(3, 32), inlet(1, 16), { ...inlet(3, 32) }];
    expect(found(chargePhases, { parts }).every(({ verdict }) => verdict === 'fits')).toBe(true);
    expect(found(chargePhases, { parts: [charger(1, 16)] })).toEqual([]);
  });
});

// ISO 11898-2, from memory: a bus ends in 120 Ω at both ends, 60 Ω across.
describe('the ends of a bus', () => {
  const on = (...ohms: (number | undefined)[]) =>
    found(buses, {
      parts: ohms.map((endOhm, i) =>
        part('inverter', {
          buses: [{ bus: 'drive', kbps: 500, role: i === 0 ? 'commands' : 'obeys', ...(endOhm && { endOhm }) }],
        }),
      ),
    }).find(({ subject }) => subject === 'bus drive, its ends');
  test('two of 120 Ω are 60 across', () => {
    expect(on(120, 120)).toMatchObject({ verdict: 'fits', left: { value: 60 }, right: { value: 60 } });
    expect(on(120, undefined, 120)!.verdict).toBe('fits');
  });
  test('one end open is 120, a third resistor 40: each with its work', () => {
    expect(on(120, undefined)).toMatchObject({ verdict: 'afterWork', left: { value: 120 }, work: { hours: 0.25 } });
    expect(on(120, undefined)!.work!.step).toMatch(/120 Ω to the open end/);
    expect(on(120, 120, 120)!.left.value).toBeCloseTo(40, 9);
    expect(on(120, 120, 120)!.work!.step).toMatch(/off bus drive/);
  });
  test('which nobody says is measured; one alone is no bus', () => {
    expect(on(undefined, undefined)!.verdict).toBe('measureFirst');
    expect(on(120)).toBeUndefined();
  });
  test('a tenth off is still two ends', () => {
    expect(on(130, 130)!.verdict).toBe('fits');
    expect(on(133, 133)!.verdict).toBe('afterWork');
    expect(on(107, 107)!.verdict).toBe('afterWork');
  });
});
