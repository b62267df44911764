import { ETA_HIGH, ETA_LOW, impossibleEtas } from '../drive/efficiency.ts';
import { type CurveFault, cleanCurve } from '../drive/motorCurve.ts';
import { unladenLoads } from '../figures/balance/unladenLoads.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { packFacts } from '../figures/pack/packFacts.ts';
import { mainRun } from '../figures/road/useRuns.ts';
import type { RouteNote } from '../road/cleanTrack.ts';

/** Something in the inputs that cannot be right as it stands, with both sides of it, and what was assumed or follows. */
export type Assumption =
  | { readonly code: 'curve'; readonly faults: readonly CurveFault[]; readonly used: boolean }
  | { readonly code: 'efficiency'; readonly given: number; readonly taken: number }
  | { readonly code: 'efficiencyMap'; readonly entries: number }
  | { readonly code: 'reduction'; readonly taken: number }
  | { readonly code: 'massCentre'; readonly xMm: number; readonly wheelbaseMm: number }
  | { readonly code: 'sag'; readonly component: string; readonly volts: number; readonly minV: number }
  | { readonly code: 'over'; readonly component: string; readonly volts: number; readonly maxV: number }
  | { readonly code: 'weakest'; readonly box: string; readonly idleWh: number }
  | { readonly code: 'tooWeakOnUse'; readonly seconds: number }
  | { readonly code: 'route'; readonly note: RouteNote };

/** Reads through the inputs and figures of a design for what had to be put right or cannot work. Empty when all is well. */
export function assumptionsOf(sheet: FigureSheet): Assumption[] {
  const { drive, vehicle, charge, electric, route } = sheet.slots;
  const found: Assumption[] = [];
  const unit = drive.unit?.sheet;
  const stated = drive.curve ?? unit?.curve;
  if (stated) {
    const { curve, faults } = cleanCurve(stated);
    if (faults.length > 0) found.push({ code: 'curve', faults, used: curve !== null });
  }
  const given = drive.efficiency ?? unit?.efficiency;
  if (given !== undefined && !(given >= ETA_LOW && given <= ETA_HIGH)) {
    found.push({ code: 'efficiency', given, taken: given > ETA_HIGH ? ETA_HIGH : ETA_LOW });
  }
  const map = drive.efficiency === null ? unit?.efficiencyMap : undefined;
  const entries = map ? impossibleEtas(map) : 0;
  if (entries > 0) found.push({ code: 'efficiencyMap', entries });
  if (drive.reduction !== null && !(drive.reduction > 0)) {
    found.push({ code: 'reduction', taken: unit?.ownRatio ?? 1 });
  }
  const loads = sheet.get(unladenLoads).value;
  const wheelbaseMm = vehicle.figures.wheelbase.value;
  if (loads && (loads.centreXMm <= 0 || loads.centreXMm >= wheelbaseMm)) {
    found.push({ code: 'massCentre', xMm: loads.centreXMm, wheelbaseMm });
  }
  const low = sheet.get(FIGURES.packSagVoltage).value ?? sheet.get(FIGURES.packVoltageEmpty).value;
  const full = sheet.get(FIGURES.packVoltageFull).value;
  for (const part of [drive.unit, drive.inverter, charge.charger, electric.converter, electric.heater]) {
    if (!part) continue;
    const { minV, maxV } = part.sheet;
    if (low !== null && low < minV) found.push({ code: 'sag', component: part.name, volts: low, minV });
    if (full !== null && full > maxV) found.push({ code: 'over', component: part.name, volts: full, maxV });
  }
  const weakest = sheet.get(packFacts).value?.weakest;
  if (weakest && weakest.idleWh > 1) found.push({ code: 'weakest', box: weakest.name, idleWh: weakest.idleWh });
  const seconds = sheet.get(mainRun).value?.run.shortS ?? 0;
  if (seconds > 0) found.push({ code: 'tooWeakOnUse', seconds });
  for (const note of route?.notes ?? []) found.push({ code: 'route', note });
  return found;
}
