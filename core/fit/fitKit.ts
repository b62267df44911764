import { type Library, resolveDesign } from '../design/resolve.ts';
import { createSheet } from '../figures/evaluate.ts';
import type { VehicleUse, WorkOutside } from '../figures/slots.ts';
import { type CoverChoice, type KitRevision, kitDesign, kitHours, kitParts } from '../kit/kit.ts';
import type { VehicleState } from '../vehicle/state.ts';
import { type CoverLine, coverOf } from './cover.ts';
import { newHoleCount } from './cradle.ts';
import type { Finding, Verdict } from './finding.ts';
import { judgeFit, overallVerdict } from './index.ts';

export interface FitInput {
  readonly revision: KitRevision;
  readonly options: readonly string[];
  readonly library: Library;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  readonly work: Omit<WorkOutside, 'labourHours'>;
  /** Choices of this job about functions; they win over the kit's. */
  readonly cover: Readonly<Record<string, CoverChoice>>;
  readonly reversibleFirm: boolean;
}

export interface FitReport {
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  readonly cover: readonly CoverLine[];
}

/** Puts a kit revision with its options against a vehicle: every rule on the design the kit makes there. */
export function fitKit(input: FitInput): FitReport {
  const { revision, library, vehicle, use, work } = input;
  const parts = kitParts(revision, library, vehicle.variant.id, input.options);
  const slots = resolveDesign({
    design: kitDesign(revision, parts),
    library,
    vehicle,
    use,
    newHoles: newHoleCount(vehicle.variant, parts),
    work: { ...work, labourHours: kitHours(revision) },
  });
  const cover = { ...revision.cover, ...input.cover };
  const findings = judgeFit({
    vehicle,
    sheet: createSheet(slots),
    revision,
    parts,
    cover,
    reversibleFirm: input.reversibleFirm,
  });
  return { verdict: overallVerdict(findings), findings, cover: coverOf(parts, cover) };
}
