import { describe, expect, test } from 'vitest';
import { linkDuty } from '../../figures/electric/duty.ts';
import { createSheet } from '../../figures/evaluate.ts';
import { packFacts } from '../../figures/pack/packFacts.ts';
import type { KitPart } from '../../kit/kit.ts';
import { found, ON, part } from '../../testing/judgedBy.ts';
import { MODULE } from '../../testing/wren.ts';
import type { Finding } from '../finding.ts';
import { chargeRate } from './chargeRate.ts';
import { linkCurrents } from './linkCurrents.ts';
import { linkVoltage } from './linkVoltage.ts';
import { packRate } from './packRate.ts';

const DUTY = createSheet(ON).get(linkDuty).value!;
const FULL_V = createSheet(ON).get(packFacts).value!.fullV;
const told = (findings: readonly Finding[]) => findings.map(({ subject, verdict }) => `${subject}: ${verdict}`);
const curve = (amps: number) => ({ shortTime: [{ amps, seconds: 60 }] });
const fuse = (ratedA: number, more: object = {}) => part('fuse', { ratedA, maxV: 500, breakingA: 20_000, ...more });
const cable = (continuousA: number, more: object = {}) =>
  part('cable', { continuousA, sectionMm2: 70, outsideMm: 18, ...more });
const box = (continuousA: number, peakA: number, more: object = {}) =>
  part('contactorBox', { continuousA, peakA, minV: 0, maxV: 500, ...more });
const said = (...parts: KitPart[]) => told(found(linkCurrents, { parts }));

describe('what carries the traction current', () => {
  test('the van gives 30 kW without end and 60 kW for half a minute', () => {
    expect(DUTY.continuousA).toBeGreaterThan(30_000 / 0.9 / 264);
    expect(DUTY.fullA).toBeGreaterThan(60_000 / 0.9 / 264);
    expect(DUTY.fullS).toBe(30);
  });
  test('a contactor box far under the drive does not fit, however mild the use', () => {
    expect(said(box(60, 100))).toEqual([
      'contactorBox, for good: doesNotFit',
      'contactorBox, at full throttle: doesNotFit',
    ]);
  });
  test.each<[string, KitPart, string, string]>([
    ['just, by its curve', fuse(DUTY.continuousA * 1.25 + 1e-6, curve(DUTY.fullA)), 'fits', 'fits'],
    ['a hair under for good', fuse(DUTY.continuousA * 1.25 - 0.01, curve(DUTY.fullA)), 'doesNotFit', 'fits'],
    ['a hair under by its curve', fuse(200, curve(DUTY.fullA - 0.01)), 'fits', 'doesNotFit'],
    ['no curve: half a minute is common practice only', fuse(200), 'fits', 'measureFirst'],
    ['no curve, and over even that', fuse(DUTY.fullA / 1.6 - 0.01), 'fits', 'doesNotFit'],
    ['so large that it carries full throttle for good', fuse(DUTY.fullA * 1.25 + 1e-6), 'fits', 'fits'],
    ['a box, by its curve', box(DUTY.continuousA, DUTY.fullA, curve(DUTY.fullA)), 'fits', 'fits'],
    ['a box whose peak is said of no time', box(DUTY.continuousA, DUTY.fullA), 'fits', 'measureFirst'],
  ])('%s', (_, one, forGood, full) => {
    const findings = found(linkCurrents, { parts: [one] });
    expect(findings.map(({ verdict }) => verdict)).toEqual([forGood, full]);
  });
  test('the connectors on a cable are asked too, and not known where nobody has said', () => {
    const ends = (connectorA?: number) => said(cable(300, { ...curve(400), ...(connectorA && { connectorA }) }))[2];
    expect(ends()).toBe('cable, its connectors: measureFirst');
    expect(ends(DUTY.continuousA)).toBe('cable, its connectors: fits');
    expect(ends(DUTY.continuousA - 0.01)).toBe('cable, its connectors: doesNotFit');
  });
  test('a fuse over what its cable carries does not fit', () => {
    const pair = (ratedA: number) => said(fuse(ratedA, curve(400)), cable(190, curve(400))).at(-1);
    expect(pair(250)).toBe('fuse before cable: doesNotFit');
    expect(pair(190)).toBe('fuse before cable: fits');
  });
  test('the largest fuse is the main one, in whatever order they are named; the others feed branches', () => {
    const small = fuse(20, { ...curve(25) });
    const both = [small, { ...fuse(250, curve(400)), component: { ...fuse(250, curve(400)).component, name: 'main' } }];
    for (const parts of [both, both.toReversed()])
      expect(told(found(linkCurrents, { parts: parts as KitPart[] }))).toEqual([
        'main, for good: fits',
        'main, at full throttle: fits',
        expect.stringMatching(/^fuse, a branch: /),
      ]);
  });
  test('full throttle lasts as long as the drive’s sheet says, and never longer than the pack', () => {
    const lasting = (peakS: number) => {
      const { unit } = ON.drive;
      const on = { ...ON, drive: { ...ON.drive, unit: { ...unit!, sheet: { ...unit!.sheet, peakS } } } };
      return createSheet(on).get(linkDuty).value!.fullS;
    };
    expect(lasting(90)).toBe(90);
    const pack = createSheet(ON).get(packFacts).value!;
    expect(lasting(3600)).toBeLessThan((pack.energyWh / (pack.nominalV * DUTY.fullA)) * 3600);
  });
});

