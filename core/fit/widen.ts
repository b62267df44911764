import type { Finding, RuleId, Verdict } from './finding.ts';

/** What of a kit would have to be another for a rule to be met. */
export const CHANGES = ['cradle', 'boxes', 'fewerModules', 'coupling', 'electric', 'cables', 'drive', 'rest'] as const;
export type KitPartToChange = (typeof CHANGES)[number];

/** Findings that have one cause are cured by one change: holes are drilled because the cradle meets no point. */
const CHANGE_OF: Readonly<Record<RuleId, KitPartToChange>> = {
  mountingPoints: 'cradle',
  commonSlide: 'cradle',
  newHoles: 'cradle',
  movingParts: 'cradle',
  boxInBay: 'boxes',
  boxSafety: 'boxes',
  boxRetention: 'boxes',
  groundClearance: 'boxes',
  bayMass: 'fewerModules',
  grossMass: 'fewerModules',
  axleMass: 'fewerModules',
  liftTipping: 'fewerModules',
  coupling: 'coupling',
  shaftAngles: 'cradle',
  lvBudget: 'electric',
  chargePhases: 'electric',
  drivelineTorque: 'drive',
  voltageWindow: 'electric',
  ownPrecharge: 'electric',
  linkCurrents: 'electric',
  packRate: 'electric',
  satellites: 'electric',
  systemVoltage: 'electric',
  buses: 'electric',
  passThroughs: 'cables',
  inletPlace: 'cables',
  heatAway: 'rest',
  handedness: 'rest',
  helpLost: 'rest',
  keptThere: 'rest',
  displaced: 'boxes',
  luggageKept: 'boxes',
  deadInstruments: 'rest',
  boxHolds: 'boxes',
  brakes: 'rest',
  chargeRate: 'electric',
  coolant: 'rest',
  linkVoltage: 'electric',
  mountLoad: 'cradle',
  revolutions: 'drive',
  usePower: 'drive',
  weightSchool: 'fewerModules',
  takenOut: 'rest',
  companions: 'rest',
  functionCover: 'rest',
};

/** A vehicle, or many alike, and what the rules say of the kit there. */
export interface Reached<V> {
  readonly of: V;
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  /** How many clients' vehicles of this kind there are, and how many of their owners wait for the kit. */
  readonly vehicles: number;
  readonly waiting: number;
}
export interface Widening<V> {
  readonly change: KitPartToChange;
  /** What would take the kit with this one change. */
  readonly opens: readonly V[];
  readonly vehicles: number;
  readonly waiting: number;
}

/**
 * The single change of a kit that would widen it most: of those vehicles it does not fit now, which have all their
 * misfits in one part of it. By clients who wait, then clients' vehicles, then variants.
 *
 * @returns null where no single change opens anything
 */
export function widestChange<V>(reached: readonly Reached<V>[]): Widening<V> | null {
  const ways = CHANGES.map((change): Widening<V> => {
    const opened = reached.filter(({ verdict, findings }) => {
      const misfits = findings.filter((one) => one.verdict === 'doesNotFit');
      return verdict === 'doesNotFit' && misfits.every(({ rule }) => CHANGE_OF[rule] === change);
    });
    return {
      change,
      opens: opened.map(({ of }) => of),
      vehicles: opened.reduce((sum, { vehicles }) => sum + vehicles, 0),
      waiting: opened.reduce((sum, { waiting }) => sum + waiting, 0),
    };
  });
  const [best] = ways.sort(
    (a, b) => b.waiting - a.waiting || b.vehicles - a.vehicles || b.opens.length - a.opens.length,
  ) as [Widening<V>];
  return best.opens.length > 0 ? best : null;
}
