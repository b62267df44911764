import { CURRENCIES, type Currency } from './currency.ts';
import type { QuantityKind } from './kinds.ts';

/** The three unit sets a person can choose: metric, UK road (miles, mph, bhp, lb·ft, kg, mi/kWh), US. */
export const UNIT_SETS = ['metric', 'uk', 'us'] as const;
export type UnitChoice = (typeof UNIT_SETS)[number];

/** How a person reads figures: their units and the workshop's currency ("uk GBP"); without a currency, euros. */
export type UnitSet = UnitChoice | `${UnitChoice} ${Currency}`;

/** Units and currency of a reading. */
export const unitsIn = (set: UnitSet): UnitChoice => set.split(' ')[0] as UnitChoice;
export const currencyIn = (set: UnitSet): Currency => (set.split(' ')[1] as Currency | undefined) ?? 'EUR';

/**
 * How a base value appears in a unit: shown = base × factor, or factor ÷ base when `inverse` (mi/kWh from Wh/km).
 * `digits` is how many decimals a reader wants.
 */
export interface Unit {
  readonly symbol: string;
  readonly factor: number;
  readonly digits: number;
  readonly inverse?: true;
  /** Added after the factor: °F. @default 0 */
  readonly offset?: number;
}

/** Exact by definition or as published in NIST SP 811 (Appendix B), from memory. */
export const METRES_PER_MILE = 1609.344;
export const KG_PER_LB = 0.45359237;
export const WATTS_PER_HP = 745.69987;
export const WATTS_PER_METRIC_HP = 735.49875;
export const NM_PER_LBFT = 1.3558179;

const KM_PER_MILE = METRES_PER_MILE / 1000;
export const UK_GALLON_L = 4.54609;
export const US_GALLON_L = 3.785412;
const MM_PER_INCH = 25.4;
export const CFM_M3H = 0.3048 ** 3 * 60;
/** Litres of a cubic foot: 0.3048³ m³, exact. */
export const FT3_L = 0.3048 ** 3 * 1000;
export const FT2_M2 = 0.3048 ** 2;
/** Miles a gallon and litres per 100 km are each the other's inverse: 100 · gallon ÷ miles in km. */
const perGallon = (litres: number) => (100 * litres) / KM_PER_MILE;

const METRIC: Record<QuantityKind, Unit> = {
  mass: { symbol: 'kg', factor: 1, digits: 0 },
  length: { symbol: 'mm', factor: 1, digits: 0 },
  distance: { symbol: 'km', factor: 1, digits: 0 },
  speed: { symbol: 'km/h', factor: 1, digits: 0 },
  shaftPower: { symbol: 'kW', factor: 1 / 1000, digits: 1 },
  torque: { symbol: 'N·m', factor: 1, digits: 0 },
  force: { symbol: 'kN', factor: 1 / 1000, digits: 2 },
  energy: { symbol: 'kWh', factor: 1 / 1000, digits: 1 },
  voltage: { symbol: 'V', factor: 1, digits: 0 },
  current: { symbol: 'A', factor: 1, digits: 0 },
  resistance: { symbol: 'mΩ', factor: 1000, digits: 1 },
  duration: { symbol: 's', factor: 1, digits: 1 },
  hours: { symbol: 'h', factor: 1, digits: 1 },
  share: { symbol: '%', factor: 100, digits: 1 },
  smallShare: { symbol: '%', factor: 100, digits: 2 },
  grade: { symbol: '%', factor: 100, digits: 0 },
  ratio: { symbol: ': 1', factor: 1, digits: 2 },
  consumption: { symbol: 'kWh/100 km', factor: 1 / 10, digits: 1 },
  fuelUse: { symbol: 'l/100 km', factor: 1, digits: 1 },
  airFlow: { symbol: 'm³/h', factor: 1, digits: 0 },
  rotation: { symbol: 'rpm', factor: 1, digits: 0 },
  angle: { symbol: '°', factor: 1, digits: 1 },
  temperature: { symbol: '°C', factor: 1, digits: 0 },
  count: { symbol: '', factor: 1, digits: 0 },
  money: { symbol: '€', factor: 1 / 100, digits: 0 },
  date: { symbol: '', factor: 1, digits: 0 },
  insulation: { symbol: 'kΩ', factor: 1, digits: 0 },
  area: { symbol: 'm²', factor: 1, digits: 2 },
  coefficient: { symbol: '', factor: 1, digits: 3 },
  density: { symbol: 'kg/m³', factor: 1, digits: 3 },
  acceleration: { symbol: 'm/s²', factor: 1, digits: 2 },
  electricPower: { symbol: 'kW', factor: 1 / 1000, digits: 1 },
  watts: { symbol: 'W', factor: 1, digits: 0 },
  charge: { symbol: 'Ah', factor: 1, digits: 0 },
  cRate: { symbol: 'C', factor: 1, digits: 1 },
  ohms: { symbol: 'Ω', factor: 1, digits: 0 },
  capacitance: { symbol: 'µF', factor: 1, digits: 0 },
  pulse: { symbol: 'J', factor: 1, digits: 0 },
  flow: { symbol: 'l/min', factor: 1, digits: 1 },
  section: { symbol: 'mm²', factor: 1, digits: 0 },
  clock: { symbol: '', factor: 1, digits: 2 },
  days: { symbol: 'd', factor: 1, digits: 0 },
  warming: { symbol: 'K', factor: 1, digits: 1 },
  height: { symbol: 'm', factor: 1, digits: 0 },
  volume: { symbol: 'l', factor: 1, digits: 0 },
};

