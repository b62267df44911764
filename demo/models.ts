import { assumed, fromDrawing, fromLibrary, type Sourced } from '../core/quantity/sourced.ts';
import type { Bay, MountingPoint, PassThrough, Variant } from '../core/vehicle/variant.ts';
import type { VehicleFigureId } from '../core/vehicle/vehicleFigures.ts';

export interface DemoModel {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly variants: readonly Variant[];
}

type Sheet = Omit<Variant, 'id' | 'makerName' | 'modelName' | 'name'>;

const drawn: VehicleFigureId[] = ['wheelbase', 'track', 'length', 'width', 'height'];
const guessed: VehicleFigureId[] = ['massCentreHeight', 'dragCoefficient', 'rollingCoefficient'];

/** Numbers of a variant in the order of the table below, each with the source that kind of number usually has. */
function figures(values: Record<VehicleFigureId, number>): Record<VehicleFigureId, Sourced> {
  const entries = Object.entries(values) as [VehicleFigureId, number][];
  const sourced = ([id, value]: [VehicleFigureId, number]) => [
    id,
    drawn.includes(id) ? fromDrawing(value) : guessed.includes(id) ? assumed(value) : fromLibrary(value),
  ];
  return Object.fromEntries(entries.map(sourced)) as Record<VehicleFigureId, Sourced>;
}

const point = (
  name: string,
  xMm: number,
  yMm: number,
  zMm: number,
  usedFor: string,
  thread = 'M12',
): MountingPoint => ({
  name,
  xMm,
  yMm,
  zMm,
  usedFor,
  thread,
  loadN: 9000,
  source: 'drawing',
});
const bay = (
  name: string,
  at: [number, number, number],
  size: [number, number, number],
  maxMassKg: number,
  access: string,
  inside = false,
): Bay => ({
  name,
  xMm: at[0],
  yMm: at[1],
  zMm: at[2],
  lengthMm: size[0],
  widthMm: size[1],
  heightMm: size[2],
  maxMassKg,
  inside,
  access,
  source: 'drawing',
});
const pass = (name: string, diameterMm: number, from: string, to: string, usedFor: string): PassThrough => ({
  name,
  diameterMm,
  from,
  to,
  usedFor,
});

function model(
  id: string,
  maker: string,
  name: string,
  variants: readonly (Sheet & { id: string; name: string })[],
): DemoModel {
  return { id, maker, name, variants: variants.map((v) => ({ ...v, makerName: maker, modelName: name })) };
}

const wren: Sheet = {
  yearFrom: 1968,
  yearTo: 1974,
  layout: 'front',
  drivenAxle: 'front',
  cooling: 'radiator',
  brakeServo: 'none',
  steering: 'manual',
  systemVoltage: 12,
  tyre: '165/80 R 13',
  shape: { style: 'van', frontOverhangMm: 560, bonnetMm: 620, bonnetHeightMm: 860, screenRunMm: 420, cabEndMm: 1750 },
  figures: figures({
    frontAxleMass: 596,
    rearAxleMass: 452,
    grossMass: 1640,
    frontAxleRating: 840,
    rearAxleRating: 900,
    wheelbase: 2160,
    track: 1260,
    length: 3620,
    width: 1520,
    height: 1720,
    groundClearance: 160,
    massCentreHeight: 590,
    frontalArea: 2.25,
    dragCoefficient: 0.46,
    rollingCoefficient: 0.012,
    seatsPayload: 500,
  }),
  gearbox: {
    ratios: [3.6, 2.1, 1.4, 0.97],
    finalDrive: 4.2,
    transfer: 1,
    hub: 1,
    spline: '20 × 22',
    boltPattern: 'W6',
    shaftSpline: '24 × 25',
  },
  driveline: [
    { part: 'half shafts', limitNm: 1850, after: 'final' },
    { part: 'wheel hubs', limitNm: 2400, after: 'hub' },
  ],
  removed: [
    { name: 'engine', massKg: 124, xMm: -120 },
    { name: 'gearbox and clutch', massKg: 41, xMm: -60 },
    { name: 'radiator', massKg: 11, xMm: -420 },
    { name: 'tank with fuel', massKg: 38, xMm: 2050 },
    { name: 'exhaust', massKg: 17, xMm: 1250 },
  ],
  mountingPoints: [
    point('upper left', -40, -310, 640, 'engine hanger'),
    point('upper right', -40, 310, 640, 'engine hanger'),
    point('lower left', 318, -260, 330, 'engine lower mount'),
    point('lower right', 318, 260, 330, 'engine lower mount'),
    point('rear cradle left', 2080, -380, 300, 'tank strap'),
    point('rear cradle right', 2080, 380, 300, 'tank strap'),
  ],
  bays: [
    bay('front', [-140, 0, 680], [560, 860, 300], 110, 'bonnet'),
    bay('floor', [1080, 0, 260], [980, 760, 200], 160, 'underside'),
    bay('rear', [2300, 0, 470], [620, 900, 340], 150, 'load floor lid'),
  ],
  passThroughs: [pass('tunnel', 38, 'front', 'rear', 'exhaust'), pass('bulkhead grommet', 32, 'front', 'cab', 'loom')],
};

