import type { ComponentOf, DriveSheet, ModuleSheet } from '../component/sheets.ts';
import { DRIVE_DEFAULTS, ELECTRIC_DEFAULTS } from '../design/inputs.ts';
import { NO_WISHES, type Slots } from '../figures/slots.ts';
import { USUAL_HOLD, USUAL_HOLDING_G } from '../pack/holding.ts';
import { fromLibrary } from '../quantity/sourced.ts';
import { routeFrom } from '../road/route.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { Bay, Variant } from '../vehicle/variant.ts';
import { LV_BATTERY, PART, SHELF } from './shelf.ts';

/** Valid inputs for tests in one line each: a small made-up van with round numbers. */
export const BAY: Bay = {
  key: 'rear',
  name: 'rear',
  xMm: 2000,
  yMm: 0,
  zMm: 400,
  lengthMm: 800,
  widthMm: 900,
  heightMm: 400,
  maxMassKg: 200,
  inside: false,
  access: 'lid',
  source: 'drawing',
};

export const VARIANT: Variant = {
  id: 'test-van',
  makerName: 'Maker',
  modelName: 'Van',
  name: 'one',
  yearFrom: 1970,
  yearTo: 1975,
  layout: 'front',
  drivenAxle: 'front',
  cooling: 'radiator',
  brakeServo: 'none',
  steering: 'manual',
  systemVoltage: 12,
  tyre: '165/80 R 13',
  shape: { style: 'van', frontOverhangMm: 500, bonnetMm: 600, bonnetHeightMm: 850, screenRunMm: 400, cabEndMm: 1700 },
  figures: {
    frontAxleMass: fromLibrary(600),
    rearAxleMass: fromLibrary(400),
    grossMass: fromLibrary(1600),
    frontAxleRating: fromLibrary(800),
    rearAxleRating: fromLibrary(900),
    wheelbase: fromLibrary(2000),
    track: fromLibrary(1250),
    length: fromLibrary(3500),
    width: fromLibrary(1500),
    height: fromLibrary(1700),
    groundClearance: fromLibrary(160),
    massCentreHeight: fromLibrary(600),
    frontalArea: fromLibrary(2.2),
    dragCoefficient: fromLibrary(0.45),
    rollingCoefficient: fromLibrary(0.012),
    seatsPayload: fromLibrary(400),
  },
  gearbox: {
    ratios: [3.5, 2, 1.4, 1],
    finalDrive: 4,
    transfer: 1,
    hub: 1,
    spline: 'S1',
    boltPattern: 'B1',
    shaftSpline: 'H1',
  },
  driveline: [
    { part: 'gearbox input', limitNm: 150, after: 'motor' },
    { part: 'half shafts', limitNm: 1800, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 100, xMm: -100 },
    { name: 'tank', massKg: 40, xMm: 2000 },
  ],
  mountingPoints: [
    {
      key: 'lower',
      name: 'lower',
      xMm: 300,
      yMm: 200,
      zMm: 300,
      thread: 'M12',
      usedFor: 'engine',
      loadN: 8000,
      source: 'drawing',
    },
    {
      key: 'steady',
      name: 'steady',
      xMm: -50,
      yMm: 0,
      zMm: 600,
      thread: 'M12',
      usedFor: 'engine',
      loadN: 9000,
      source: 'drawing',
    },
  ],
  bays: [BAY, { ...BAY, key: 'front', name: 'front', xMm: -100 }],
  passThroughs: [],
  displaced: [],
  luggage: [
    { name: 'load room', litres: 900 },
    { name: 'under the floor', litres: 300, bay: 'rear' },
  ],
};

const MODULE_SHEET: ModuleSheet = {
  chemistry: 'NMC',
  cellsSeries: 6,
  cellsParallel: 2,
  capacityAh: 100,
  minV: 18,
  nominalV: 22,
  maxV: 25.2,
  continuousA: 150,
  peakA: 400,
  resistanceOhm: 0.003,
  channels: 6,
};
export const MODULE: ComponentOf<'module'> = {
  ...PART,
  id: 'module-t',
  kind: 'module',
  name: 'Module T',
  massKg: 13,
  lengthMm: 350,
  widthMm: 150,
  heightMm: 110,
  sheet: MODULE_SHEET,
};

