import type { Finding, FitContext, FitRule, Verdict } from './finding.ts';
import { bayMass } from './rules/bayMass.ts';
import { boxHolds } from './rules/boxHolds.ts';
import { boxInBay } from './rules/boxInBay.ts';
import { boxRetention } from './rules/boxRetention.ts';
import { boxSafety } from './rules/boxSafety.ts';
import { brakes } from './rules/brakes.ts';
import { buses } from './rules/buses.ts';
import { chargePhases } from './rules/chargePhases.ts';
import { chargeRate } from './rules/chargeRate.ts';
import { commonSlide } from './rules/commonSlide.ts';
import { companions } from './rules/companions.ts';
import { coolant } from './rules/coolant.ts';
import { coupling } from './rules/coupling.ts';
import { deadInstruments } from './rules/deadInstruments.ts';
import { displaced } from './rules/displaced.ts';
import { drivelineTorque } from './rules/drivelineTorque.ts';
import { functionCover } from './rules/functionCover.ts';
import { groundClearance } from './rules/groundClearance.ts';
import { handedness } from './rules/handedness.ts';
import { heatAway } from './rules/heatAway.ts';
import { helpLost } from './rules/helpLost.ts';
import { inletPlace } from './rules/inletPlace.ts';
import { keptThere } from './rules/keptThere.ts';
import { liftTipping } from './rules/liftTipping.ts';
import { linkCurrents } from './rules/linkCurrents.ts';
import { linkVoltage } from './rules/linkVoltage.ts';
import { luggageKept } from './rules/luggageKept.ts';
import { lvBudget } from './rules/lvBudget.ts';
import { mountingPoints } from './rules/mountingPoints.ts';
import { mountLoad } from './rules/mountLoad.ts';
import { movingParts } from './rules/movingParts.ts';
import { newHoles } from './rules/newHoles.ts';
import { ownPrecharge } from './rules/ownPrecharge.ts';
import { packRate } from './rules/packRate.ts';
import { passThroughs } from './rules/passThroughs.ts';
import { axleMass, grossMass } from './rules/plateMasses.ts';
import { revolutions } from './rules/revolutions.ts';
import { satellites } from './rules/satellites.ts';
import { shaftAngles } from './rules/shaftAngles.ts';
import { systemVoltage } from './rules/systemVoltage.ts';
import { takenOut } from './rules/takenOut.ts';
import { usePower } from './rules/usePower.ts';
import { voltageWindow } from './rules/voltageWindow.ts';
import { weightSchool } from './rules/weightSchool.ts';

/** The catalogue of fit rules, in the order they are read. */
const FIT_RULES: readonly FitRule[] = [
  mountingPoints,
  commonSlide,
  coupling,
  shaftAngles,
  boxInBay,
  boxHolds,
  movingParts,
  bayMass,
  boxSafety,
  boxRetention,
  groundClearance,
  voltageWindow,
  systemVoltage,
  lvBudget,
  ownPrecharge,
  packRate,
  chargeRate,
  linkCurrents,
  linkVoltage,
  satellites,
  buses,
  drivelineTorque,
  mountLoad,
  revolutions,
  usePower,
  grossMass,
  axleMass,
  weightSchool,
  brakes,
  handedness,
  liftTipping,
  passThroughs,
  inletPlace,
  chargePhases,
  heatAway,
  coolant,
  helpLost,
  keptThere,
  deadInstruments,
  displaced,
  takenOut,
  luggageKept,
  companions,
  newHoles,
  functionCover,
];

const SEVERITY: Record<Verdict, number> = { doesNotFit: 0, measureFirst: 1, afterWork: 2, fits: 3 };

/** All findings, worst first, rules in catalogue order within a verdict. */
export function judgeFit(context: FitContext): Finding[] {
  return FIT_RULES.flatMap((rule) => rule.judge(context)).sort((a, b) => SEVERITY[a.verdict] - SEVERITY[b.verdict]);
}

/** The kit's verdict as a whole: its worst finding. */
export function overallVerdict(findings: readonly Finding[]): Verdict {
  return findings.reduce<Verdict>(
    (worst, { verdict }) => (SEVERITY[verdict] < SEVERITY[worst] ? verdict : worst),
    'fits',
  );
}