const fourteen: Sheet = {
  yearFrom: 1979,
  yearTo: 1986,
  layout: 'mid',
  drivenAxle: 'rear',
  cooling: 'radiator',
  brakeServo: 'engineVacuum',
  steering: 'manual',
  systemVoltage: 12,
  tyre: '185/80 R 14',
  shape: { style: 'bus', frontOverhangMm: 980, bonnetMm: 160, bonnetHeightMm: 1080, screenRunMm: 380, cabEndMm: 5000 },
  figures: figures({
    frontAxleMass: 905,
    rearAxleMass: 980,
    grossMass: 3050,
    frontAxleRating: 1450,
    rearAxleRating: 1800,
    wheelbase: 2900,
    track: 1480,
    length: 4980,
    width: 1900,
    height: 2150,
    groundClearance: 190,
    massCentreHeight: 780,
    frontalArea: 3.4,
    dragCoefficient: 0.48,
    rollingCoefficient: 0.0115,
    seatsPayload: 1050,
  }),
  gearbox: {
    ratios: [3.9, 2.3, 1.45, 1],
    finalDrive: 4.55,
    transfer: 1,
    hub: 1,
    spline: '22 × 25',
    boltPattern: 'F8',
    shaftSpline: 'flange 90',
  },
  driveline: [
    { part: 'rear axle pinion', limitNm: 420, after: 'gearbox' },
    { part: 'half shafts', limitNm: 2600, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 168, xMm: 1350 },
    { name: 'gearbox and clutch', massKg: 52, xMm: 1750 },
    { name: 'radiator', massKg: 16, xMm: -700 },
    { name: 'tank with fuel', massKg: 62, xMm: 2300 },
    { name: 'exhaust', massKg: 24, xMm: 2600 },
  ],
  mountingPoints: [
    point('front left', 980, -360, 420, 'engine bearer'),
    point('front right', 980, 360, 420, 'engine bearer'),
    point('cross left', 1820, -410, 400, 'gearbox cross member'),
    point('cross right', 1820, 410, 400, 'gearbox cross member'),
  ],
  bays: [
    bay('under front seats', [500, 0, 520], [760, 1300, 320], 230, 'seat base', true),
    bay('under floor', [1400, 0, 420], [820, 1200, 280], 260, 'underside'),
    bay('tail', [3350, 0, 620], [560, 1300, 360], 220, 'rear doors'),
  ],
  passThroughs: [pass('floor channel', 60, 'under floor', 'tail', 'fuel and brake lines')],
};

