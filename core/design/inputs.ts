import type { CurvePoint } from '../drive/motorCurve.ts';
import type { ShaftChoice } from '../drive/shafts.ts';
import type { LvLoad } from '../lowvoltage/loads.ts';
import type { PackWiring } from '../pack/compose.ts';
import type { BoxHold, HoldingG } from '../pack/holding.ts';

/** One battery box of a design: which bay, how many modules, and how far it is shifted from the middle of the bay. */
export interface BoxChoice {
  readonly bay: string;
  readonly modules: number;
  /** Fore (−) or aft (+), mm. */
  readonly shiftMm: number;
  /** Left (−) or right (+), mm. @default 0 */
  readonly shiftYMm?: number;
  /** Down (−) or up (+) from the floor of the bay, mm. @default 0 */
  readonly shiftZMm?: number;
  /** Modules of another kind than the pack's; null: the pack's. @default null */
  readonly moduleId?: string | null;
  /** Modules in parallel inside this box; null: as many as the pack has strings. @default null */
  readonly parallel?: number | null;
  /** Which of two packs it belongs to. @default 1 */
  readonly pack?: 1 | 2;
  /** What holds it to the vehicle; null: nobody has said. @default null */
  readonly hold?: BoxHold | null;
}

/** A further component of a design; without a place it sits where the engine was. */
export interface OtherChoice {
  readonly componentId: string;
  readonly quantity: number;
  readonly xMm: number | null;
  /** Right of the middle, mm. @default null (in the middle) */
  readonly yMm?: number | null;
}

/** A mass put in (positive) or taken out (negative) that is no component: a seat, a freezer, the spare wheel. */
export interface ItemChoice {
  readonly name: string;
  readonly massKg: number;
  readonly xMm: number;
  readonly yMm: number;
}

/** What may be chosen about the way from motor to road; every field has its default in `DRIVE_DEFAULTS`. */
export interface DriveChoice {
  /** Motors on one shaft. */
  readonly motors: 1 | 2;
  /** Single reduction in place of the unit's own, motor turns per output turn; null: its own. */
  readonly reduction: number | null;
  /** Change gear while driving, where a gearbox is kept. */
  readonly shifting: boolean;
  readonly shiftTimeS: number;
  /** Low ratio of the transfer case engaged. */
  readonly transferLow: boolean;
  /** Software cap on the motor's power, W; null for none. */
  readonly powerCapW: number | null;
  /** Efficiency of motor and inverter measured or stated elsewhere, 0..1; null: the sheet's. */
  readonly efficiency: number | null;
  /** Torque–speed curve measured or stated elsewhere; null: the sheet's. */
  readonly curve: readonly CurvePoint[] | null;
  /** Share of braking that goes through the motor, 0..1. */
  readonly regenShare: number;
  /** Most power put back, W; null: two fifths of the drive's peak power. */
  readonly regenPowerW: number | null;
  /** State of charge above which nothing is put back, 0..1. */
  readonly regenCeiling: number;
  /** Drive modes of the vehicle that will be locked out, by key. */
  readonly forbiddenModes: readonly string[];
  /** Shafts as they would lie, with their angles to be judged. */
  readonly shafts: readonly ShaftChoice[];
}

export const DRIVE_DEFAULTS: DriveChoice = {
  motors: 1,
  reduction: null,
  shifting: false,
  shiftTimeS: 0.8,
  transferLow: false,
  powerCapW: null,
  efficiency: null,
  curve: null,
  regenShare: 0.5,
  regenPowerW: null,
  regenCeiling: 0.95,
  forbiddenModes: [],
  shafts: [],
};

