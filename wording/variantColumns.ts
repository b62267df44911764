import type { QuantityKind } from '../core/quantity/kinds.ts';
import { baseSymbol } from '../core/quantity/units.ts';
import { VEHICLE_FIGURE_IDS, VEHICLE_FIGURES } from '../core/vehicle/vehicleFigures.ts';
import { VEHICLE_FIGURE_NAME } from './figures.ts';

/** A column of the table of vehicle models: its head, where its value stands in a variant, and what it is. */
export interface VariantColumn {
  readonly head: string;
  /** Keys from the outside inwards. */
  readonly path: readonly string[];
  /** A list stands in its cell as JSON, numbers one after the other. */
  readonly type: 'text' | 'number' | 'list' | 'numbers';
  /** Of a number; it may then be given in any unit of it that the head names. */
  readonly quantity?: QuantityKind;
}

const text = (head: string, ...path: string[]): VariantColumn => ({ head, path, type: 'text' });
const list = (head: string, ...path: string[]): VariantColumn => ({ head, path, type: 'list' });
const number = (name: string, quantity: QuantityKind, ...path: string[]): VariantColumn => {
  const symbol = baseSymbol(quantity);
  return { head: symbol ? `${name} (${symbol})` : name, path, type: 'number', quantity };
};

/** Every field of a variant that is kept, in the order of the file. */
export const VARIANT_COLUMNS: readonly VariantColumn[] = [
  text('Maker', 'makerName'),
  text('Model', 'modelName'),
  text('Variant', 'name'),
  number('First year', 'count', 'yearFrom'),
  number('Last year', 'count', 'yearTo'),
  text('Engine', 'layout'),
  text('Driven', 'drivenAxle'),
  text('Cooling', 'cooling'),
  text('Brake servo', 'brakeServo'),
  text('Steering', 'steering'),
  number('Low voltage', 'voltage', 'systemVoltage'),
  text('Tyre', 'tyre'),
  text('Driven from', 'steeringSide'),
  number('Front share of the brakes', 'share', 'frontBrakeShare'),
  number('May tow', 'mass', 'towing', 'massKg'),
  number('On the ball', 'mass', 'towing', 'ballKg'),
  number('Lift pads, front', 'length', 'liftPads', 'frontMm'),
  number('Lift pads, rear', 'length', 'liftPads', 'rearMm'),
  number('Wheel down to full droop', 'length', 'travel', 'droopMm'),
  number('Wheel up to full bump', 'length', 'travel', 'bumpMm'),
  text('Body', 'shape', 'style'),
  number('Front overhang', 'length', 'shape', 'frontOverhangMm'),
  number('Bonnet', 'length', 'shape', 'bonnetMm'),
  number('Height of the bonnet', 'length', 'shape', 'bonnetHeightMm'),
  number('Run of the screen', 'length', 'shape', 'screenRunMm'),
  number('End of the cab', 'length', 'shape', 'cabEndMm'),
  ...VEHICLE_FIGURE_IDS.flatMap((id) => [
    number(VEHICLE_FIGURE_NAME[id], VEHICLE_FIGURES[id], 'figures', id, 'value'),
    text(`${VEHICLE_FIGURE_NAME[id]}, source`, 'figures', id, 'source'),
  ]),
  { head: 'Gears', path: ['gearbox', 'ratios'], type: 'numbers' },
  number('Final drive', 'ratio', 'gearbox', 'finalDrive'),
  number('Transfer case', 'ratio', 'gearbox', 'transfer'),
  number('Its low ratio', 'ratio', 'gearbox', 'transferLow'),
  number('Hub reduction', 'ratio', 'gearbox', 'hub'),
  text('Input spline', 'gearbox', 'spline'),
  text('Half-shaft spline', 'gearbox', 'shaftSpline'),
  text('Bolt pattern', 'gearbox', 'boltPattern'),
  list('Driveline', 'driveline'),
  list('Drive modes', 'driveModes'),
  list('What comes out', 'removed'),
  list('Points', 'mountingPoints'),
  list('Bays', 'bays'),
  list('Passes', 'passThroughs'),
  list('Openings', 'openings'),
  list('Instruments', 'instruments'),
  list('What moves', 'moving'),
  list('Luggage', 'luggage'),
  list('What stands in the bays', 'displaced'),
];
