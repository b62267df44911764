import { type Component, componentAs } from '../component/sheets.ts';
import { cableChoice } from '../figures/electric/cable.ts';
import { fuses } from '../figures/electric/fuses.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import { findCoupling } from '../fit/couples.ts';
import type { VehicleState } from '../vehicle/state.ts';

/**
 * Is a part the one the figures of a design name, where they name one? Cable and main fuse are chosen together by current,
 * drop and fault, and nothing smaller or larger is proposed; an adapter joins this drive to this vehicle, and shafts are
 * for what the drive turns. Where the figures cannot choose, nothing is proposed.
 */
export function suitsDesign(component: Component, sheet: FigureSheet, vehicle: VehicleState): boolean {
  const drive = sheet.slots.drive.unit;
  if (component.kind === 'cable') return sheet.get(cableChoice).value?.part.id === component.id;
  if (component.kind === 'fuse') return sheet.get(fuses).value?.[0]?.part?.id === component.id;
  const adapter = componentAs(component, 'adapter');
  if (adapter) {
    if (!drive) return false;
    const { direct, adapter: joins } = findCoupling(drive.sheet, vehicle.variant.gearbox, [adapter]);
    return !direct && joins !== null;
  }
  const turned = componentAs(component, 'other')?.sheet.turnedBy;
  return turned === undefined || turned === drive?.sheet.output;
}
