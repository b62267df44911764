import type { Finding, FitContext, FitRule, Verdict } from './finding.ts';
import { bayMass } from './rules/bayMass.ts';
import { boxInBay } from './rules/boxInBay.ts';
import { coupling } from './rules/coupling.ts';
import { drivelineTorque } from './rules/drivelineTorque.ts';
import { functionCover } from './rules/functionCover.ts';
import { mountingPoints } from './rules/mountingPoints.ts';
import { newHoles } from './rules/newHoles.ts';
import { axleMass, grossMass } from './rules/plateMasses.ts';
import { voltageWindow } from './rules/voltageWindow.ts';

/** The catalogue of fit rules, in the order they are read. */
const FIT_RULES: readonly FitRule[] = [
  mountingPoints,
  coupling,
  boxInBay,
  bayMass,
  voltageWindow,
  drivelineTorque,
  grossMass,
  axleMass,
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
