import { type CoverLine, isCompanion } from '../core/fit/cover.ts';
import type { Finding, RuleId, Side, Verdict } from '../core/fit/finding.ts';
import type { VehicleFunction } from '../core/fit/functions.ts';
import type { CoverWay } from '../core/kit/kit.ts';
import { trapOfRule } from '../core/plan/traps.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import { type UnitSet, unitOf } from '../core/quantity/units.ts';
import { SOURCE_NAME } from './figures.ts';
import { TRAP_WHY } from './workPlan.ts';

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
  commonSlide: 'Cradle, one slide',
  movingParts: 'Room to moving parts',
  ownPrecharge: 'Precharge',
  linkCurrents: 'Current of a link',
  linkVoltage: 'Voltage of a link',
  chargeRate: 'Charging the modules',
  boxHolds: 'Modules in the box',
  revolutions: 'Gear and revolutions',
  usePower: 'Drive for the use',
  coolant: 'Coolant and radiator',
  mountLoad: 'Load on the mounts',
  brakes: 'Brakes, for a specialist',
  weightSchool: 'Where the weight lies',
  takenOut: 'What comes out',
  packRate: 'Rate of the pack',
  satellites: 'BMS satellites',
  shaftAngles: 'Half shafts',
  lvBudget: 'Low-voltage budget',
  chargePhases: 'Charger and inlet',
  passThroughs: 'Passes',
  inletPlace: 'Inlet',
  systemVoltage: 'Low voltage',
  heatAway: 'Radiator',
  boxSafety: 'Box, sealed and vented',
  handedness: 'Side of the steering',
  boxRetention: 'What holds the boxes',
  liftTipping: 'On the lift',
  groundClearance: 'Ground clearance',
  helpLost: 'Brakes and steering',
  keptThere: 'Kept from the vehicle',
  displaced: 'What stood there',
  luggageKept: 'Luggage room',
  deadInstruments: 'Dials',
  companions: 'What parts need',
  buses: 'Buses',
  newHoles: 'Holes and cuts',
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

/** What a line of the cover is called. */
export const coverName = ({ function: key, name }: Pick<CoverLine, 'function' | 'name'>): string =>
  name ?? (isCompanion(key) ? 'What a part needs' : FUNCTION_NAME[key]);

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

