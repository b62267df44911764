import type { MassItem } from '../balance/axleLoads.ts';
import type { Supply } from '../charge/acPower.ts';
import type { ComponentOf } from '../component/sheets.ts';
import type { Size } from '../pack/arrange.ts';
import type { StatedRound } from '../road/statedRound.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { Bay } from '../vehicle/variant.ts';

/** A battery box standing in a bay, with the outside it needs and where its middle is. */
export interface PlacedBox {
  readonly bay: Bay;
  readonly modules: number;
  /** Outside; null when this many modules do not go into the bay. */
  readonly outer: Size | null;
  /** Most modules of this kind the bay could take. */
  readonly most: number;
  readonly massKg: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

/** How the client will use the vehicle; one for all designs of a job, so that they compare. */
export interface VehicleUse {
  readonly round: StatedRound | null;
  readonly constantKmh: number;
  readonly payloadKg: number;
  readonly ambientC: number;
  readonly altitudeM: number;
  readonly headwindMs: number;
  readonly auxiliaryW: number;
  readonly heaterW: number;
  readonly supply: Supply;
}

/** The inputs of one design, in slots: an entry that reads one slot is left alone when another changes. */
export interface Slots {
  readonly vehicle: VehicleState;
  readonly pack: {
    readonly module: ComponentOf<'module'> | null;
    readonly strings: number;
    readonly boxes: readonly PlacedBox[];
    readonly satelliteChannels: number;
    /** Usable share of the pack's energy, 0..1. */
    readonly usableShare: number;
  };
  readonly drive: {
    readonly unit: ComponentOf<'drive'> | null;
    /** Gear left engaged, 1-based; null with a single reduction. */
    readonly gear: number | null;
    /** Software limits; null for none. */
    readonly torqueCapNm: number | null;
  };
  readonly charge: {
    readonly charger: ComponentOf<'charger'> | ComponentOf<'combinedUnit'> | null;
    readonly inletAmps: number | null;
  };
  readonly use: VehicleUse;
  /** Everything added besides the battery boxes. */
  readonly added: readonly MassItem[];
  readonly kit: { readonly newHoles: number | null };
  readonly work: {
    readonly partsCents: number | null;
    readonly labourHours: number | null;
    readonly rateCents: number;
    readonly todayDay: number;
    /** Day the last outstanding part is due; null when nothing is awaited. */
    readonly latestPartDay: number | null;
    readonly remainingHours: number | null;
    /** Person-hours a day that usually go into one vehicle. */
    readonly hoursPerDay: number;
  };
}
