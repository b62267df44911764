import { adapter } from './adapter.ts';
import { bmsMain } from './bmsMain.ts';
import { bmsSatellite } from './bmsSatellite.ts';
import { box } from './box.ts';
import { cable } from './cable.ts';
import { charger } from './charger.ts';
import { combinedUnit } from './combinedUnit.ts';
import { contactorBox } from './contactorBox.ts';
import { coolantPump } from './coolantPump.ts';
import { cradle } from './cradle.ts';
import { dcdc } from './dcdc.ts';
import { drive } from './drive.ts';
import { fuse } from './fuse.ts';
import { heater } from './heater.ts';
import { hvPump } from './hvPump.ts';
import { inlet } from './inlet.ts';
import { inverter } from './inverter.ts';
import { lvBattery } from './lvBattery.ts';
import { module } from './module.ts';
import { other } from './other.ts';
import { radiator } from './radiator.ts';
import { resistor } from './resistor.ts';

/**
 * The kinds of components, each described once: the compiler reads the types of sheets off them, the contract its schemas,
 * and whatever comes out of the database is held against them.
 */
export const KINDS = {
  module,
  drive,
  inverter,
  charger,
  combinedUnit,
  dcdc,
  heater,
  contactorBox,
  hvPump,
  box,
  cradle,
  adapter,
  bmsMain,
  bmsSatellite,
  inlet,
  cable,
  fuse,
  resistor,
  coolantPump,
  radiator,
  lvBattery,
  other,
} as const;

export const KIND_NAME: Readonly<Record<keyof typeof KINDS, string>> = {
  module: 'Battery module',
  drive: 'Drive unit',
  inverter: 'Inverter',
  charger: 'Charger',
  combinedUnit: 'Charger with DC-DC',
  dcdc: 'DC-DC converter',
  heater: 'Heater',
  contactorBox: 'Contactor box',
  hvPump: 'High-voltage pump',
  box: 'Battery box',
  cradle: 'Cradle',
  adapter: 'Adapter',
  bmsMain: 'Battery management, main',
  bmsSatellite: 'Battery management, satellite',
  inlet: 'Charging inlet',
  cable: 'HV cable',
  fuse: 'HV fuse',
  resistor: 'Precharge resistor',
  coolantPump: 'Coolant pump',
  radiator: 'Radiator',
  lvBattery: 'Low-voltage battery',
  other: 'Other',
};
