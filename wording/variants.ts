import type { BodyShape, DrivelinePart, Instrument, Variant } from '../core/vehicle/variant.ts';

export const BODY_NAME: Readonly<Record<BodyShape['style'], string>> = {
  van: 'Van',
  bus: 'Bus, minibus',
  lorry: 'Lorry',
  fourByFour: 'Off-road',
  tug: 'Tug',
  open: 'Open car',
};
export const LAYOUT_NAME: Readonly<Record<Variant['layout'], string>> = {
  front: 'Engine in front',
  mid: 'Engine amidships',
  rear: 'Engine behind',
};
export const DRIVEN_NAME: Readonly<Record<Variant['drivenAxle'], string>> = {
  front: 'Front wheels',
  rear: 'Rear wheels',
  both: 'All wheels',
};
export const COOLING_NAME: Readonly<Record<Variant['cooling'], string>> = { radiator: 'Water', air: 'Air' };
export const SERVO_NAME: Readonly<Record<Variant['brakeServo'], string>> = {
  none: 'None',
  engineVacuum: 'Engine vacuum',
  other: 'Another kind',
};
export const STEERING_NAME: Readonly<Record<Variant['steering'], string>> = {
  manual: 'By hand',
  enginePump: 'Pump on the engine',
};
export const SIDE_NAME: Readonly<Record<NonNullable<Variant['steeringSide']>, string>> = {
  left: 'Left seat',
  right: 'Right seat',
};
export const INSTRUMENT_DRIVE_NAME: Readonly<Record<Instrument['drivenBy'], string>> = {
  cable: 'a cable',
  pulse: 'pulses',
  resistance: 'a resistance sender',
  voltage: 'a voltage',
  pressure: 'a pressure line',
  none: 'nothing outside it',
};
export const AFTER_NAME: Readonly<Record<DrivelinePart['after'], string>> = {
  motor: 'at the motor',
  gearbox: 'behind the gearbox',
  final: 'behind the final drive',
  hub: 'at the hub',
};
