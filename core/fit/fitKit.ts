import type { BriefLine } from '../brief/lines.ts';
import { wishesOf } from '../brief/wishes.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import type { CoverChoice, KitPart } from '../kit/kit.ts';
import { type CoverLine, coverOf } from './cover.ts';
import { type CradleSlide, cradleSlides } from './cradleSlide.ts';
import type { Finding, Verdict } from './finding.ts';
import { judgeFit, overallVerdict } from './index.ts';
import { type KitOnVehicle, kitOnVehicle } from './kitSheet.ts';

export interface FitInput extends KitOnVehicle {
  /** Choices of this job about functions; they win over the kit's. */
  readonly cover: Readonly<Record<string, CoverChoice>>;
  /** What the client asks: firm lines and wishes that a rule has to know. */
  readonly brief: readonly BriefLine[];
  /** Where it will be registered. @default null */
  readonly region?: string | null;
}

export interface FitReport {
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  readonly cover: readonly CoverLine[];
  readonly slides: readonly CradleSlide[];
  /** What the kit brings here, and the figures of the design it makes. */
  readonly parts: readonly KitPart[];
  readonly sheet: FigureSheet;
}

/** Puts a kit revision with its options against a vehicle: every rule on the design the kit makes there. */
export function fitKit(input: FitInput): FitReport {
  const { revision, vehicle, options, library, brief, region = null } = input;
  const { parts, sheet } = kitOnVehicle({ ...input, wishes: wishesOf(brief) });
  const cover = { ...revision.cover, ...input.cover };
  const { boxes } = sheet.slots.pack;
  const slides = cradleSlides(vehicle.variant, vehicle.figures.wheelbase.value, parts, boxes);
  const findings = judgeFit({
    ...{ vehicle, sheet, revision, parts, cover, slides, options, library, region },
    reversibleFirm: brief.some(({ kind, firm }) => kind === 'reversible' && firm),
    axleShare: brief.find(({ kind }) => kind === 'axleShare') ?? null,
  });
  return { verdict: overallVerdict(findings), findings, cover: coverOf(parts, cover, library), slides, parts, sheet };
}
