import { awgMm2 } from '../wiring/awg.ts';
import type { QuantityKind } from './kinds.ts';
import {
  CFM_M3H,
  FT2_M2,
  FT3_L,
  KG_PER_LB,
  METRES_PER_MILE,
  NM_PER_LBFT,
  UK_GALLON_L,
  US_GALLON_L,
  WATTS_PER_HP,
  WATTS_PER_METRIC_HP,
} from './units.ts';

/** What units measure, so that a unit of something else can be told from one nobody knows. */
export const DIMENSION_NAME = {
  length: 'a length',
  mass: 'a mass',
  speed: 'a speed',
  power: 'a power',
  energy: 'an energy',
  torque: 'a torque',
  force: 'a force',
  voltage: 'a voltage',
  current: 'a current',
  charge: 'a charge',
  resistance: 'a resistance',
  time: 'a time',
  share: 'a share',
  ratio: 'a ratio',
  consumption: 'energy for a distance',
  fuel: 'fuel for a distance',
  rotation: 'revolutions',
  angle: 'an angle',
  temperature: 'a temperature',
  area: 'an area',
  section: 'a section',
  capacitance: 'a capacitance',
  flow: 'a flow',
  airFlow: 'a flow of air',
  volume: 'a room',
} as const;
export type Dimension = keyof typeof DIMENSION_NAME;

/** A typed number in a unit → base value of the dimension. */
type ToBase = number | ((typed: number) => number);

const INCH_M = 0.0254;
const FOOT_M = 0.3048;
const N_PER_LBF = 4.4482216;
/** Litres per 100 km from miles a gallon. */
const mpgLitres = (mpg: number, gallonL: number): number => (100_000 * gallonL) / (mpg * METRES_PER_MILE);

/** A unit written out, one of it and several. */
function spelled(words: readonly string[], factor: number): Record<string, number> {
  return Object.fromEntries(words.flatMap((word) => [word, `${word}s`]).map((word) => [word, factor]));
}

/**
 * Units as people write them, by dimension; keys without spaces, dots and capitals, save where a capital means something
 * else (mΩ and MΩ, mJ and MJ: a thousand million apart). Factors by NIST SP 811 and the definitions of inch, pound, mile and gallon. Base units: m, kg, km/h,
 * W, Wh, N·m, N, V, A, Ah, Ω, s, share of one, Wh/km, l/100 km, rpm, °C, m², mm², µF, l/min, m³/h.
 */
const WORDS: Readonly<Record<Dimension, Readonly<Record<string, ToBase>>>> = {
  length: {
    mm: 0.001,
    cm: 0.01,
    m: 1,
    km: 1000,
    in: INCH_M,
    inch: INCH_M,
    inches: INCH_M,
    '"': INCH_M,
    '″': INCH_M,
    ft: FOOT_M,
    feet: FOOT_M,
    foot: FOOT_M,
    "'": FOOT_M,
    mi: METRES_PER_MILE,
    mile: METRES_PER_MILE,
    miles: METRES_PER_MILE,
    ...spelled(['millimetre', 'millimeter'], 0.001),
    ...spelled(['centimetre', 'centimeter'], 0.01),
    ...spelled(['metre', 'meter'], 1),
    ...spelled(['kilometre', 'kilometer'], 1000),
  },
  mass: {
    ...{ kg: 1, g: 0.001, t: 1000, lb: KG_PER_LB, lbs: KG_PER_LB, pounds: KG_PER_LB, oz: KG_PER_LB / 16 },
    ...spelled(['kilogram', 'kilo'], 1),
    ...spelled(['gram'], 0.001),
    ...spelled(['tonne'], 1000),
    pound: KG_PER_LB,
  },
  speed: {
    ...{ 'km/h': 1, kmh: 1, kph: 1, mph: METRES_PER_MILE / 1000, 'mi/h': METRES_PER_MILE / 1000, 'm/s': 3.6 },
    ...{ kilometresperhour: 1, kilometersperhour: 1, milesperhour: METRES_PER_MILE / 1000 },
  },
  power: {
    w: 1,
    kw: 1000,
    hp: WATTS_PER_HP,
    bhp: WATTS_PER_HP,
    ps: WATTS_PER_METRIC_HP,
    cv: WATTS_PER_METRIC_HP,
    horsepower: WATTS_PER_HP,
    ...spelled(['watt'], 1),
    ...spelled(['kilowatt'], 1000),
  },
  energy: {
    ...{ wh: 1, kwh: 1000, MJ: 1e6 / 3600, kj: 1000 / 3600, j: 1 / 3600, mJ: 0.001 / 3600 },
    ...spelled(['watthour', 'watt-hour'], 1),
    ...spelled(['kilowatthour', 'kilowatt-hour'], 1000),
    ...spelled(['joule'], 1 / 3600),
    ...spelled(['megajoule'], 1e6 / 3600),
  },
  torque: {
    nm: 1,
    lbft: NM_PER_LBFT,
    ftlb: NM_PER_LBFT,
    lbfft: NM_PER_LBFT,
    ftlbs: NM_PER_LBFT,
    kgm: 9.80665,
    ...spelled(['newtonmetre', 'newtonmeter', 'newton-metre'], 1),
  },
  force: { n: 1, kn: 1000, kgf: 9.80665, lbf: N_PER_LBF },
  voltage: { v: 1, kv: 1000, mv: 0.001, ...spelled(['volt'], 1) },
  current: { a: 1, ka: 1000, ma: 0.001, ...spelled(['amp', 'ampere'], 1) },
  charge: { ah: 1, mah: 0.001 },
  resistance: { Ω: 1, ohm: 1, ohms: 1, mΩ: 0.001, mohm: 0.001, µΩ: 1e-6, kΩ: 1000, kohm: 1000, MΩ: 1e6, Mohm: 1e6 },
  time: {
    ...{ s: 1, sec: 1, ms: 0.001, min: 60, h: 3600, d: 86_400 },
    ...spelled(['second'], 1),
    ...spelled(['minute'], 60),
    ...spelled(['hour'], 3600),
    ...spelled(['day'], 86_400),
  },
  share: { '%': 0.01, percent: 0.01 },
  ratio: { ':1': 1 },
  consumption: {
    'wh/km': 1,
    'kwh/100km': 10,
    'kwh/km': 1000,
    'wh/mi': 1000 / METRES_PER_MILE,
    'wh/mile': 1000 / METRES_PER_MILE,
    'mi/kwh': (typed) => 1e6 / (typed * METRES_PER_MILE),
    'miles/kwh': (typed) => 1e6 / (typed * METRES_PER_MILE),
    'km/kwh': (typed) => 1000 / typed,
  },
  fuel: {
    'l/100km': 1,
    mpguk: (typed) => mpgLitres(typed, UK_GALLON_L),
    mpgus: (typed) => mpgLitres(typed, US_GALLON_L),
  },
  angle: { '°': 1, deg: 1, degrees: 1, rad: 180 / Math.PI },
  rotation: { rpm: 1, '1/min': 1, 'rev/min': 1, 'rad/s': 60 / (2 * Math.PI) },
  temperature: {
    '°c': 1,
    c: 1,
    '°f': (typed) => (typed - 32) / 1.8,
    f: (typed) => (typed - 32) / 1.8,
    k: (typed) => typed - 273.15,
  },
  area: { 'm²': 1, m2: 1, 'cm²': 1e-4, cm2: 1e-4, 'ft²': FT2_M2, ft2: FT2_M2, sqft: FT2_M2 },
  section: { 'mm²': 1, mm2: 1, awg: (typed) => awgMm2(typed) },
  capacitance: { µf: 1, uf: 1, mf: 1000, nf: 0.001 },
  flow: { 'l/min': 1, lpm: 1, 'l/h': 1 / 60, 'l/s': 60, gpm: US_GALLON_L },
  airFlow: { 'm³/h': 1, 'm3/h': 1, 'm³/s': 3600, 'm3/s': 3600, 'l/s': 3.6, cfm: CFM_M3H },
  volume: { l: 1, litre: 1, litres: 1, liters: 1, dm3: 1, m3: 1000, ft3: FT3_L, cuft: FT3_L },
};

