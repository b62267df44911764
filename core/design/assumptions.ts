import { voltageWindow } from '../component/sheets.ts';
import { heaterPower, isPlain } from '../cooling/heater.ts';
import { measureFirst } from '../drive/driveline.ts';
import { ETA_HIGH, ETA_LOW, impossibleEtas } from '../drive/efficiency.ts';
import { type CurveFault, cleanCurve } from '../drive/motorCurve.ts';
import { unladenLoads } from '../figures/balance/unladenLoads.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { packFacts } from '../figures/pack/packFacts.ts';
import { mainRun } from '../figures/road/useRuns.ts';
import { lvStrings } from '../lowvoltage/loads.ts';
import { COLDEST_C, HOTTEST_C } from '../pack/temperature.ts';
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
  | { readonly code: 'trailer'; readonly what: 'mass' | 'ball'; readonly kg: number; readonly mayKg: number | null }
  | { readonly code: 'trailerHeavier'; readonly kg: number; readonly vehicleKg: number }
  | { readonly code: 'separatePrecharge'; readonly component: string; readonly volts: number; readonly maxV: number }
  | { readonly code: 'measureFirst'; readonly part: string; readonly watts: number }
  | { readonly code: 'lowVoltage'; readonly component: string; readonly volts: number; readonly systemV: number }
  | { readonly code: 'heaterOver'; readonly component: string; readonly watts: number; readonly ratedW: number }
  | { readonly code: 'plainHeater'; readonly component: string }
  | { readonly code: 'dcLowVoltage'; readonly volts: number }
  | { readonly code: 'temperature'; readonly ambientC: number; readonly takenC: number }
  | { readonly code: 'fuseOverCable'; readonly fuse: string; readonly ratedA: number; readonly carriesA: number }
  | { readonly code: 'weakest'; readonly box: string; readonly idleWh: number }
  | { readonly code: 'tooWeakOnUse'; readonly seconds: number }
  | { readonly code: 'route'; readonly note: RouteNote };

/** Reads through the inputs and figures of a design for what had to be put right or cannot work. Empty when all is well. */
export function assumptionsOf(sheet: FigureSheet): Assumption[] {
  const { drive, vehicle, electric, route } = sheet.slots;
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
  for (const part of electric.windowed) {
    const { minV, maxV } = voltageWindow(part)!;
    if (low !== null && low < minV) found.push({ code: 'sag', component: part.name, volts: low, minV });
    if (full !== null && full > maxV) found.push({ code: 'over', component: part.name, volts: full, maxV });
  }
  found.push(...electricFaults(sheet));
  const weakest = sheet.get(packFacts).value?.weakest;
  if (weakest && weakest.idleWh > 1) found.push({ code: 'weakest', box: weakest.name, idleWh: weakest.idleWh });
  const seconds = sheet.get(mainRun).value?.run.shortS ?? 0;
  if (seconds > 0) found.push({ code: 'tooWeakOnUse', seconds });
  for (const note of route?.notes ?? []) found.push({ code: 'route', note });
  return found;
}

/** Posts usually do not start below this; common practice. */
const POST_STARTS_V = 150;
/** A plain heater may give this much over its rating before it is worth a word. */
const HEATER_OVER = 1.1;

/** What does not go together on the low-voltage side, in heaters, cable and fuse, and outside what curves know. */
function electricFaults({ slots, get }: FigureSheet): Assumption[] {
  const { electric, vehicle, use, charge } = slots;
  const found: Assumption[] = [];
  const systemV = vehicle.variant.systemVoltage;
  const { converter, lvBattery } = electric;
  const converterV = converter?.sheet.lowVoltageV;
  if (converter && converterV !== undefined && converterV !== systemV)
    found.push({ code: 'lowVoltage', component: converter.name, volts: converterV, systemV });
  if (lvBattery && lvStrings(electric.lvBatteries, lvBattery.sheet.lowVoltageV, systemV) === 0)
    found.push({
      code: 'lowVoltage',
      component: `${electric.lvBatteries} × ${lvBattery.name}`,
      volts: lvBattery.sheet.lowVoltageV,
      systemV,
    });
  const pack = get(packFacts).value;
  for (const part of [slots.drive.unit, slots.drive.inverter]) {
    const maxV = part?.sheet.prechargeMaxV;
    if (part && maxV !== undefined && pack && pack.fullV > maxV)
      found.push({ code: 'separatePrecharge', component: part.name, volts: pack.fullV, maxV });
  }
  for (const { part, powerOnlyW } of measureFirst(vehicle.variant.driveline))
    found.push({ code: 'measureFirst', part, watts: powerOnlyW! });
  found.push(...trailerFaults(slots, get(unladenLoads).value?.totalKg ?? null));
  const { heater, cable, fuse } = electric;
  if (heater && isPlain(heater.sheet)) {
    found.push({ code: 'plainHeater', component: heater.name });
    const watts = pack ? heaterPower(heater.sheet, pack.fullV) : 0;
    if (watts > heater.sheet.powerW * HEATER_OVER)
      found.push({ code: 'heaterOver', component: heater.name, watts, ratedW: heater.sheet.powerW });
  }
  const carriesA = cable && (electric.ampacity[cable.id] ?? cable.sheet.continuousA);
  if (fuse && carriesA !== null && fuse.sheet.ratedA > carriesA)
    found.push({ code: 'fuseOverCable', fuse: fuse.name, ratedA: fuse.sheet.ratedA, carriesA });
  if (pack && charge.inletDc && use.dcPostW && pack.nominalV < POST_STARTS_V)
    found.push({ code: 'dcLowVoltage', volts: pack.nominalV });
  const takenC = Math.min(HOTTEST_C, Math.max(COLDEST_C, use.ambientC));
  if (takenC !== use.ambientC) found.push({ code: 'temperature', ambientC: use.ambientC, takenC });
  return found;
}

/** A trailer against what the vehicle may tow, where anybody knows it, and against the vehicle itself. */
function trailerFaults({ use, vehicle }: FigureSheet['slots'], vehicleKg: number | null): Assumption[] {
  const { trailer } = use;
  if (!trailer) return [];
  const { towing } = vehicle.variant;
  const found: Assumption[] = [];
  if (!towing || trailer.massKg > towing.massKg)
    found.push({ code: 'trailer', what: 'mass', kg: trailer.massKg, mayKg: towing?.massKg ?? null });
  if (towing && trailer.ballKg > towing.ballKg)
    found.push({ code: 'trailer', what: 'ball', kg: trailer.ballKg, mayKg: towing.ballKg });
  if (vehicleKg !== null && trailer.massKg > vehicleKg)
    found.push({ code: 'trailerHeavier', kg: trailer.massKg, vehicleKg });
  return found;
}