/** How much room a slide leaves. */
function spanText({ value, to }: Side, set: UnitSet): string {
  const ends = [value as number, to ?? Number.POSITIVE_INFINITY].map((end) =>
    Number.isFinite(end) ? formatQuantity(end, 'length', set, { signed: true }) : 'any',
  );
  return `from ${ends[0]} to ${ends[1]} would do`;
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
    case 'shaftAngles':
      if (finding.left.kind === 'length')
        return finding.right.value === null
          ? `They change by ${left} over the travel; what the joint slides is not known.`
          : `They change by ${left} over the travel; the joint slides ${right}.`;
      return finding.left.value === null
        ? `The joint turns ${right} at most; how far the wheels travel is not known.`
        : `They stand at ${left}; the joint bears ${right}.`;
    case 'lvBudget':
      return finding.right.value === null
        ? `The converters give ${left}; what is wanted is not known.`
        : `The converters give ${left}; ${finding.subject} wants ${right}.`;
    case 'chargePhases':
      return finding.left.kind === 'count'
        ? `It takes ${left} ${finding.left.value === 1 ? 'phase' : 'phases'}; inlet and supply give ${right}.`
        : `It draws up to ${left} of each phase; the inlet stands ${right}.`;
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
      if (finding.right.value === null)
        return finding.left.kind === 'shaftPower'
          ? `It is known by ${left} alone: power says nothing of torque.`
          : 'Nothing of it has a rating.';
      return `Full torque puts ${left} on it; it bears ${right}.`;
    case 'commonSlide':
      return finding.verdict === 'doesNotFit'
        ? `${left} and ${right} exclude each other: the cradle is one piece.`
        : `All its demands are met ${Math.abs(finding.left.value as number) === 0 ? 'unmoved' : `${formatQuantity(Math.abs(finding.left.value as number), 'length', set)} ${(finding.left.value as number) > 0 ? 'further aft' : 'further forward'}`}; ${spanText(finding.right, set)}.`;
    case 'movingParts':
      return finding.left.value === null
        ? `What moves near it is not known; ${right} is wanted.`
        : `${left} apart; ${right} wanted to what moves.`;
    case 'ownPrecharge':
      return `Full pack ${left}; its own precharge stands ${right}.`;
    case 'linkCurrents':
      return finding.subject.includes(' before ')
        ? `The fuse is of ${left}; the cable behind it carries ${right}.`
        : `${left} asked; it stands ${right}.`;
    case 'linkVoltage':
      return finding.left.kind === 'current'
        ? `A fault feeds ${left}; it breaks ${right}.`
        : `Full pack ${left}; it is made for ${right}.`;
    case 'packRate':
      return `${left} asked of each module; its sheet stands ${right}.`;
    case 'chargeRate':
      return `It charges with up to ${left}; the modules stand ${right}.`;
    case 'boxHolds':
      return finding.right.value === null
        ? `${left} modules in a box that nothing of the kit is.`
        : `${left} modules; it holds ${right}.`;
    case 'revolutions':
      return finding.left.kind === 'count'
        ? `Gear ${left}; the box has ${right}.`
        : `The motor turns ${left}; its sheet ends at ${right}.`;
    case 'usePower':
      return finding.left.kind === 'speed'
        ? `It is asked for ${left} and does not keep up.`
        : `${left} asked; it gives ${right}.`;
    case 'coolant':
      return `It gives ${left}; ${right} is wanted.`;
    case 'mountLoad':
      return finding.left.value === null
        ? 'The load cannot be told: its points are not those of this variant, or lie in one line.'
        : `Torque and weight put ${left} on it; it bears ${right}.`;
    case 'brakes':
      return finding.left.value === null
        ? 'How the brakes share is not known.'
        : `They lock first from ${left} g on; as built, or by UN R13-H, not under ${right} g.`;
    case 'weightSchool':
      return `${left} on the front axle; ${right} is asked.`;
    case 'takenOut':
      return finding.left.value === 0
        ? 'Nothing is said of what comes out of this variant.'
        : 'The engine is not named among what comes out.';
    case 'satellites':
      return finding.left.source === 'sheet'
        ? `${left} in the kit; the boxes need ${right}, counted box by box.`
        : `The boxes need ${left}; it leads ${right}.`;
    case 'passThroughs':
      return finding.right.value === null
        ? finding.subject.endsWith('connector')
          ? 'How wide its connector is, is not known.'
          : `What is pulled needs ${left}; no pass that leads there is known.`
        : `What is pulled needs ${left}; the pass is ${right} across.`;
    case 'inletPlace':
      return finding.left.kind === null
        ? `It is ${left}; where it will charge, ${right} is usual.`
        : finding.right.value === null
          ? `It wants an opening of ${left}; the openings of this variant are not known.`
          : `It wants an opening of ${left}; the widest of the body is ${right}.`;
    case 'systemVoltage':
      return `It is for ${left}; the vehicle has ${right}.`;
    case 'heatAway':
      return `The vehicle is ${right}; there is ${left}.`;
    case 'boxSafety':
      return left === 'its sheet does not say'
        ? 'Its sheet does not say.'
        : `Its sheet says ${left}; it goes ${right}.`;
    case 'handedness':
      return finding.right.value === null
        ? `It is ${left}; the side of this variant is not known.`
        : `It is ${left}; the vehicle is ${right}.`;
    case 'boxRetention':
      return finding.left.kind === null ? `${left}.` : `Holds ${left} of what the accelerations ask.`;
    case 'liftTipping':
      return `After it the mass centre lies at ${left}; the lift bears it from ${right}.`;
    case 'groundClearance':
      return `Lowest at ${left}; the vehicle's lowest point was ${right}.`;
    case 'helpLost':
      return `The engine gave it; now: ${left}.`;
    case 'keptThere':
      return finding.right.value === null
        ? `Said to be kept: ${left}. Whether it works without the engine, see on the vehicle.`
        : `Said to be kept: ${left}. This vehicle: ${right}.`;
    case 'displaced':
      return finding.right.value === null
        ? `Boxes go to ${left}; what stands there today is not known.`
        : `It stands where the box goes: ${left}.`;
    case 'luggageKept':
      return `${left} left of ${right}.`;
    case 'deadInstruments':
      return finding.left.value === null
        ? 'Nobody has named its dials and what moves them.'
        : `${left} of ${right} dials lose what moved them.`;
    case 'companions':
      return finding.verdict === 'fits' ? 'It is there.' : `${right}: ${left}.`;
    case 'buses':
      if (finding.right.kind === 'ohms')
        return finding.left.value === null
          ? `Which parts end it is not known; two ends of 120 Ω make ${right} across.`
          : `${left} across it; two ends of 120 Ω make ${right}.`;
      return `${left}; ${right} is wanted.`;
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

export const sources = (finding: Finding): string =>
  [...new Set([finding.left.source, finding.right.source])].map((source) => SOURCE_NAME[source]).join(', ');

interface Decided {
  readonly rule: string;
  readonly subject: string;
  readonly decision: string;
}

/** What was gone against, as a sheet names it: a rule of Match and what it is about, or a trap in the order of stages. */
export function overrideText(rule: string, subject: string): { readonly name: string; readonly about: string } {
  const trap = trapOfRule(rule);
  return trap
    ? { name: 'Order of the stages', about: TRAP_WHY[trap] }
    : { name: RULE_NAME[rule as RuleId] ?? rule, about: subject };
}

/** Findings that somebody took all the same: of each the newest word counts. */
export function standingOverrides<D extends Decided>(decisions: readonly D[]): D[] {
  const newest = new Map(decisions.map((one) => [`${one.rule} ${one.subject}`, one]));
  return [...newest.values()].filter(({ decision }) => decision === 'overridden');
}