const UK: Partial<Record<QuantityKind, Unit>> = {
  distance: { symbol: 'miles', factor: 1 / KM_PER_MILE, digits: 0 },
  speed: { symbol: 'mph', factor: 1 / KM_PER_MILE, digits: 0 },
  shaftPower: { symbol: 'bhp', factor: 1 / WATTS_PER_HP, digits: 0 },
  torque: { symbol: 'lb·ft', factor: 1 / NM_PER_LBFT, digits: 0 },
  consumption: { symbol: 'mi/kWh', factor: 1000 / KM_PER_MILE, digits: 1, inverse: true },
  fuelUse: { symbol: 'mpg', factor: perGallon(UK_GALLON_L), digits: 1, inverse: true },
};

const US: Partial<Record<QuantityKind, Unit>> = {
  ...UK,
  shaftPower: { symbol: 'hp', factor: 1 / WATTS_PER_HP, digits: 0 },
  mass: { symbol: 'lb', factor: 1 / KG_PER_LB, digits: 0 },
  consumption: { symbol: 'Wh/mi', factor: KM_PER_MILE, digits: 0 },
  fuelUse: { symbol: 'mpg', factor: perGallon(US_GALLON_L), digits: 1, inverse: true },
  length: { symbol: 'in', factor: 1 / MM_PER_INCH, digits: 2 },
  height: { symbol: 'ft', factor: 1 / 0.3048, digits: 0 },
  area: { symbol: 'ft²', factor: 1 / FT2_M2, digits: 1 },
  temperature: { symbol: '°F', factor: 1.8, digits: 0, offset: 32 },
  warming: { symbol: '°F', factor: 1.8, digits: 1 },
  volume: { symbol: 'ft³', factor: 1 / FT3_L, digits: 1 },
  airFlow: { symbol: 'cfm', factor: 1 / CFM_M3H, digits: 0 },
};

/** The unit a person with this unit set reads for this kind. */
export function unitOf(kind: QuantityKind, set: UnitSet): Unit {
  if (kind === 'money') return { ...METRIC.money, symbol: CURRENCIES[currencyIn(set)].symbol };
  if (set.startsWith('uk')) return UK[kind] ?? METRIC[kind];
  if (set.startsWith('us')) return US[kind] ?? METRIC[kind];
  return METRIC[kind];
}

/** Base value → number in the person's unit. Inverse units of zero give Infinity. */
export function toShown(base: number, kind: QuantityKind, set: UnitSet): number {
  const unit = unitOf(kind, set);
  return unit.inverse ? unit.factor / base : base * unit.factor + (unit.offset ?? 0);
}

/** Number in the person's unit → base value. The inverse of `toShown`. */
export function toBase(shown: number, kind: QuantityKind, set: UnitSet): number {
  const unit = unitOf(kind, set);
  return unit.inverse ? unit.factor / shown : (shown - (unit.offset ?? 0)) / unit.factor;
}

/** Symbols of base units where people are shown another: files for other programs hold base values. */
const BASE_SYMBOL: Partial<Record<QuantityKind, string>> = {
  shaftPower: 'W',
  electricPower: 'W',
  force: 'N',
  energy: 'Wh',
  resistance: 'Ω',
  share: 'of 1',
  smallShare: 'of 1',
  grade: 'of 1',
  consumption: 'Wh/km',
  money: 'cents',
};
/** The unit of a base value: W where people read kW. */
export const baseSymbol = (kind: QuantityKind): string => BASE_SYMBOL[kind] ?? unitOf(kind, 'metric').symbol;
