import { describe, expect, test } from 'vitest';
import { fitting } from '../../testing/shelf.ts';
import { DRIVE, slots, VARIANT, VEHICLE } from '../../testing/wren.ts';
import type { DrivelinePart, DriveMode } from '../../vehicle/variant.ts';
import { createSheet } from '../evaluate.ts';
import type { Slots } from '../slots.ts';
import { chainContinuous, chainPeak } from './chain.ts';
import { allowedModes, drivelineWorst } from './drivelineWorst.ts';
import { motorNow } from './motorNow.ts';

const mode = (key: string, frontShare: number, rearShare: number): DriveMode => ({
  key,
  name: key,
  frontShare,
  rearShare,
});
const MODES = [mode('all', 0.5, 0.5), mode('rear', 0, 1)];
const unit = (change: object) => ({ ...DRIVE, sheet: { ...DRIVE.sheet, ...change } });
const sheetOf = (variant: object, drive: Partial<Slots['drive']> = {}) =>
  createSheet(
    slots({
      vehicle: { ...VEHICLE, variant: { ...VARIANT, ...variant } },
      drive: { ...slots().drive, ...drive },
    }),
  );

describe('drive modes', () => {
  test('what is locked out is left out; all of them locked out means none is', () => {
    const variant = { ...VARIANT, driveModes: MODES };
    expect(allowedModes(variant, []).map(({ key }) => key)).toEqual(['all', 'rear']);
    expect(allowedModes(variant, ['rear']).map(({ key }) => key)).toEqual(['all']);
    expect(allowedModes(variant, ['all', 'rear']).map(({ key }) => key)).toEqual(['all', 'rear']);
    expect(allowedModes(VARIANT, ['rear'])).toEqual([]);
  });
  test('the worst mode that is allowed decides, and is named where there is more than one', () => {
    const driveline: DrivelinePart[] = [{ part: 'rear shaft', limitNm: 900, after: 'final', axle: 'rear' }];
    const worst = (forbiddenModes: string[]) =>
      sheetOf({ driveline, driveModes: MODES }, { forbiddenModes }).get(drivelineWorst).value![0]!;
    expect(worst([]).mode).toBe('rear');
    expect(worst(['rear']).mode).toBeNull();
    expect(worst(['rear']).torqueNm).toBeCloseTo(worst([]).torqueNm / 2, 9);
  });
});

describe('parts of the driveline that are kept', () => {
  const part = (after: DrivelinePart['after'], change: Partial<DrivelinePart> = {}): DrivelinePart => ({
    ...{ part: `at ${after}`, limitNm: 1000, after },
    ...change,
  });
  const driveline = (['motor', 'gearbox', 'final', 'hub'] as const).map((after) => part(after));
  const names = (output: string) =>
    sheetOf({ driveline }, { unit: unit({ output }) })
      .get(drivelineWorst)
      .value!.map((one) => one.part)
      .sort();
  test('half shafts bypass gearbox and final drive, a propeller shaft only what is on the motor', () => {
    expect(names('halfShafts')).toEqual(['at final', 'at hub']);
    expect(names('propShaft')).toEqual(['at final', 'at gearbox', 'at hub']);
    expect(names('gearboxInput')).toEqual(['at final', 'at gearbox', 'at hub', 'at motor']);
  });
  test('a limit for good is asked at the continuous torque, one for a moment at the peak; the weakest stands first', () => {
    const rated = [part('hub', { part: 'good', lasts: 'good' }), part('hub', { part: 'moment', limitNm: 600 })];
    const sheet = sheetOf({ driveline: rated });
    const { peak, continuous } = sheet.get(motorNow).value!;
    expect(peak.peakTorqueNm).toBeGreaterThan(continuous.peakTorqueNm);
    const loads = sheet.get(drivelineWorst).value!;
    expect(loads.map((one) => one.part)).toEqual(['moment', 'good']);
    expect(loads[0]!.torqueNm / loads[1]!.torqueNm).toBeCloseTo(peak.peakTorqueNm / continuous.peakTorqueNm, 9);
    expect(sheetOf({ driveline: [] }).get(drivelineWorst).value).toBeNull();
    expect(sheetOf({ driveline: rated }, { unit: null }).get(drivelineWorst).value).toBeNull();
  });
});

describe('what the chain is told of the parts', () => {
  const limit = (change: Partial<Slots>, link: string, which = chainPeak) =>
    createSheet(slots(change))
      .get(which)
      .value!.ask.battery.find((one) => one.link === link);
  test('a fuse carries its rating ÷ 1.25 without end, 1.6 of it for half a minute', () => {
    const fuse = fitting('fuse', 'Fuse', { ratedA: 100, maxV: 500, breakingA: 20_000 });
    const change = { electric: { ...slots().electric, fuse } };
    expect(limit(change, 'fuse')).toMatchObject({ limit: 160, part: 'Fuse' });
    expect(limit(change, 'fuse', chainContinuous)).toMatchObject({ limit: 80, quantity: 'batteryCurrent' });
    expect(limit({}, 'fuse')).toMatchObject({ limit: null, part: null });
  });
  test('two motors have two inverters; each keeps its lowest voltage', () => {
    const inverter = fitting('inverter', 'Inverter', { minV: 130, maxV: 420, maxCurrentA: 150 });
    const drive = { ...slots().drive, unit: unit({ hasInverter: false }), inverter };
    expect(limit({ drive }, 'inverter')?.limit).toBe(150);
    expect(limit({ drive: { ...drive, motors: 2 } }, 'inverter')?.limit).toBe(300);
    expect(limit({ drive }, 'inverterVoltage')).toEqual({
      ...{ link: 'inverterVoltage', part: 'Inverter', quantity: 'voltage', limit: 130 },
    });
    expect(limit({}, 'inverter')).toBeUndefined();
    expect(limit({ drive: { ...drive, unit: unit({ hasInverter: true }) } }, 'inverter')).toBeUndefined();
  });
  test('torque by phase current only where both sheets speak of it', () => {
    const ask = (nmPerPhaseA: number | undefined, phaseA: number | undefined) => {
      const inverter = fitting('inverter', 'I', {
        minV: 130,
        maxV: 420,
        maxCurrentA: 150,
        ...(phaseA ? { phaseA } : {}),
      });
      const own = unit({ hasInverter: false, ...(nmPerPhaseA ? { nmPerPhaseA } : {}) });
      const drive = { ...slots().drive, unit: own, inverter };
      return createSheet(slots({ drive })).get(chainPeak).value!.ask.motor.phaseNm;
    };
    expect([ask(0.5, 200), ask(undefined, 200), ask(0.5, undefined), ask(undefined, undefined)]).toEqual([
      100,
      null,
      null,
      null,
    ]);
  });
});
