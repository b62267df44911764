/**
 * Quantity kinds: what a number measures. Inside the core each kind has one base unit, given here;
 * everything else is conversion at the edge (`units.ts`).
 */
export const BASE_UNIT = {
  mass: 'kg',
  length: 'mm',
  distance: 'km',
  speed: 'km/h',
  power: 'W',
  torque: 'N·m',
  force: 'N',
  energy: 'Wh',
  voltage: 'V',
  current: 'A',
  resistance: 'Ω',
  duration: 's',
  hours: 'h',
  share: 'fraction',
  grade: 'fraction',
  ratio: 'ratio',
  consumption: 'Wh/km',
  rotation: 'rpm',
  temperature: '°C',
  count: 'count',
  money: 'cents',
  date: 'days since 1970-01-01',
  insulation: 'kΩ',
  area: 'm²',
  coefficient: '1',
  density: 'kg/m³',
  acceleration: 'm/s²',
} as const;

export type QuantityKind = keyof typeof BASE_UNIT;