/** Dimension of a kind, and how many of its base units one base unit of the dimension is. */
const DIMENSION: Partial<Record<QuantityKind, readonly [Dimension, number]>> = {
  length: ['length', 1000],
  height: ['length', 1],
  distance: ['length', 0.001],
  mass: ['mass', 1],
  speed: ['speed', 1],
  shaftPower: ['power', 1],
  electricPower: ['power', 1],
  watts: ['power', 1],
  energy: ['energy', 1],
  pulse: ['energy', 3600],
  torque: ['torque', 1],
  force: ['force', 1],
  voltage: ['voltage', 1],
  current: ['current', 1],
  charge: ['charge', 1],
  resistance: ['resistance', 1],
  ohms: ['resistance', 1],
  insulation: ['resistance', 0.001],
  duration: ['time', 1],
  hours: ['time', 1 / 3600],
  days: ['time', 1 / 86_400],
  share: ['share', 1],
  smallShare: ['share', 1],
  grade: ['share', 1],
  ratio: ['ratio', 1],
  consumption: ['consumption', 1],
  fuelUse: ['fuel', 1],
  rotation: ['rotation', 1],
  angle: ['angle', 1],
  temperature: ['temperature', 1],
  area: ['area', 1],
  section: ['section', 1],
  capacitance: ['capacitance', 1],
  flow: ['flow', 1],
  airFlow: ['airFlow', 1],
  volume: ['volume', 1],
};

/** Without spaces, points and middle dots; capitals only where M and m differ by a thousand million: before Ω, ohm and J. */
function plain(unit: string): string {
  const bare = unit
    .replace(/[\s\u00a0\u202f]/g, '')
    .replace(/[·.*]|(?<=b)-(?=f)|(?<=t)-(?=l)/g, '')
    .replace(/μ/g, 'µ')
    .replace(/Ω/g, 'Ω');
  if (/^[mMkµ]?(?:Ω|ohms?)$/.test(bare) || /^[mM]J$/.test(bare)) return bare;
  return bare.toLowerCase();
}

export type ReadUnit =
  | { readonly ok: true; readonly toBase: (typed: number) => number }
  | { readonly ok: false; readonly other: Dimension | null };

/**
 * A unit as typed for a kind of quantity → what turns the typed number into the kind's base value; or which other thing the
 * unit measures, or that nobody knows it. A plain "mpg" is of the country's gallon where `gallon` says which.
 */
export function readUnit(unit: string, kind: QuantityKind, gallon: 'uk' | 'us' | null): ReadUnit {
  const word = plain(unit);
  const known = word === 'mpg' && gallon ? `mpg${gallon}` : word;
  const own = DIMENSION[kind];
  if (own) {
    const [dimension, scale] = own;
    const found = WORDS[dimension][known];
    if (found !== undefined) {
      return { ok: true, toBase: (typed) => (typeof found === 'number' ? typed * found : found(typed)) * scale };
    }
  }
  const other = (Object.keys(WORDS) as Dimension[]).find((dimension) => WORDS[dimension][known] !== undefined) ?? null;
  return { ok: false, other };
}
