import { MASS_MOVES } from '../balance/liftStages.ts';
import type { Component } from '../component/sheets.ts';
import type { DesignInputs } from '../design/inputs.ts';
import { EMPTY_DESIGN } from '../design/inputs.ts';
import type { Library } from '../design/resolve.ts';
import type { QuantityKind } from '../quantity/kinds.ts';
import { rootOf } from '../vehicle/revisions.ts';

export interface KitLine {
  readonly componentId: string;
  readonly quantity: number;
  /** Crate of the kit it is packed in. */
  readonly packedIn: string;
  /** Only for these variants or with this option; null means always. */
  readonly appliesWhen: {
    readonly variantIds?: readonly string[];
    readonly option?: string;
    readonly without?: string;
  } | null;
}

export interface KitOption {
  readonly id: string;
  readonly name: string;
}

/** Limits of a measured step, in the base unit of its kind; either side may be open. */
export interface StepLimit {
  readonly min: number | null;
  readonly max: number | null;
  readonly kind: QuantityKind;
}

export interface StepTemplate {
  readonly text: string;
  readonly note: string;
  readonly limit: StepLimit | null;
}

/**
 * What a stage is to the rest of Dajo, whatever it is called: a caution stands beside one on the lift, the vehicle is
 * drawn with its boxes once the stage that brings them in is done, and its mass centre moves with what a stage moves.
 */
const STAGE_TRAITS = ['onLift', 'boxesIn', ...MASS_MOVES] as const;
export type StageTrait = (typeof STAGE_TRAITS)[number];

export interface StageTemplate {
  readonly key: string;
  readonly name: string;
  readonly traits: readonly StageTrait[];
  readonly after: readonly string[];
  readonly hours: number;
  /** Whose hours they are: what they are sold for, and later who can do them. @default any */
  readonly skill?: string;
  readonly people: number;
  /** Live high-voltage work: an authorised person and a second one must be on it. */
  readonly liveHv: boolean;
  readonly needs: string;
  readonly note: string;
  readonly steps: readonly StepTemplate[];
}

/** How a function of the vehicle is covered when no component of the kit does it. */
export const COVER_WAYS = ['kept', 'made', 'local', 'client', 'notNeeded'] as const;
export type CoverWay = (typeof COVER_WAYS)[number];
export interface CoverChoice {
  readonly way: CoverWay;
  readonly why: string;
}

/** One revision of a kit, as stored. A released revision never changes. */
export interface KitRevision {
  readonly id: string;
  readonly kitId: string;
  readonly kitName: string;
  readonly modelName: string;
  readonly revision: string;
  readonly state: 'draft' | 'released' | 'withdrawn';
  readonly lines: readonly KitLine[];
  readonly options: readonly KitOption[];
  readonly layout: {
    readonly boxes: readonly { readonly bay: string; readonly modules: number }[];
    readonly strings: number;
  };
  readonly torqueCapNm: number | null;
  readonly gear: number | null;
  readonly cover: Readonly<Record<string, CoverChoice>>;
  readonly exclusions: readonly string[];
  readonly stages: readonly StageTemplate[];
}

export interface KitPart {
  readonly component: Component;
  readonly quantity: number;
  readonly packedIn: string;
}

/** Lines of a revision that apply to this variant with these options, with their components. */
export function kitParts(
  revision: KitRevision,
  library: Library,
  variantId: string,
  options: readonly string[],
): KitPart[] {
  return revision.lines.flatMap((line) => {
    const when = line.appliesWhen;
    const applies =
      !when ||
      ((!when.variantIds || when.variantIds.includes(rootOf(variantId))) &&
        (!when.option || options.includes(when.option)) &&
        !(when.without && options.includes(when.without)));
    const component = library.get(line.componentId);
    return applies && component ? [{ component, quantity: line.quantity, packedIn: line.packedIn }] : [];
  });
}

/** The design a kit makes on a variant: its modules, drive, charger, and every other line with its mass. */
export function kitDesign(revision: KitRevision, parts: readonly KitPart[]): DesignInputs {
  const first = (...kinds: Component['kind'][]) =>
    parts.find((part) => kinds.includes(part.component.kind))?.component.id ?? null;
  const moduleId = first('module');
  const driveId = first('drive');
  const inverterId = first('inverter');
  const chargerId = first('combinedUnit', 'charger');
  const inletId = first('inlet');
  const named = new Set([moduleId, driveId, inverterId, chargerId, inletId]);
  return {
    ...EMPTY_DESIGN,
    moduleId,
    driveId,
    inverterId,
    chargerId,
    inletId,
    strings: revision.layout.strings,
    boxes: revision.layout.boxes.map((box) => ({ ...box, shiftMm: 0 })),
    gear: revision.gear,
    torqueCapNm: revision.torqueCapNm,
    others: parts
      .filter(({ component }) => !named.has(component.id) && component.kind !== 'box')
      .map(({ component, quantity }) => ({ componentId: component.id, quantity, xMm: null })),
  };
}

/** Planned person-hours of all stages. */
export function kitHours(revision: KitRevision): number {
  return revision.stages.reduce((sum, stage) => sum + stage.hours, 0);
}
