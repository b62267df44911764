import type { MassItem } from '../balance/axleLoads.ts';
import type { RangeClaim } from '../brief/rangeClaims.ts';
import type { Supply } from '../charge/acPower.ts';
import type { CostInputs } from '../charge/runningCost.ts';
import type { Component, ComponentOf } from '../component/sheets.ts';
import type { DriveChoice, ElectricChoice } from '../design/inputs.ts';
import type { SaleTerms } from '../money/salePrice.ts';
import type { Size } from '../pack/arrange.ts';
import type { PackWiring } from '../pack/compose.ts';
import type { BoxHold, HoldingG } from '../pack/holding.ts';
import type { WorkCalendar } from '../practice/workingDays.ts';
import type { Route } from '../road/route.ts';
import type { StatedRound } from '../road/statedRound.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { Bay } from '../vehicle/variant.ts';

/** A battery box standing in a bay, with the outside it needs and where its middle is. */
export interface PlacedBox {
  readonly bay: Bay;
  readonly modules: number;
  /** What is in it; null while no module is chosen. */
  readonly module: ComponentOf<'module'> | null;
  /** Modules in parallel inside the box. */
  readonly parallel: number;
  readonly pack: 1 | 2;
  /** Outside; null when this many modules do not go into the bay. */
  readonly outer: Size | null;
  /** Most modules of this kind the bay could take. */
  readonly most: number;
  readonly massKg: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  /** What holds it; null while nobody has said. */
  readonly hold: BoxHold | null;
}

/** A supply the client can plug in at, by the name he gives it. */
export interface NamedSupply extends Supply {
  readonly name: string;
}

/** Runs at full throttle, one after another: a hill, a strip. */
export interface RunsUse {
  readonly distanceM: number;
  /** Rest between two of them, s. */
  readonly restS: number;
  /** Air that flows through the pack, m³/h. */
  readonly airM3h: number;
}

/** A trailer on the tow ball. */
export interface Trailer {
  /** Laden, all of it, kg. */
  readonly massKg: number;
  /** What of it rests on the ball, kg. */
  readonly ballKg: number;
  /** Drag area it adds behind the vehicle, m². */
  readonly dragAreaM2: number;
}

/** How the client will use the vehicle; one for all designs of a job, so that they compare. */
export interface VehicleUse {
  readonly round: StatedRound | null;
  /** The round as the client tells it. @default '' */
  readonly roundWords?: string;
  readonly constantKmh: number;
  readonly payloadKg: number;
  /** @default null */
  readonly runs?: RunsUse | null;
  /** @default null */
  readonly trailer?: Trailer | null;
  readonly ambientC: number;
  readonly altitudeM: number;
  readonly headwindMs: number;
  readonly auxiliaryW: number;
  readonly heaterW: number;
  /** Heated seats, W. @default 0 */
  readonly seatsW?: number;
  readonly supply: Supply;
  /** Further supplies the client has. @default [] */
  readonly otherSupplies?: readonly NamedSupply[];
  /** What a rapid charging post nearby gives, W; null: none. @default null */
  readonly dcPostW?: number | null;
  /** Amperes of that post and its cable; null: not known, its power at 400 V. @default null */
  readonly dcPostA?: number | null;
  /** Hour of the day at which the vehicle comes home empty. @default 18 */
  readonly homeAtH?: number;
  /** @default USUAL_COST */
  readonly cost?: CostInputs;
  /** Ranges that others claim, kept side by side. @default [] */
  readonly rangeClaims?: readonly RangeClaim[];
}

/** Components that a panel may name to be fitted, whether or not the design has them. */
export interface Shelf {
  readonly cables: readonly ComponentOf<'cable'>[];
  readonly fuses: readonly ComponentOf<'fuse'>[];
  readonly resistors: readonly ComponentOf<'resistor'>[];
  readonly radiators: readonly ComponentOf<'radiator'>[];
  readonly pumps: readonly ComponentOf<'coolantPump'>[];
  readonly heaters: readonly ComponentOf<'heater'>[];
  readonly converters: readonly ComponentOf<'dcdc'>[];
}

/** Wishes of the brief that decide within a figure which of several ways is the right one. */
export interface Wishes {
  /** Grade to start on, laden, rise ÷ run; null: none named. */
  readonly startGrade: number | null;
  /** Speed to be held, km/h; null: none named. */
  readonly speedKmh: number | null;
}

export const NO_WISHES: Wishes = { startGrade: null, speedKmh: null };

