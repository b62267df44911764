import { describe, expect, test } from 'vitest';
import { gearing } from '../../figures/drive/gearing.ts';
import { mounts } from '../../figures/drive/mountMargin.ts';
import { createSheet } from '../../figures/evaluate.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Slots } from '../../figures/slots.ts';
import { USUAL_USE } from '../../job/usualUse.ts';
import type { KitRevision } from '../../kit/kit.ts';
import { briefLine } from '../../testing/briefLine.ts';
import { found, ON, part } from '../../testing/judgedBy.ts';
import { VARIANT } from '../../testing/wren.ts';
import type { Finding } from '../finding.ts';
import { boxHolds } from './boxHolds.ts';
import { boxSafety } from './boxSafety.ts';
import { brakes } from './brakes.ts';
import { coolant } from './coolant.ts';
import { coupling } from './coupling.ts';
import { deadInstruments } from './deadInstruments.ts';
import { drivelineTorque } from './drivelineTorque.ts';
import { groundClearance } from './groundClearance.ts';
import { keptThere } from './keptThere.ts';
import { mountLoad } from './mountLoad.ts';
import { movingParts } from './movingParts.ts';
import { revolutions } from './revolutions.ts';
import { takenOut } from './takenOut.ts';
import { usePower } from './usePower.ts';
import { weightSchool } from './weightSchool.ts';

const told = (findings: readonly Finding[]) => findings.map(({ subject, verdict }) => `${subject}: ${verdict}`);
const UNIT = ON.drive.unit!;
const withDrive = (sheet: object, more: Partial<Slots['drive']> = {}): Slots => ({
  ...ON,
  drive: { ...ON.drive, ...more, unit: { ...UNIT, sheet: { ...UNIT.sheet, ...sheet } } },
});
const [BOX] = ON.pack.boxes;

describe('the box and what is in it', () => {
  const made = (holds: number) => part('box', { holds, bay: BOX!.bay.key, vented: true, sealed: true, reach: true });
  test('more modules than it is made for do not fit; a box nobody brings is made here, and measured', () => {
    expect(told(found(boxHolds, { parts: [made(BOX!.modules)] }))).toEqual(['box: fits']);
    expect(told(found(boxHolds, { parts: [made(BOX!.modules - 1)] }))).toEqual(['box: doesNotFit']);
    expect(told(found(boxHolds))).toEqual([`${BOX!.bay.name} box, made here: measureFirst`]);
    expect(told(found(boxSafety))).toEqual([`${BOX!.bay.name} box, made here: measureFirst`]);
    expect(found(boxSafety, { parts: [made(1)] }).every(({ verdict }) => verdict === 'fits')).toBe(true);
  });
  test('what nobody has said of what moves, of dials and of the engine is measured first, never nothing', () => {
    const { moving: _, ...silent } = VARIANT;
    expect(told(found(movingParts, { variant: silent }))).toEqual([`${BOX!.bay.name} box to what moves: measureFirst`]);
    expect(found(movingParts, { variant: { moving: [] } })).toEqual([]);
    expect(told(found(deadInstruments))).toEqual(['dials of this variant: measureFirst']);
    expect(found(takenOut)).toEqual([]);
    expect(told(found(takenOut, { variant: { removed: [] } }))).toEqual(['engine: measureFirst']);
  });
  // A clearance of 180 mm from the library is a tenth off as often as not.
  test('ground clearance has its doubt both ways', () => {
    const at = (zMm: number) => {
      const on = { ...ON, pack: { ...ON.pack, boxes: [{ ...BOX!, zMm: zMm + BOX!.outer!.heightMm / 2 }] } };
      return found(groundClearance, { on })[0]!;
    };
    const before = at(0).right.value as number;
    expect(at(before * 1.1 + 1e-6).verdict).toBe('fits');
    expect(at(before * 1.1 - 0.01).verdict).toBe('measureFirst');
    expect(at(before * 0.9 - 0.01).verdict).toBe('doesNotFit');
  });
});

describe('gear, revolutions and use', () => {
  const g = createSheet(ON).get(gearing).value!;
  const rpm = ((ON.use.constantKmh / 3.6 / g.wheelRadiusM) * g.ratio * 60) / (2 * Math.PI);
  test('the motor turns within its sheet at the speed of the use', () => {
    expect(found(revolutions, { on: withDrive({ maxRpm: rpm + 1 }) }).at(-1)!.verdict).toBe('fits');
    expect(found(revolutions, { on: withDrive({ maxRpm: rpm - 1 }) }).at(-1)!.verdict).toBe('doesNotFit');
  });
  test('and at the top speed the brief asks for', () => {
    const wished = {
      ...withDrive({ maxRpm: rpm + 1 }),
      wishes: { startGrade: null, speedKmh: ON.use.constantKmh * 1.1 },
    };
    expect(found(revolutions, { on: wished }).at(-1)!.verdict).toBe('doesNotFit');
  });
  test('while nobody has said how it is driven, too slow is asked about, not refused', () => {
    const slow = { ...withDrive({ maxRpm: 100 }), use: { ...ON.use, constantKmh: USUAL_USE.constantKmh, round: null } };
    expect(found(revolutions, { on: slow }).at(-1)!.verdict).toBe('measureFirst');
    const said = { ...slow, use: { ...slow.use, constantKmh: USUAL_USE.constantKmh + 1 } };
    expect(found(revolutions, { on: said }).at(-1)!.verdict).toBe('doesNotFit');
    const weak = { ...withDrive({ maxRpm: 100, continuousPowerW: 500 }), use: slow.use };
    expect(told(found(usePower, { on: weak }))).toContainEqual(expect.stringMatching(/for good: measureFirst$/));
  });
  test('a gear the box does not have is refused', () => {
    const on = withDrive({ output: 'gearboxInput' });
    const gear = (n: number) =>
      found(revolutions, { on, revision: { gear: n, stages: [] } as unknown as KitRevision })[0]!;
    expect(gear(3).verdict).toBe('fits');
    expect(gear(5).verdict).toBe('doesNotFit');
  });
  test.each<[string, object]>([
    ['peak torque', { peakTorqueNm: UNIT.sheet.peakTorqueNm / 10 }],
    ['continuous power', { continuousPowerW: UNIT.sheet.continuousPowerW / 10 }],
    ['battery current', { maxCurrentA: 20 }],
  ])('a tenth of the %s does not do for the use', (_, sheet) => {
    expect(told(found(usePower)).some((one) => one.endsWith('doesNotFit'))).toBe(false);
    expect(told(found(usePower, { on: withDrive(sheet) })).some((one) => one.endsWith('doesNotFit'))).toBe(true);
  });
});

