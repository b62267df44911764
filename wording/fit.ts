import type { Finding, RuleId, Side, Verdict } from '../core/fit/finding.ts';
import type { VehicleFunction } from '../core/fit/functions.ts';
import type { CoverWay } from '../core/kit/kit.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import { type UnitSet, unitOf } from '../core/quantity/units.ts';
import { SOURCE_NAME } from './figures.ts';

export const VERDICT_NAME: Record<Verdict, string> = {
  fits: 'fits',
  afterWork: 'fits after work',
  doesNotFit: 'does not fit',
  measureFirst: 'measure first',
};

const VERDICT_MANY: Partial<Record<Verdict, string>> = {
  fits: 'fit',
  afterWork: 'fit after work',
  doesNotFit: 'do not fit',
  measureFirst: 'to measure first',
};

/** How many findings of a verdict: "1 does not fit", "19 fit". */
export const countVerdict = (verdict: Verdict, n: number) =>
  `${n} ${n === 1 ? VERDICT_NAME[verdict] : VERDICT_MANY[verdict]}`;

export const RULE_NAME: Record<RuleId, string> = {
  voltageWindow: 'Voltage window',
  mountingPoints: 'Mounting point',
  boxInBay: 'Box in bay',
  bayMass: 'Mass in bay',
  grossMass: 'Gross mass',
  axleMass: 'Axle mass',
  coupling: 'Coupling',
  drivelineTorque: 'Driveline torque',
  newHoles: 'New holes',
  functionCover: 'Cover of functions',
};

export const FUNCTION_NAME: Record<VehicleFunction, string> = {
  store: 'Store energy',
  monitor: 'Monitor cells',
  fuse: 'Fuse',
  switch: 'Switch',
  precharge: 'Precharge',
  isolate: 'Isolate by hand',
  crashCut: 'Crash cut-off',
  senseCurrent: 'Sense current',
  watchInsulation: 'Watch insulation',
  invert: 'Invert',
  drive: 'Drive',
  couple: 'Couple',
  mount: 'Mount',
  chargeAc: 'Charge AC',
  chargeDc: 'Charge DC',
  tellCharger: 'Tell the charger',
  feedLv: 'Feed 12 V',
  keepLv: 'Keep 12 V',
  coolDrive: 'Cool drive',
  coolBattery: 'Cool battery',
  moveCoolant: 'Move coolant',
  heatCabin: 'Heat cabin',
  demist: 'Demist',
  assistBrakes: 'Assist brakes',
  assistSteering: 'Assist steering',
  accelerate: 'Accelerate',
  direction: 'Direction',
  control: 'Control',
  show: 'Show charge',
  holdParked: 'Hold it when parked',
  startReady: 'Start switch, ready lamp',
  regenLamps: 'Brake lamps when regeneration slows',
  chargeLamp: 'Charge lamp',
  diagnosis: 'Access for diagnosis',
  mainsOutlet: 'Mains outlet',
  interlock: 'Interlock',
  hvCables: 'HV cables',
  lvWire: 'LV wire',
  clamps: 'Clamps',
  fixings: 'Fixings',
  labels: 'HV labels',
  drawings: 'Drawings',
};

export const WAY_NAME: Record<'kit' | 'gap' | CoverWay, string> = {
  kit: 'kit',
  kept: 'kept from vehicle',
  made: 'made here',
  local: 'bought locally',
  client: 'client supplies',
  notNeeded: 'not needed',
  gap: 'gap',
};

function side({ value, to, kind }: Side, set: UnitSet): string {
  if (value === null) return 'not known';
  if (typeof value === 'string' || kind === null) return String(value);
  if (to === undefined) return formatQuantity(value, kind, set);
  const unit = unitOf(kind, set).symbol;
  return `${formatQuantity(value, kind, set).replace(`\u00a0${unit}`, '')} to ${formatQuantity(to, kind, set)}`;
}

/** The comparison in one sentence, each rule in the words a person would use. */
export function findingSentence(finding: Finding, set: UnitSet): string {
  const left = side(finding.left, set);
  const right = side(finding.right, set);
  switch (finding.rule) {
    case 'voltageWindow':
      return `Pack ${left}, empty at full load to full; it takes ${right}.`;
    case 'mountingPoints':
      return finding.right.value === null
        ? `Cradle hole at ${left}; this variant has no such point.`
        : `Cradle slot reaches ${left} behind the front axle; this variant's point is at ${right}.`;
    case 'boxInBay':
      return finding.right.value === null
        ? `Made for the ${left} bay, which this variant does not have.`
        : `Box ${left}, bay ${right} the tightest way; 10 mm stay clear on each side.`;
    case 'bayMass':
      return `Filled box ${left}; the bay may carry ${right}.`;
    case 'grossMass':
      return `Laden ${left}; the plate says ${right}.`;
    case 'axleMass':
      return `Laden ${left}; rated ${right}.`;
    case 'coupling':
      return `Drive has ${left}; vehicle has ${right}.`;
    case 'drivelineTorque':
      return `Full torque puts ${left} on it; it bears ${right}.`;
    case 'newHoles':
      return `${left} new ${finding.left.value === 1 ? 'hole' : 'holes'} (${finding.subject}).`;
    case 'functionCover':
      return `${left} of ${right} functions covered.`;
  }
}

/** Margin with its sign in words, at the right of a finding. */
export function marginText(finding: Finding, set: UnitSet): string {
  const { margin, work, verdict } = finding;
  if (work && work.hours > 0 && verdict === 'afterWork' && !work.capNm) return `${work.hours} h`;
  if (!margin || margin.kind === 'count')
    return verdict === 'measureFirst'
      ? 'measure'
      : margin && margin.value < 0
        ? `${-margin.value} ${finding.rule === 'newHoles' ? 'to drill' : 'open'}`
        : '';
  const amount = formatQuantity(Math.abs(margin.value), margin.kind, set);
  return margin.value < 0 ? `${amount} short` : `${amount} spare`;
}

/** What to do next about a finding; empty when nothing is to be done. */
export function nextAction({ work, verdict, rule }: Finding, set: UnitSet): string {
  if (work?.capNm)
    return `Cap the motor at ${formatQuantity(work.capNm, 'torque', set)} in software, ${work.hours} h to set and prove.`;
  if (work?.functions)
    return `Settle ${work.functions.length} ${work.functions.length === 1 ? 'gap' : 'gaps'} below before anything is ordered.`;
  if (work && work.hours > 0) return `Adds ${work.hours} h.`;
  if (verdict === 'measureFirst')
    return rule === 'boxInBay' || rule === 'mountingPoints'
      ? 'Measure on this vehicle: the spare is smaller than a drawing can be trusted.'
      : 'Weigh the vehicle: the spare is smaller than library masses can be trusted.';
  if (verdict !== 'doesNotFit') return '';
  if (rule === 'mountingPoints') return 'Use another cradle, or another revision of the kit.';
  if (rule === 'boxInBay' || rule === 'bayMass') return 'Fewer modules in this bay, or another bay.';
  if (rule === 'voltageWindow') return 'Change the number of modules in series, or this component.';
  if (rule === 'newHoles') return 'Ask the client, or find a cradle for this variant.';
  return 'Fewer modules, or less load.';
}

export const sources = (finding: Finding): string =>
  [...new Set([finding.left.source, finding.right.source])].map((source) => SOURCE_NAME[source]).join(', ');