/** The inputs of one design, in slots: an entry that reads one slot is left alone when another changes. */
export interface Slots {
  readonly vehicle: VehicleState;
  readonly pack: {
    readonly module: ComponentOf<'module'> | null;
    readonly measuredAh: number | null;
    /** Resistance of the whole pack at 20 °C, Ω; null: by the sheets. */
    readonly measuredOhm: number | null;
    readonly wiring: PackWiring;
    readonly boxes: readonly PlacedBox[];
    readonly satelliteChannels: number;
    /** Usable share of the pack's energy, 0..1. */
    readonly usableShare: number;
    readonly cooling: 'air' | 'liquid';
    readonly holdingG: HoldingG;
    /** Room wanted all round a box, mm. */
    readonly clearanceMm: number;
  };
  readonly drive: DriveChoice & {
    readonly unit: ComponentOf<'drive'> | null;
    readonly inverter: ComponentOf<'inverter'> | null;
    /** Gear left engaged, 1-based; null with a single reduction. */
    readonly gear: number | null;
    /** Software limits; null for none. */
    readonly torqueCapNm: number | null;
  };
  readonly charge: {
    readonly charger: ComponentOf<'charger'> | ComponentOf<'combinedUnit'> | null;
    readonly inletAmps: number | null;
    readonly inletPhases: 1 | 3 | null;
    /** The inlet has DC contacts. */
    readonly inletDc: boolean;
    /** What they carry, A; null where the sheet does not say. */
    readonly inletDcA: number | null;
    readonly dcMaxW: number | null;
  };
  readonly electric: ElectricChoice & {
    readonly heater: ComponentOf<'heater'> | null;
    readonly converter: ComponentOf<'dcdc'> | ComponentOf<'combinedUnit'> | null;
    readonly lvBattery: ComponentOf<'lvBattery'> | null;
    /** How many of them, side by side. */
    readonly lvBatteries: number;
    /** What carries the traction current, where the design names it. */
    readonly contactorBox: ComponentOf<'contactorBox'> | null;
    readonly cable: ComponentOf<'cable'> | null;
    readonly fuse: ComponentOf<'fuse'> | null;
    /** Everything of the design on the high-voltage side that has a voltage window. */
    readonly windowed: readonly Component[];
    /** Mounting points the design's cradle picks up, by key. */
    readonly cradlePoints: readonly string[];
  };
  readonly use: VehicleUse;
  /** What the brief asks that a figure has to know. */
  readonly wishes: Wishes;
  readonly route: Route | null;
  readonly shelf: Shelf;
  /** Everything added besides the battery boxes. */
  readonly added: readonly MassItem[];
  readonly kit: {
    readonly newHoles: number | null;
    /** Holes, cuts, welds and narrowings on the vehicle's register that are still there. @default 0 */
    readonly registered?: number;
  };
  readonly work: {
    readonly partsCents: number | null;
    /** What the kit's boxes cost: no design names them, and they are bought all the same. @default 0 */
    readonly boxCents?: number;
    /** Longest lead time of what the design names and the stores do not have, days. */
    readonly leadDays: number | null;
    readonly labourHours: number | null;
    readonly rateCents: number;
    /** What these hours are sold for, each by its skill. @default labourHours × rateCents */
    readonly labourCents?: number | null;
    /** An hour of some skills, where it is not the usual one. @default {} */
    readonly ratesBySkill?: Readonly<Record<string, number>>;
    /** @default COST_ONLY */
    readonly sale?: SaleTerms;
    readonly todayDay: number;
    /** Day the last outstanding part is due; null when nothing is awaited. */
    readonly latestPartDay: number | null;
    readonly remainingHours: number | null;
    /** What the plan of all jobs says; null where it does not plan this one. @default null */
    readonly planned?: Planned | null;
    /** Person-hours a day that usually go into one vehicle. */
    readonly hoursPerDay: number;
    /** @default USUAL_CALENDAR */
    readonly calendar?: WorkCalendar;
  };
}

/** What a bench knows about the work from outside the design. */
export type WorkOutside = Omit<Slots['work'], 'partsCents' | 'leadDays'>;

/** The day by the plan of all jobs, with what it reckoned with. */
export interface Planned {
  /** Null: something of it cannot be planned, as things are. */
  readonly readyDay: number | null;
  /** Person-hours and the last awaited part that it reckoned with. */
  readonly hours: number | null;
  readonly partDay: number | null;
}