describe('voltage of fuses and cables', () => {
  const judged = (one: KitPart) => told(found(linkVoltage, { parts: [one] }));
  test('a fuse for half the voltage of the pack does not fit', () => {
    expect(judged(fuse(250, { maxV: FULL_V }))).toEqual(['fuse: fits', 'fuse, breaks: fits']);
    expect(judged(fuse(250, { maxV: FULL_V - 0.1 }))[0]).toBe('fuse: doesNotFit');
    expect(judged(fuse(250, { maxV: 150 }))[0]).toBe('fuse: doesNotFit');
  });
  test('nor one that cannot break what a warm pack feeds', () => {
    const { warmOhm } = createSheet(ON).get(packFacts).value!;
    // Nothing but the pack in the loop is more than any fault: breaking that is always enough.
    expect(judged(fuse(250, { breakingA: FULL_V / warmOhm }))[1]).toBe('fuse, breaks: fits');
    expect(judged(fuse(250, { breakingA: 500 }))[1]).toBe('fuse, breaks: doesNotFit');
  });
  test('a cable says what it is made for, or is not known', () => {
    expect(judged(cable(300))).toEqual(['cable: measureFirst']);
    expect(judged(cable(300, { maxV: FULL_V }))).toEqual(['cable: fits']);
    expect(judged(cable(300, { maxV: 60 }))).toEqual(['cable: doesNotFit']);
  });
});

describe('what is asked of the modules of every box', () => {
  const [first, ...rest] = ON.pack.boxes;
  const withSheet = (sheet: object) => ({
    ...ON,
    pack: {
      ...ON.pack,
      boxes: [{ ...first!, module: { ...MODULE, sheet: { ...MODULE.sheet, ...sheet } } }, ...rest],
    },
  });
  test('is told in multiples of their capacity', () => {
    const [good, full] = found(packRate);
    expect(good!.left.value).toBeCloseTo(DUTY.continuousA / MODULE.sheet.capacityAh, 9);
    expect(full!.left).toMatchObject({ kind: 'cRate', value: DUTY.fullA / MODULE.sheet.capacityAh });
  });
  // 1 300 A of 110 Ah is 11.8 times its capacity an hour.
  test('ten seconds of a sheet say nothing of half a minute; its points do', () => {
    const verdict = (sheet: object) => found(packRate, { on: withSheet(sheet) }).map((one) => one.verdict);
    expect(verdict({ continuousA: DUTY.continuousA, peakA: DUTY.fullA })).toEqual(['fits', 'measureFirst']);
    expect(verdict({ continuousA: DUTY.continuousA, peakA: DUTY.fullA, ...curve(DUTY.fullA) })).toEqual([
      'fits',
      'fits',
    ]);
    expect(verdict({ continuousA: DUTY.continuousA - 0.01, peakA: DUTY.fullA - 0.01 })).toEqual([
      'doesNotFit',
      'doesNotFit',
    ]);
  });
  test('a box of weaker modules is found among strong ones, by its name', () => {
    const strong = { ...MODULE, sheet: { ...MODULE.sheet, continuousA: 900, peakA: 2000, ...curve(1500) } };
    const weak = { ...MODULE, sheet: { ...MODULE.sheet, continuousA: 20, peakA: 30 } };
    const boxes = [
      { ...first!, module: strong },
      { ...first!, module: weak, bay: { ...first!.bay, key: 'nose', name: 'nose' } },
    ];
    expect(told(found(packRate, { on: { ...ON, pack: { ...ON.pack, boxes } } }))).toEqual([
      'nose: for good: doesNotFit',
      'nose: at full throttle: doesNotFit',
      `${first!.bay.name}: for good: fits`,
      `${first!.bay.name}: at full throttle: fits`,
    ]);
  });
  test('a charger that fills them faster than their sheet allows does not fit', () => {
    const charger = (powerW: number) => [part('charger', { powerW, efficiency: 1 })];
    const slow = {
      ...MODULE.sheet,
      rates: [
        { state: 0, perHour: 0.5 },
        { state: 1, perHour: 0.2 },
      ],
    };
    const on = withSheet(slow);
    const { emptyV } = createSheet(on).get(packFacts).value!;
    const just = 0.5 * MODULE.sheet.capacityAh * emptyV;
    expect(found(chargeRate, { on, parts: charger(just) })[0]!.verdict).toBe('fits');
    expect(found(chargeRate, { on, parts: charger(just * 1.01) })[0]!.verdict).toBe('doesNotFit');
  });
});