/** Choices about the high-voltage and low-voltage side; defaults in `ELECTRIC_DEFAULTS`. */
export interface ElectricChoice {
  /** Time the link may take to fill, s. */
  readonly prechargeS: number;
  /** Share of the pack voltage reached in that time, 0..1. */
  readonly prechargeShare: number;
  /** Plus and minus conductor from pack to inverter, one way, m. */
  readonly cableLengthM: number;
  /** Permissible voltage drop as a share of nominal, 0..1. */
  readonly cableDrop: number;
  /** Conductor temperature the drop is worked out at, °C. */
  readonly cableC: number;
  /** Bend radius over outside diameter. */
  readonly bendFactor: number;
  /** What a cable carries steadily where it will lie, A by component id; the sheet's where none is given. */
  readonly ampacity: Readonly<Record<string, number>>;
  /** Low-voltage loads; null: the usual list. */
  readonly lvLoads: readonly LvLoad[] | null;
}

export const ELECTRIC_DEFAULTS: ElectricChoice = {
  prechargeS: 1,
  prechargeShare: 0.95,
  cableLengthM: 4,
  cableDrop: 0.015,
  cableC: 60,
  bendFactor: 5,
  ampacity: {},
  lvLoads: null,
};

/** Format of what is stored; `upgrade.ts` reads every one that ever was. */
export const DESIGN_FORMAT = 1;

/** What a person chooses in a design. Stored as it is; figures are computed from it, never stored. */
export interface DesignInputs {
  readonly format: typeof DESIGN_FORMAT;
  readonly moduleId: string | null;
  /** Capacity measured on the modules, Ah; null: the sheet's. @default null */
  readonly measuredAh?: number | null;
  /** Resistance of the whole pack as measured, at 20 °C, Ω; null: by the sheets. @default null */
  readonly measuredOhm?: number | null;
  readonly strings: number;
  /** One pack, or two in series or in parallel. @default 'one' */
  readonly packs?: PackWiring;
  /** @default 'air' */
  readonly packCooling?: 'air' | 'liquid';
  readonly boxes: readonly BoxChoice[];
  /** Accelerations the boxes are held against, in g. @default USUAL_HOLDING_G */
  readonly holdingG?: HoldingG;
  /** Room wanted all round a box, mm. @default STATIC_CLEARANCE_MM */
  readonly clearanceMm?: number;
  readonly usableShare: number;
  readonly driveId: string | null;
  readonly inverterId: string | null;
  readonly gear: number | null;
  readonly torqueCapNm: number | null;
  readonly drive?: Partial<DriveChoice>;
  readonly chargerId: string | null;
  readonly inletId: string | null;
  /** Most DC power the vehicle takes, W; null: what the pack takes. @default null */
  readonly dcMaxW?: number | null;
  readonly electric?: Partial<ElectricChoice>;
  readonly others: readonly OtherChoice[];
  readonly items?: readonly ItemChoice[];
}

export const EMPTY_DESIGN: DesignInputs = {
  format: DESIGN_FORMAT,
  moduleId: null,
  strings: 1,
  boxes: [],
  usableShare: 0.9,
  driveId: null,
  inverterId: null,
  gear: null,
  torqueCapNm: null,
  chargerId: null,
  inletId: null,
  others: [],
};

export const driveChoice = (inputs: DesignInputs): DriveChoice => ({ ...DRIVE_DEFAULTS, ...inputs.drive });
export const electricChoice = (inputs: DesignInputs): ElectricChoice => ({ ...ELECTRIC_DEFAULTS, ...inputs.electric });

/** Every component a design names, with how many of each: modules counted over all boxes, each kind by itself. */
export function designComponents(inputs: DesignInputs): { componentId: string; quantity: number }[] {
  const modules = new Map<string, number>();
  for (const box of inputs.boxes) {
    const id = box.moduleId ?? inputs.moduleId;
    if (id && box.modules > 0) modules.set(id, (modules.get(id) ?? 0) + box.modules);
  }
  const { motors } = driveChoice(inputs);
  const single = [
    [inputs.driveId, motors],
    [inputs.inverterId, motors],
    [inputs.chargerId, 1],
    [inputs.inletId, 1],
  ] as const;
  return [
    ...[...modules].map(([componentId, quantity]) => ({ componentId, quantity })),
    ...single.flatMap(([componentId, quantity]) => (componentId === null ? [] : [{ componentId, quantity }])),
    ...inputs.others.map(({ componentId, quantity }) => ({ componentId, quantity })),
  ];
}
