import { MASS_MOVES } from '../balance/liftStages.ts';
import type { Component } from '../component/sheets.ts';
import type { DesignInputs } from '../design/inputs.ts';
import { EMPTY_DESIGN } from '../design/inputs.ts';
import type { Library } from '../design/resolve.ts';
import type { BoxHold } from '../pack/holding.ts';
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
  /** Who says so: a drawing, a handbook, a calculation. @default '' */
  readonly source?: string;
}

export interface StepTemplate {
  readonly text: string;
  readonly note: string;
  readonly limit: StepLimit | null;
  /** The kind of tool or instrument it is done or measured with: a reading names which. @default none */
  readonly tool?: string | null;
  /** A second person looks and signs. @default one signs */
  readonly second?: boolean;
  /** Bolts of a flange that are tightened in turn, in passes. @default none */
  readonly bolts?: number | null;
}

/**
 * What a stage is to the rest of Dajo, whatever it is called: a caution stands beside one on the lift, the vehicle is
 * drawn with its boxes once the stage that brings them in is done, its mass centre moves with what a stage moves, and
 * the plan puts it where it has to be: on a lift, in the alignment bay, beside the vehicle, or out of the house.
 */
export const STAGE_TRAITS = ['onLift', 'onAlignment', 'beside', 'away', 'boxesIn', ...MASS_MOVES] as const;
export type StageTrait = (typeof STAGE_TRAITS)[number];

/** How hard a stage is for somebody who has never done it. */
export const DIFFICULTIES = ['plain', 'practised', 'expert'] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];

export interface StageTemplate {
  readonly key: string;
  readonly name: string;
  readonly traits: readonly StageTrait[];
  readonly after: readonly string[];
  readonly hours: number;
  /** Whose hours they are: what they are sold for, and later who can do them. @default any */
  readonly skill?: string;
  readonly people: number;
  /** People who can share its hours. @default as many as it takes */
  readonly mostPeople?: number;
  /** @default plain */
  readonly difficulty?: Difficulty;
  /** Live high-voltage work: an authorised person and a second one must be on it. */
  readonly liveHv: boolean;
  /** Kinds of tools it holds while it lasts. @default none */
  readonly tools?: readonly string[];
  readonly needs: string;
  readonly note: string;
  readonly steps: readonly StepTemplate[];
  /** @default always */
  readonly appliesWhen?: KitLine['appliesWhen'];
}

/** A filled box of a kit, and how far from the middle of its bay it stands. */
export interface KitBox {
  readonly bay: string;
  readonly modules: number;
  /** Rearwards, mm. @default 0 */
  readonly shiftMm?: number;
  /** To the right, mm. @default 0 */
  readonly shiftYMm?: number;
  /** Up from the floor of the bay, mm. @default 0 */
  readonly shiftZMm?: number;
  /** What holds it. @default nobody has said */
  readonly hold?: BoxHold | null;
  /** @default always */
  readonly appliesWhen?: KitLine['appliesWhen'];
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
    readonly boxes: readonly KitBox[];
    readonly strings: number;
  };
  readonly torqueCapNm: number | null;
  readonly gear: number | null;
  readonly cover: Readonly<Record<string, CoverChoice>>;
  readonly exclusions: readonly string[];
  readonly stages: readonly StageTemplate[];
}

/** What a kit holds; its name, model and revision are given beside it. */
export type KitContent = Pick<
  KitRevision,
  'lines' | 'options' | 'layout' | 'torqueCapNm' | 'gear' | 'cover' | 'exclusions' | 'stages'
>;

export interface KitPart {
  readonly component: Component;
  readonly quantity: number;
  readonly packedIn: string;
}

/** Is this so for a variant with these options? All revisions of a variant are one. */
export const applies = (when: KitLine['appliesWhen'] | undefined, variantId: string, options: readonly string[]) =>
  !when ||
  ((!when.variantIds || when.variantIds.some((id) => rootOf(id) === rootOf(variantId))) &&
    (!when.option || options.includes(when.option)) &&
    !(when.without && options.includes(when.without)));

/** Lines of a revision that apply to this variant with these options, with their components. */
export function kitParts(
  revision: Pick<KitRevision, 'lines'>,
  library: Library,
  variantId: string,
  options: readonly string[],
): KitPart[] {
  return revision.lines.flatMap((line) => {
    const component = library.get(line.componentId);
    return component && applies(line.appliesWhen, variantId, options)
      ? [{ component, quantity: line.quantity, packedIn: line.packedIn }]
      : [];
  });
}

/** What the boxes of a kit cost: they hold what a design places, and no design names them. */
export const boxCents = (parts: readonly KitPart[]): number =>
  parts.reduce(
    (sum, { component, quantity }) => (component.kind === 'box' ? sum + component.priceCents * quantity : sum),
    0,
  );

/** The design a kit makes on a variant: its modules, drive, charger, and every other line with its mass. */
export function kitDesign(
  revision: KitRevision,
  parts: readonly KitPart[],
  variantId: string,
  options: readonly string[],
): DesignInputs {
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
    boxes: revision.layout.boxes
      .filter((box) => applies(box.appliesWhen, variantId, options))
      .map(({ appliesWhen: _, ...box }) => ({ ...box, shiftMm: box.shiftMm ?? 0 })),
    gear: revision.gear,
    torqueCapNm: revision.torqueCapNm,
    others: parts
      .filter(({ component }) => !named.has(component.id) && component.kind !== 'box')
      .map(({ component, quantity }) => ({ componentId: component.id, quantity, xMm: null })),
  };
}

/**
 * Stages that apply to this variant with these options. What would wait for a stage that is left out waits for what that
 * one would have waited for.
 */
export function kitStages(
  { stages }: Pick<KitRevision, 'stages'>,
  variantId: string,
  options: readonly string[],
): StageTemplate[] {
  if (stages.every(({ appliesWhen }) => applies(appliesWhen, variantId, options))) return [...stages];
  const out = new Map(
    stages.filter(({ appliesWhen }) => !applies(appliesWhen, variantId, options)).map(({ key, after }) => [key, after]),
  );
  const bridged = (keys: readonly string[], met: ReadonlySet<string>): string[] =>
    keys.flatMap((key) => {
      const before = out.get(key);
      if (!before) return [key];
      return met.has(key) ? [] : bridged(before, new Set([...met, key]));
    });
  return stages
    .filter(({ key }) => !out.has(key))
    .map((stage) => ({ ...stage, after: [...new Set(bridged(stage.after, new Set()))] }));
}

/** Stages that apply, as they stand: for whoever needs their hours and not their order. */
export const stagesApplying = (
  { stages }: Pick<KitRevision, 'stages'>,
  variantId: string,
  options: readonly string[],
): readonly StageTemplate[] => stages.filter(({ appliesWhen }) => applies(appliesWhen, variantId, options));

/** Planned person-hours of the stages that apply. */
export const kitHours = (
  revision: Pick<KitRevision, 'stages'>,
  variantId: string,
  options: readonly string[],
): number => stagesApplying(revision, variantId, options).reduce((sum, stage) => sum + stage.hours, 0);