const DRIVE_SHEET: DriveSheet = {
  minV: 150,
  maxV: 400,
  peakTorqueNm: 150,
  continuousTorqueNm: 70,
  peakPowerW: 60_000,
  continuousPowerW: 30_000,
  maxRpm: 10_000,
  ownRatio: 9,
  efficiency: 0.9,
  maxCurrentA: 500,
  hasInverter: true,
  output: 'halfShafts',
  spline: 'H1',
  boltPattern: '',
};
export const DRIVE: ComponentOf<'drive'> = {
  ...PART,
  id: 'drive-t',
  kind: 'drive',
  name: 'Drive T',
  massKg: 50,
  lengthMm: 450,
  widthMm: 450,
  heightMm: 400,
  sheet: DRIVE_SHEET,
};
export const CHARGER: ComponentOf<'charger'> = {
  ...PART,
  id: 'charger-t',
  kind: 'charger',
  name: 'Charger T',
  massKg: 6,
  lengthMm: 300,
  widthMm: 200,
  heightMm: 90,
  sheet: { powerW: 3300, minV: 150, maxV: 420, phases: 1, maxAmps: 16, efficiency: 0.9 },
};

/** Two kilometres in three minutes over a hill of twenty metres, a point every ten seconds. */
export const ROUTE = (() => {
  const n = 19;
  const each = (read: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => read(i));
  const route = routeFrom({
    name: 'over the hill',
    lat: each((i) => 40 + i * 0.001),
    lon: each(() => -30),
    elevationM: each((i) => 20 * Math.sin((i / (n - 1)) * Math.PI)),
    timeS: each((i) => i * 10),
  });
  if (typeof route === 'string') throw new Error(route);
  return route;
})();

export const VEHICLE: VehicleState = { variant: VARIANT, figures: VARIANT.figures, weighing: null };

/** Twelve modules in the rear bay, drive, charger, and a plain use. */
export function slots(change: Partial<Slots> = {}): Slots {
  return {
    vehicle: VEHICLE,
    pack: {
      module: MODULE,
      measuredAh: null,
      measuredOhm: null,
      wiring: 'one',
      cooling: 'air',
      holdingG: USUAL_HOLDING_G,
      clearanceMm: 10,
      boxes: [
        {
          bay: BAY,
          modules: 12,
          module: MODULE,
          parallel: 1,
          pack: 1,
          outer: { lengthMm: 500, widthMm: 700, heightMm: 250 },
          most: 30,
          massKg: 180,
          xMm: 2000,
          yMm: 0,
          zMm: 400,
          hold: USUAL_HOLD,
        },
      ],
      satelliteChannels: 18,
      usableShare: 0.9,
    },
    drive: { ...DRIVE_DEFAULTS, unit: DRIVE, inverter: null, gear: null, torqueCapNm: null },
    charge: { charger: CHARGER, inletAmps: 16, inletPhases: 1, inletDc: true, inletDcA: null, dcMaxW: null },
    electric: {
      ...ELECTRIC_DEFAULTS,
      heater: SHELF.heaters[0]!,
      converter: SHELF.converters[0]!,
      lvBattery: LV_BATTERY,
      lvBatteries: 1,
      contactorBox: null,
      cable: null,
      fuse: null,
      windowed: [DRIVE, CHARGER, SHELF.heaters[0]!, SHELF.converters[0]!],
      cradlePoints: ['lower', 'steady'],
    },
    wishes: NO_WISHES,
    route: ROUTE,
    shelf: SHELF,
    use: {
      round: { lengthKm: 40, stops: 10, meanKmh: 30, climbM: 100 },
      constantKmh: 60,
      payloadKg: 200,
      runs: { distanceM: 400, restS: 300, airM3h: 480 },
      ambientC: 20,
      altitudeM: 0,
      headwindMs: 0,
      auxiliaryW: 200,
      heaterW: 0,
      supply: { volts: 230, amps: 16, phases: 1 },
      dcPostW: 50_000,
    },
    added: [{ name: 'drive', massKg: 50, xMm: 0 }],
    kit: { newHoles: 0 },
    work: {
      partsCents: 1_000_000,
      leadDays: 10,
      labourHours: 70,
      rateCents: 6000,
      todayDay: 20_000,
      latestPartDay: null,
      remainingHours: 26,
      hoursPerDay: 13,
    },
    ...change,
  };
}

/** The pack of the tests with nothing chosen to put in its boxes. */
export const withoutModule = (): Slots['pack'] => {
  const { pack } = slots();
  return { ...pack, module: null, boxes: pack.boxes.map((box) => ({ ...box, module: null })) };
};

/** The pack of the tests with its modules in this many strings. */
export const inStrings = (strings: number): Slots['pack'] => {
  const { pack } = slots();
  return { ...pack, boxes: pack.boxes.map((box) => ({ ...box, parallel: strings })) };
};
