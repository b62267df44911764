import { useMemo } from 'react';
import type { WayRow } from '../../../../contract/offers.ts';
import { designComponents } from '../../../../core/design/inputs.ts';
import { createSheet, type FigureSheet } from '../../../../core/figures/evaluate.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { kitOnVehicle } from '../../../../core/fit/kitSheet.ts';
import { type StageTemplate, stagesApplying } from '../../../../core/kit/kit.ts';
import { type WayCost, type WayGround, wayCost } from '../../../../core/offer/ways.ts';
import { practiceOf, rateOf } from '../../../../core/practice/practice.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useOpenJob } from '../openJob.ts';

export interface Way extends WayCost {
  /** Null: it is there by itself, nobody has put it. */
  readonly id: string | null;
  readonly name: string;
  readonly note: string;
  readonly rangeKm: number | null;
  readonly massKg: number | null;
  /** Days since 1970. */
  readonly readyDay: number | null;
}

type Hours = Pick<StageTemplate, 'hours' | 'liveHv' | 'skill'>;

const RANGES = [FIGURES.rangeRound, FIGURES.rangeRoute, FIGURES.rangeConstant] as const;

/** The ways that are compared: what was put beside, and before anybody has, every design of the job and the kit it takes. */
export function useWays(stored: readonly WayRow[], years: number): readonly Way[] {
  const { job, shelves, vehicle, use, sheet, slotsOf, kit } = useOpenJob(
    ...(['job', 'shelves', 'vehicle', 'use', 'sheet', 'slotsOf', 'kit'] as const),
  );
  const workshop = useWorkshop();
  return useMemo(() => {
    const practice = practiceOf(workshop.practice);
    const lowVoltage = (stages: readonly Hours[]): WayGround['lowVoltage'] => {
      const own = stages.filter(({ skill, liveHv }) => skill === 'electrical' && !liveHv);
      return {
        hours: own.reduce((sum, { hours }) => sum + hours, 0),
        cents: Math.round(
          own.reduce((sum, { hours, skill }) => sum + hours * rateOf(skill, workshop.rateCents, practice), 0),
        ),
      };
    };
    const kitStagesOf = kit ? stagesApplying(kit, vehicle.variant.id, job.kit?.options ?? []) : [];
    const figuresOf = (
      figures: FigureSheet,
      parts: readonly string[],
      stages: readonly Hours[],
      way: WayRow | null,
      name: string,
    ): Way => {
      const value = (figure: { readonly id: string }) => figures.get(figure as typeof FIGURES.salePrice).value;
      const { work } = figures.slots;
      const unit = way?.used;
      const carries = unit !== null && unit !== undefined && parts.includes(unit.componentId);
      const range = RANGES.find((one) => value(one) !== null);
      const labour =
        work.labourCents ?? (work.labourHours === null ? null : Math.round(work.labourHours * work.rateCents));
      const cost = wayCost(
        {
          ...{ partsCents: value(FIGURES.partsPrice), labourCents: labour, hours: work.labourHours },
          ...{ lowVoltage: lowVoltage(stages), energyCentsYear: value(FIGURES.energyCostYear) },
          sale: work.sale ?? { marginShare: 0, contingencyShare: 0, taxShare: 0, roundToCents: 1 },
        },
        {
          ...{ lvByClient: way?.lvByClient ?? false, moreCents: way?.moreCents ?? 0 },
          insteadCents: unit && carries ? unit.totalCents - unit.newCents : 0,
        },
        years,
      );
      return {
        ...{ id: way?.id ?? null, name, ...cost, rangeKm: range ? value(range) : null },
        ...{ massKg: value(FIGURES.unladenMass), readyDay: value(FIGURES.readyDate) },
        note: [
          way?.lvByClient && 'low voltage by the client',
          unit && (carries ? `${unit.component} ${unit.serial}, made good again` : `${unit.component} is not in it`),
        ]
          .filter(Boolean)
          .join('; '),
      };
    };
    const ofDesign = (id: string, way: WayRow | null): Way[] => {
      const design = job.designs.find((one) => one.id === id);
      if (!design) return [];
      const parts = designComponents(design.inputs).map(({ componentId }) => componentId);
      return [figuresOf(createSheet(slotsOf(design.inputs)), parts, kitStagesOf, way, way?.name ?? design.name)];
    };
    const ofKit = (revisionId: string, options: readonly string[], way: WayRow | null): Way[] => {
      const revision = shelves.kits.get(revisionId);
      if (!revision) return [];
      const { sheet: figures, parts } = kitOnVehicle({
        ...{ revision, options, library: shelves.components, vehicle, use, work: sheet.slots.work },
      });
      const stages = stagesApplying(revision, vehicle.variant.id, options);
      return [
        figuresOf(
          figures,
          parts.map(({ component }) => component.id),
          stages,
          way,
          way?.name ?? `${revision.kitName} ${revision.revision}`,
        ),
      ];
    };
    if (stored.length > 0)
      return stored.flatMap((way) =>
        way.designId ? ofDesign(way.designId, way) : ofKit(way.revisionId!, way.options, way),
      );
    return [
      ...job.designs.flatMap((design) => ofDesign(design.id, null)),
      ...(job.kit ? ofKit(job.kit.revisionId, job.kit.options, null) : []),
    ];
  }, [stored, years, job, shelves, vehicle, use, sheet, slotsOf, kit, workshop]);
}
