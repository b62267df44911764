import type { Library } from '../design/resolve.ts';
import type { WorkOutside } from '../figures/slots.ts';
import { USUAL_USE } from '../job/usualUse.ts';
import type { KitRevision } from '../kit/kit.ts';
import type { Sourced } from '../quantity/sourced.ts';
import { rootOf } from '../vehicle/revisions.ts';
import { type VehicleState, vehicleState, type Weighing } from '../vehicle/state.ts';
import type { Variant } from '../vehicle/variant.ts';
import type { VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import type { Finding, RuleId, Verdict } from './finding.ts';
import { fitKit } from './fitKit.ts';
import type { Reached } from './widen.ts';

/** A client's vehicle: whose, of which variant, and what was measured on it. */
export interface KnownVehicle {
  readonly id: string;
  readonly clientId: string;
  readonly variantId: string;
  readonly measured: Partial<Record<VehicleFigureId, Sourced>>;
  readonly weighing: Weighing | null;
}

/** What the rules say of a kit on a vehicle. */
export interface Judged {
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  /** Those that make it so, by rule. */
  readonly rules: readonly RuleId[];
}

/** A variant, what the rules say of the kit on it, and each vehicle there is of it by what is known of itself. */
export interface WouldFitRow extends Judged, Reached<Variant> {
  readonly theirs: readonly { readonly vehicle: KnownVehicle; readonly judged: Judged; readonly waits: boolean }[];
}

export interface WouldFitInput {
  readonly revision: KitRevision;
  readonly library: Library;
  /** The newest of each, in the order the rows come in. */
  readonly variants: readonly Variant[];
  /** All revisions that vehicles stand on; what is not there is judged by the newest. */
  readonly all: ReadonlyMap<string, Variant>;
  readonly vehicles: readonly KnownVehicle[];
  /** Clients who wait for the kit. */
  readonly waiting: ReadonlySet<string>;
  readonly work: Omit<WorkOutside, 'labourHours'>;
}

/**
 * A kit without options against every variant as the library has it, and against every client's vehicle as it is known: one
 * that has been weighed or measured is judged by that, the others as their variant.
 */
export function wouldFit({ revision, library, variants, all, vehicles, waiting, work }: WouldFitInput): WouldFitRow[] {
  const judge = (vehicle: VehicleState): Judged => {
    const { verdict, findings } = fitKit({
      ...{ revision, options: [], library, vehicle, use: USUAL_USE, work, cover: {}, brief: [] },
    });
    const worst = findings.filter((one) => one.verdict === verdict).map(({ rule }) => rule);
    return { verdict, findings, rules: [...new Set(worst)] };
  };
  return variants.map((variant) => {
    const of = judge(vehicleState(variant, {}, null));
    const theirs = vehicles
      .filter(({ variantId }) => rootOf(variantId) === rootOf(variant.id))
      .map((vehicle) => {
        const own = all.get(vehicle.variantId) ?? variant;
        const alike = own.id === variant.id && vehicle.weighing === null && Object.keys(vehicle.measured).length === 0;
        const judged = alike ? of : judge(vehicleState(own, vehicle.measured, vehicle.weighing));
        return { vehicle, judged, waits: waiting.has(vehicle.clientId) };
      });
    return {
      ...of,
      of: variant,
      theirs,
      vehicles: theirs.length,
      waiting: theirs.filter(({ waits }) => waits).length,
    };
  });
}
