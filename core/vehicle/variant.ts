import type { Sourced } from '../quantity/sourced.ts';
import type { VehicleFigureId } from './vehicleFigures.ts';

/** All positions: x rearwards from the front axle line, y to the right of the middle, z up from the ground; mm. */
export interface Position {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

export interface MountingPoint extends Position {
  /** What cradles go by; the name may change. */
  readonly key: string;
  readonly name: string;
  readonly thread: string;
  /** What used to hang there. */
  readonly usedFor: string;
  readonly loadN: number;
  readonly source: Sourced['source'];
}

/** Space a box can go: envelope length (along the vehicle) × width × height about its centre. */
export interface Bay extends Position {
  /** What designs, boxes and kits go by; the name may change. */
  readonly key: string;
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly maxMassKg: number;
  readonly inside: boolean;
  readonly access: string;
  readonly source: Sourced['source'];
}

export interface PassThrough {
  readonly name: string;
  readonly diameterMm: number;
  readonly from: string;
  readonly to: string;
  readonly usedFor: string;
}

/** A hole the body has, where an inlet or a lead may go. */
export interface Opening extends Position {
  readonly name: string;
  readonly diameterMm: number;
  readonly usedFor: string;
}

/** What makes an instrument move: without its source of motion it shows nothing once the engine is gone. */
export const INSTRUMENT_DRIVES = ['cable', 'pulse', 'resistance', 'voltage', 'pressure', 'none'] as const;
export interface Instrument {
  readonly name: string;
  readonly drivenBy: (typeof INSTRUMENT_DRIVES)[number];
  /** Where it takes that from: "gearbox output", "alternator". */
  readonly from: string;
}

export interface RemovedItem {
  readonly name: string;
  readonly massKg: number;
  readonly xMm: number;
  /** Right of the middle, mm. @default 0 */
  readonly yMm?: number;
}

export interface DrivelinePart {
  readonly part: string;
  readonly limitNm: number;
  /** Which reductions lie between the motor shaft and this part. */
  readonly after: 'motor' | 'gearbox' | 'final' | 'hub';
  /** The axle it belongs to, where torque divides before it; without it all torque passes. */
  readonly axle?: 'front' | 'rear';
  /** The limit is of one of two: an open differential gives each half. @default false */
  readonly oneOfTwo?: boolean;
  /** Whether it stands that for a moment or for good. @default 'moment' */
  readonly lasts?: 'moment' | 'good';
  /**
   * It is known by power alone ("good for 450 kW"), W: that says nothing of torque until a speed is stated, so it is to be
   * measured first and limits nothing until then.
   */
  readonly powerOnlyW?: number;
}

/** A way the driver can choose for torque to reach the road. */
export interface DriveMode {
  readonly key: string;
  readonly name: string;
  /** Share of the torque that each axle can get; a locked case may give all of it to the axle that grips: 1 and 1. */
  readonly frontShare: number;
  readonly rearShare: number;
}

export interface Gearbox {
  /** Forward gear ratios, first gear first; empty when the vehicle keeps no gearbox. */
  readonly ratios: readonly number[];
  readonly finalDrive: number;
  /** Transfer case ratio in road use; 1 where there is none. */
  readonly transfer: number;
  /** Its low ratio, where it has one. */
  readonly transferLow?: number;
  /** Hub reduction; 1 where there is none. */
  readonly hub: number;
  /** Input shaft from clutch or motor. */
  readonly spline: string;
  /** Inner half shaft or propeller-shaft flange, where a drive without the gearbox couples. */
  readonly shaftSpline: string;
  readonly boltPattern: string;
}

/** Proportions that the drawing module needs beyond the plain dimensions. */
export interface BodyShape {
  readonly style: 'van' | 'bus' | 'lorry' | 'fourByFour' | 'tug' | 'open';
  readonly frontOverhangMm: number;
  readonly bonnetMm: number;
  readonly bonnetHeightMm: number;
  readonly screenRunMm: number;
  /** Where the cab ends, from the bumper; the full length for one-box bodies. */
  readonly cabEndMm: number;
}

/** A damper, an arm, a steering rod: the room it takes at rest, and how far it goes down and up from there. */
export interface MovingPart extends Position {
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly droopMm: number;
  readonly bumpMm: number;
}

/** A place for luggage, as its maker left it. */
export interface LuggagePlace {
  readonly name: string;
  readonly litres: number;
  /** The bay whose box takes from it, by key; none: nothing the conversion brings does. */
  readonly bay?: string;
}

/** Something of the maker's that stands in a bay, and has to go elsewhere when a box does. */
export interface Displaced {
  readonly name: string;
  /** By key. */
  readonly bay: string;
  /** An inflator can take its place. @default false */
  readonly spareWheel?: boolean;
}

export interface Variant {
  readonly id: string;
  /** Of the stored row, for who edits it. @default 1 */
  readonly version?: number;
  readonly makerName: string;
  readonly modelName: string;
  readonly name: string;
  readonly yearFrom: number;
  readonly yearTo: number;
  readonly layout: 'front' | 'mid' | 'rear';
  readonly drivenAxle: 'front' | 'rear' | 'both';
  readonly cooling: 'radiator' | 'air';
  readonly brakeServo: 'none' | 'engineVacuum' | 'other';
  readonly steering: 'manual' | 'enginePump';
  readonly systemVoltage: 12 | 24;
  readonly tyre: string;
  /** Where a lift bears it, mm behind the front axle line; absent: as usual. */
  readonly liftPads?: { readonly frontMm: number; readonly rearMm: number };
  /** How far a driven wheel goes down from rest to full droop and up to full bump, mm; absent: nobody has measured it. */
  readonly travel?: { readonly droopMm: number; readonly bumpMm: number };
  /** What it may tow and bear on the ball, kg, by its plate or papers; absent: not known. */
  readonly towing?: { readonly massKg: number; readonly ballKg: number };
  /** Which side is driven from; what sits beside the steering column changes with it. Absent: not known. */
  readonly steeringSide?: 'left' | 'right';
  /** Front share of the braking as built, 0..1, below what any valve changes; absent: not known. */
  readonly frontBrakeShare?: number;
  readonly shape: BodyShape;
  readonly figures: Readonly<Record<VehicleFigureId, Sourced>>;
  readonly gearbox: Gearbox;
  readonly driveline: readonly DrivelinePart[];
  /** Ways to drive that the vehicle has; one that drives its axle where it has none named. @default [] */
  readonly driveModes?: readonly DriveMode[];
  readonly removed: readonly RemovedItem[];
  readonly mountingPoints: readonly MountingPoint[];
  readonly bays: readonly Bay[];
  readonly passThroughs: readonly PassThrough[];
  /** @default [] */
  readonly openings?: readonly Opening[];
  /** @default [] */
  readonly instruments?: readonly Instrument[];
  /** What moves with the suspension beside boxes and drive. Absent: nobody has said. */
  readonly moving?: readonly MovingPart[];
  /** Where luggage goes. Absent: nobody has said. */
  readonly luggage?: readonly LuggagePlace[];
  /** What stands in the bays today. Absent: nobody has said. */
  readonly displaced?: readonly Displaced[];
}