const packet: Sheet = {
  yearFrom: 1976,
  yearTo: 1985,
  layout: 'front',
  drivenAxle: 'rear',
  cooling: 'radiator',
  brakeServo: 'engineVacuum',
  steering: 'enginePump',
  systemVoltage: 12,
  tyre: '215/75 R 16',
  shape: {
    style: 'lorry',
    frontOverhangMm: 900,
    bonnetMm: 780,
    bonnetHeightMm: 1260,
    screenRunMm: 330,
    cabEndMm: 2150,
  },
  figures: figures({
    frontAxleMass: 1190,
    rearAxleMass: 1080,
    grossMass: 3500,
    frontAxleRating: 1550,
    rearAxleRating: 2450,
    wheelbase: 3150,
    track: 1600,
    length: 5600,
    width: 2050,
    height: 2650,
    groundClearance: 210,
    massCentreHeight: 880,
    frontalArea: 4.6,
    dragCoefficient: 0.6,
    rollingCoefficient: 0.011,
    seatsPayload: 900,
  }),
  gearbox: {
    ratios: [4.8, 2.7, 1.6, 1],
    finalDrive: 4.1,
    transfer: 1,
    hub: 1,
    spline: '10 × 28',
    boltPattern: 'P8',
    shaftSpline: 'flange 100',
  },
  driveline: [
    { part: 'propeller shaft', limitNm: 780, after: 'gearbox' },
    { part: 'half shafts', limitNm: 3400, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 235, xMm: 120 },
    { name: 'gearbox and clutch', massKg: 74, xMm: 760 },
    { name: 'radiator', massKg: 20, xMm: -520 },
    { name: 'tank with fuel', massKg: 78, xMm: 1900 },
    { name: 'exhaust', massKg: 30, xMm: 1700 },
  ],
  mountingPoints: [
    point('engine left', 60, -330, 560, 'engine mount', 'M14'),
    point('engine right', 60, 330, 560, 'engine mount', 'M14'),
    point('cross left', 860, -300, 500, 'gearbox cross member'),
    point('cross right', 860, 300, 500, 'gearbox cross member'),
  ],
  bays: [
    bay('bonnet', [60, 0, 960], [720, 820, 420], 200, 'bonnet'),
    bay('frame left', [1750, -700, 560], [1300, 420, 360], 260, 'side'),
    bay('frame right', [1750, 700, 560], [1300, 420, 360], 260, 'side'),
  ],
  passThroughs: [pass('frame hole', 45, 'bonnet', 'frame left', 'brake lines')],
};

const fell: Sheet = {
  yearFrom: 1981,
  yearTo: 1990,
  layout: 'front',
  drivenAxle: 'both',
  cooling: 'radiator',
  brakeServo: 'engineVacuum',
  steering: 'manual',
  systemVoltage: 24,
  tyre: '6.50-16',
  shape: {
    style: 'fourByFour',
    frontOverhangMm: 560,
    bonnetMm: 950,
    bonnetHeightMm: 1180,
    screenRunMm: 160,
    cabEndMm: 3900,
  },
  figures: figures({
    frontAxleMass: 910,
    rearAxleMass: 830,
    grossMass: 2650,
    frontAxleRating: 1250,
    rearAxleRating: 1600,
    wheelbase: 2350,
    track: 1400,
    length: 3950,
    width: 1700,
    height: 1980,
    groundClearance: 260,
    massCentreHeight: 790,
    frontalArea: 2.9,
    dragCoefficient: 0.58,
    rollingCoefficient: 0.016,
    seatsPayload: 700,
  }),
  gearbox: {
    ratios: [4.0, 2.4, 1.5, 1],
    finalDrive: 4.1,
    transfer: 1.3,
    hub: 1.25,
    spline: '10 × 26',
    boltPattern: 'H8',
    shaftSpline: 'flange 95',
  },
  driveline: [
    { part: 'transfer case input', limitNm: 620, after: 'motor' },
    { part: 'propeller shafts', limitNm: 850, after: 'gearbox' },
    { part: 'half shafts', limitNm: 2900, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 205, xMm: 150 },
    { name: 'gearbox and clutch', massKg: 66, xMm: 700 },
    { name: 'radiator', massKg: 17, xMm: -400 },
    { name: 'tank with fuel', massKg: 70, xMm: 2150 },
    { name: 'exhaust', massKg: 22, xMm: 1600 },
  ],
  mountingPoints: [
    point('engine left', 100, -300, 640, 'engine mount'),
    point('engine right', 100, 300, 640, 'engine mount'),
    point('transfer left', 880, -240, 560, 'gearbox mount'),
    point('transfer right', 880, 240, 560, 'gearbox mount'),
  ],
  bays: [
    bay('bonnet', [100, 0, 980], [760, 800, 380], 190, 'bonnet'),
    bay('rear bed', [2100, 0, 900], [820, 1100, 340], 260, 'bed lid', true),
    bay('tank place', [2050, -420, 560], [620, 460, 300], 120, 'underside'),
  ],
  passThroughs: [pass('frame channel', 50, 'bonnet', 'rear bed', 'fuel line')],
};