describe('driveline', () => {
  test('a part known by power alone is measured first beside what is rated', () => {
    const driveline = [
      ...VARIANT.driveline,
      { part: 'old axle', limitNm: 0, after: 'final' as const, powerOnlyW: 450_000 },
    ];
    const on = { ...ON, vehicle: { ...ON.vehicle, variant: { ...ON.vehicle.variant, driveline } } };
    expect(told(found(drivelineTorque, { on, variant: { driveline } }))[0]).toBe('old axle: measureFirst');
  });
  test('the low range multiplies what lies behind it', () => {
    const gearbox = { ...VARIANT.gearbox, transferLow: 3 };
    const on = withDrive({ output: 'propShaft' });
    const plain = found(drivelineTorque, { on })[0]!;
    const low = found(drivelineTorque, { on, variant: { gearbox } }).find(({ subject }) => /low range/.test(subject))!;
    expect(low.left.value as number).toBeCloseTo(3 * (plain.left.value as number), 6);
  });
  test('two that say nothing of their spline are not known to couple', () => {
    const drive = part('drive', { ...UNIT.sheet, output: 'halfShafts', spline: '' });
    const gearbox = { ...VARIANT.gearbox, shaftSpline: '' };
    expect(found(coupling, { parts: [drive], variant: { gearbox } })[0]!.verdict).toBe('measureFirst');
  });
  test('a gearbox is not kept where the drive takes its place', () => {
    const cover = { couple: { way: 'kept' as const, why: 'gearbox' } };
    const drive = (output: string) => [part('drive', { ...UNIT.sheet, output })];
    expect(found(keptThere, { parts: drive('gearboxInput'), cover })[0]!.verdict).toBe('fits');
    expect(found(keptThere, { parts: drive('halfShafts'), cover })[0]!.verdict).toBe('doesNotFit');
  });
  test('each point of the cradle bears what the torque puts on it', () => {
    const cradle = part('cradle', { picks: [] });
    const on = { ...ON, electric: { ...ON.electric, cradlePoints: VARIANT.mountingPoints.map(({ key }) => key) } };
    const loads = createSheet(on).get(mounts).value!;
    expect(loads).toHaveLength(2);
    expect(told(found(mountLoad, { on, parts: [cradle] })).every((one) => one.endsWith('fits'))).toBe(true);
    const mountingPoints = VARIANT.mountingPoints.map((point) => ({ ...point, loadN: 100 }));
    expect(found(mountLoad, { on, parts: [cradle], variant: { mountingPoints } })[0]!.verdict).toBe('doesNotFit');
    const none = { ...ON, electric: { ...ON.electric, cradlePoints: [] } };
    expect(found(mountLoad, { on: none, parts: [cradle] })[0]!.verdict).toBe('measureFirst');
  });
});

describe('cooling, brakes, weight', () => {
  const pump = (litresPerMin: number) => part('coolantPump', { litresPerMin });
  test('a pump and a radiator as large as the figures ask', () => {
    const flow = createSheet(ON).get(FIGURES.driveFlow).value!;
    const heat = createSheet(ON).get(FIGURES.driveHeatWorst).value!;
    const judge = (by: number) =>
      found(coolant, { parts: [pump(flow * by), part('radiator', { heatW: heat * by })] }).map((one) => one.verdict);
    expect(judge(1)).toEqual(['fits', 'fits']);
    expect(judge(0.99)).toEqual(['doesNotFit', 'doesNotFit']);
  });
  test('brakes are looked at by a specialist, never refused', () => {
    expect(found(brakes).map(({ verdict }) => verdict)).toEqual(['measureFirst', 'measureFirst']);
    const share = (frontBrakeShare: number) =>
      found(brakes, { variant: { frontBrakeShare } }).map((one) => one.verdict);
    expect(share(0.99)).toEqual(['fits', 'fits']);
    for (const share9 of [0.1, 0.3, 0.5]) expect(share(share9)).not.toContain('doesNotFit');
  });
  test('the weight lies where the brief wants it', () => {
    const now = createSheet(ON).get(FIGURES.frontShare).value!;
    const line = (firm: boolean, tolerance: number) =>
      briefLine({ kind: 'axleShare', firm, school: 'equal', tolerance });
    const off = Math.abs(now - 0.5);
    expect(found(weightSchool)).toEqual([]);
    expect(found(weightSchool, { axleShare: line(true, off + 0.001) })[0]!.verdict).toBe('fits');
    expect(found(weightSchool, { axleShare: line(true, off - 0.001) })[0]!.verdict).toBe('doesNotFit');
    expect(found(weightSchool, { axleShare: line(false, off - 0.001) })[0]!.verdict).toBe('afterWork');
  });
});
