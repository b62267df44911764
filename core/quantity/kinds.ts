/**
 * Quantity kinds: what a number measures. Inside the core each kind has one base unit, given here;
 * everything else is conversion at the edge (`units.ts`).
 */
export const BASE_UNIT = {
  mass: 'kg',
  length: 'mm',
  distance: 'km',
  speed: 'km/h',
  /** At a shaft or the wheels: bhp or hp to those who say so. Electric power is kW to everybody. */
  shaftPower: 'W',
  torque: 'N·m',
  force: 'N',
  energy: 'Wh',
  voltage: 'V',
  current: 'A',
  resistance: 'Ω',
  duration: 's',
  hours: 'h',
  share: 'fraction',
  smallShare: 'fraction',
  grade: 'fraction',
  ratio: 'ratio',
  consumption: 'Wh/km',
  /** Fuel burnt for a distance, before the conversion. */
  fuelUse: 'l/100 km',
  airFlow: 'm³/h',
  rotation: 'rpm',
  angle: 'degrees',
  temperature: '°C',
  count: 'count',
  money: 'cents',
  date: 'days since 1970-01-01',
  insulation: 'kΩ',
  area: 'm²',
  coefficient: '1',
  density: 'kg/m³',
  acceleration: 'm/s²',
  electricPower: 'W',
  watts: 'W',
  charge: 'Ah',
  /** Current in multiples of the capacity an hour. */
  cRate: '1/h',
  ohms: 'Ω',
  capacitance: 'µF',
  pulse: 'J',
  flow: 'l/min',
  section: 'mm²',
  clock: 'hours since midnight',
  days: 'days',
  warming: 'K',
  height: 'm',
  /** Room for luggage. */
  volume: 'l',
} as const;

export type QuantityKind = keyof typeof BASE_UNIT;