const tug: Sheet = {
  yearFrom: 1971,
  yearTo: 1988,
  layout: 'front',
  drivenAxle: 'rear',
  cooling: 'radiator',
  brakeServo: 'none',
  steering: 'manual',
  systemVoltage: 12,
  tyre: '6.00-16',
  shape: { style: 'tug', frontOverhangMm: 450, bonnetMm: 1100, bonnetHeightMm: 1080, screenRunMm: 120, cabEndMm: 2050 },
  figures: figures({
    frontAxleMass: 870,
    rearAxleMass: 980,
    grossMass: 2800,
    frontAxleRating: 1300,
    rearAxleRating: 1700,
    wheelbase: 1520,
    track: 1250,
    length: 2750,
    width: 1480,
    height: 1850,
    groundClearance: 150,
    massCentreHeight: 640,
    frontalArea: 2.3,
    dragCoefficient: 0.8,
    rollingCoefficient: 0.015,
    seatsPayload: 150,
  }),
  gearbox: {
    ratios: [5.1, 2.9, 1.6],
    finalDrive: 7.2,
    transfer: 1,
    hub: 1,
    spline: '10 × 25',
    boltPattern: 'T6',
    shaftSpline: 'flange 80',
  },
  driveline: [
    { part: 'gearbox input', limitNm: 260, after: 'motor' },
    { part: 'half shafts', limitNm: 4200, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 210, xMm: 100 },
    { name: 'radiator', massKg: 18, xMm: -320 },
    { name: 'tank with fuel', massKg: 44, xMm: 900 },
    { name: 'exhaust', massKg: 14, xMm: 600 },
  ],
  mountingPoints: [
    point('engine left', 60, -280, 520, 'engine mount'),
    point('engine right', 60, 280, 520, 'engine mount'),
    point('bell left', 480, -210, 480, 'bell housing', 'M10'),
    point('bell right', 480, 210, 480, 'bell housing', 'M10'),
  ],
  bays: [
    bay('bonnet', [80, 0, 820], [760, 760, 420], 320, 'bonnet'),
    bay('tail', [1650, 0, 760], [420, 1000, 460], 280, 'rear lid'),
  ],
  passThroughs: [pass('cross tube', 40, 'bonnet', 'tail', 'control rods')],
};

const lantern: Sheet = {
  yearFrom: 1962,
  yearTo: 1966,
  layout: 'rear',
  drivenAxle: 'rear',
  cooling: 'air',
  brakeServo: 'none',
  steering: 'manual',
  systemVoltage: 12,
  tyre: '155/80 R 13',
  shape: { style: 'open', frontOverhangMm: 620, bonnetMm: 760, bonnetHeightMm: 820, screenRunMm: 200, cabEndMm: 2700 },
  figures: figures({
    frontAxleMass: 288,
    rearAxleMass: 424,
    grossMass: 1120,
    frontAxleRating: 500,
    rearAxleRating: 680,
    wheelbase: 2100,
    track: 1180,
    length: 3420,
    width: 1440,
    height: 1380,
    groundClearance: 150,
    massCentreHeight: 480,
    frontalArea: 1.7,
    dragCoefficient: 0.55,
    rollingCoefficient: 0.012,
    seatsPayload: 330,
  }),
  gearbox: {
    ratios: [3.8, 2.1, 1.35, 0.9],
    finalDrive: 4.4,
    transfer: 1,
    hub: 1,
    spline: '18 × 20',
    boltPattern: 'L4',
    shaftSpline: '22 × 22',
  },
  driveline: [
    { part: 'gearbox input', limitNm: 130, after: 'motor' },
    { part: 'swing half shafts', limitNm: 1250, after: 'final' },
  ],
  removed: [
    { name: 'engine', massKg: 98, xMm: 2420 },
    { name: 'tank with fuel', massKg: 32, xMm: -120 },
    { name: 'exhaust', massKg: 12, xMm: 2600 },
    { name: 'heater ducts', massKg: 6, xMm: 1400 },
  ],
  mountingPoints: [
    point('bell upper left', 2160, -150, 520, 'engine to gearbox', 'M10'),
    point('bell upper right', 2160, 150, 520, 'engine to gearbox', 'M10'),
    point('hanger', 2560, 0, 460, 'engine hanger'),
  ],
  bays: [
    bay('nose', [-150, 0, 520], [560, 720, 300], 90, 'front lid'),
    bay('behind seats', [1620, 0, 480], [420, 1000, 340], 130, 'seat back', true),
    bay('engine room', [2500, 0, 620], [420, 820, 280], 110, 'rear lid'),
  ],
  passThroughs: [pass('central tube', 36, 'nose', 'engine room', 'control cables')],
};

/** Moves the two lower mounts of the Wren: the reason a cradle fits one variant and not its sister. */
const wrenLower = (xMm: number) => wren.mountingPoints.map((p) => (p.name.startsWith('lower') ? { ...p, xMm } : p));
const heavier = (sheet: Sheet, front: number, rear: number, engineKg: number): Sheet => ({
  ...sheet,
  figures: {
    ...sheet.figures,
    frontAxleMass: fromLibrary(sheet.figures.frontAxleMass.value + front),
    rearAxleMass: fromLibrary(sheet.figures.rearAxleMass.value + rear),
  },
  removed: sheet.removed.map((item) => (item.name === 'engine' ? { ...item, massKg: item.massKg + engineKg } : item)),
});
const longer = (sheet: Sheet, mm: number, kg: number): Sheet => ({
  ...sheet,
  figures: {
    ...sheet.figures,
    wheelbase: fromDrawing(sheet.figures.wheelbase.value + mm),
    length: fromDrawing(sheet.figures.length.value + mm),
    rearAxleMass: fromLibrary(sheet.figures.rearAxleMass.value + kg),
  },
  bays: sheet.bays.map((b) => (b.name === 'tail' ? { ...b, xMm: b.xMm + mm } : b)),
});

export const MODELS: readonly DemoModel[] = [
  model('ostrel-wren', 'Ostrel', 'Wren', [
    { ...wren, id: 'wren-11', name: '1.1 panel van' },
    {
      ...heavier(wren, 16, 0, 14),
      mountingPoints: wrenLower(366),
      id: 'wren-13',
      name: '1.3 panel van',
      yearFrom: 1970,
    },
  ]),
  model('pellow-fourteen', 'Pellow', 'Fourteen', [
    { ...fourteen, id: 'fourteen-short', name: 'short' },
    { ...longer(fourteen, 450, 110), id: 'fourteen-long', name: 'long', yearFrom: 1981 },
  ]),
  model('corvane-packet', 'Corvane', 'Packet 35', [
    { ...packet, id: 'packet-chassis', name: 'chassis cab' },
    { ...heavier(packet, 60, 10, 45), id: 'packet-diesel', name: 'chassis cab, diesel', yearFrom: 1979 },
  ]),
  model('hollin-fell', 'Hollin', 'Fell', [
    { ...fell, id: 'fell-hard', name: 'hard top' },
    { ...heavier(fell, -20, -70, 0), id: 'fell-canvas', name: 'canvas top', systemVoltage: 12 },
  ]),
  model('corvane-tug', 'Corvane', 'Tug 8', [
    { ...tug, id: 'tug-open', name: 'open' },
    { ...heavier(tug, 60, 90, 0), id: 'tug-cab', name: 'closed cab' },
  ]),
  model('pellow-lantern', 'Pellow', 'Lantern', [
    { ...lantern, id: 'lantern-bench', name: 'bench seats' },
    { ...heavier(lantern, 12, 30, 10), id: 'lantern-rows', name: 'three rows', yearFrom: 1964 },
  ]),
];
