import { createContext, useContext, useMemo, useRef, useState } from 'react';
import type { StoredDesign } from '../../../contract/design.ts';
import type { JobSheet } from '../../../contract/job.ts';
import { judgeBrief, type LineJudgement } from '../../../core/brief/judgeLine.ts';
import { type DesignInputs, EMPTY_DESIGN } from '../../../core/design/inputs.ts';
import { resolveDesign } from '../../../core/design/resolve.ts';
import { createSheet, type FigureSheet } from '../../../core/figures/evaluate.ts';
import type { Slots, VehicleUse } from '../../../core/figures/slots.ts';
import { type FitReport, fitKit } from '../../../core/fit/fitKit.ts';
import { jobFigureInput, jobWork } from '../../../core/job/jobFigures.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { unpackRoute } from '../../../core/road/packedRoute.ts';
import type { Route } from '../../../core/road/route.ts';
import { type VehicleState, vehicleState } from '../../../core/vehicle/state.ts';
import { dayOf } from '../../../wording/dates.ts';
import { useDraft } from '../../data/draft.ts';
import type { Shelves } from '../../data/resources.ts';
import { useSession } from '../../data/session.tsx';
import { useDesignSteps } from './designSteps.ts';

/** Everything the steps of one job read: the stored sheet, the library, drafts, and the figures of both. */
export interface JobBench {
  readonly job: JobSheet;
  readonly shelves: Shelves;
  readonly vehicle: VehicleState;
  readonly today: string;
  readonly kit: KitRevision | null;
  /** The design looked at; null while the job has none. */
  readonly stored: StoredDesign | null;
  readonly inputs: DesignInputs;
  readonly use: VehicleUse;
  readonly designDirty: boolean;
  readonly useDirty: boolean;
  /** Version the design draft was begun from; a newer one on the server means a merge. */
  readonly draftVersion: number | null;
  /** Version the draft of the use was begun from. */
  readonly useDraftVersion: number | null;
  readonly pickDesign: (id: string) => void;
  /**
   * Changes the draft; null drops it. Changes with the same `run` one after another (a drag) count as one for undo.
   */
  readonly setInputs: (inputs: DesignInputs | null, run?: string) => void;
  /** Steps back and forth through the changes of this visit; null where there is nothing to step to. */
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
  readonly route: Route | null;
  readonly setUse: (use: VehicleUse | null) => void;
  readonly sheet: FigureSheet;
  readonly lines: readonly LineJudgement[];
  /** The same as stored, to show what a draft changes. */
  readonly savedLines: readonly LineJudgement[];
  readonly slotsOf: (inputs: DesignInputs) => Slots;
  readonly fit: (revision: KitRevision, options: readonly string[]) => FitReport;
}

const BenchContext = createContext<JobBench | null>(null);
export const BenchProvider = BenchContext.Provider;

export function useBench(): JobBench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('no job above this');
  return bench;
}

/** Keeps one evaluator alive between renders, so that only what changed is computed again. */
function useSheet(slots: Slots): FigureSheet {
  const kept = useRef<ReturnType<typeof createSheet> | null>(null);
  return useMemo(() => {
    if (kept.current) kept.current.update(slots);
    else kept.current = createSheet(slots);
    const { get, computed } = kept.current;
    return { slots: kept.current.slots, get, computed };
  }, [slots]);
}

/** Builds the bench of a job from its sheet and the library. Null while the variant is not in the library. */
export function useJobBench(job: JobSheet, shelves: Shelves): JobBench | null {
  const { workshop } = useSession();
  const today = useMemo(() => dayOf(new Date(), workshop.timeZone), [workshop.timeZone]);
  const [picked, setPicked] = useState<string | null>(null);
  const stored = job.designs.find((design) => design.id === (picked ?? job.chosenDesignId)) ?? job.designs[0] ?? null;
  const [draft, setDraft] = useDraft<{ inputs: DesignInputs; version: number }>(`design ${stored?.id ?? job.id}`);
  const [useDraftValue, setUseDraft] = useDraft<{ use: VehicleUse; version: number }>(`use of ${job.id}`);
  const variant = shelves.variants.get(job.vehicle.variantId);
  const kit = job.kit ? (shelves.kits.get(job.kit.revisionId) ?? null) : null;
  const vehicle = useMemo(
    () => (variant ? vehicleState(variant, job.vehicle.measured, job.vehicle.weighings[0] ?? null) : null),
    [variant, job.vehicle],
  );
  const inputs = draft?.inputs ?? stored?.inputs ?? EMPTY_DESIGN;
  const use = useDraftValue?.use ?? job.use;
  const facts = useMemo(
    () => ({
      kit: kit && job.kit ? { revision: kit, options: job.kit.options } : null,
      stages: job.stages,
      parts: job.parts,
      rates: workshop,
      today,
    }),
    [kit, job.kit, job.stages, job.parts, workshop, today],
  );
  const work = useMemo(() => jobWork(facts), [facts]);
  const route = useMemo(() => job.route && unpackRoute(job.route), [job.route]);
  const slotsFor = useMemo(() => {
    const ground = { library: shelves.components, free: shelves.free, vehicle: vehicle!, route, facts };
    return (design: DesignInputs, how: VehicleUse) => resolveDesign(jobFigureInput({ ...ground, use: how }, design));
  }, [shelves, vehicle, facts, route]);
  const sheet = useSheet(useMemo(() => slotsFor(inputs, use), [slotsFor, inputs, use]));
  const savedSheet = useSheet(
    useMemo(() => slotsFor(stored?.inputs ?? EMPTY_DESIGN, job.use), [slotsFor, stored, job.use]),
  );
  const steps = useDesignSteps(stored?.id ?? job.id, inputs, (next) =>
    setDraft(next && { inputs: next, version: draft?.version ?? stored?.version ?? 0 }),
  );
  const lines = useMemo(() => judgeBrief(job.brief, sheet), [job.brief, sheet]);
  const savedLines = useMemo(() => judgeBrief(job.brief, savedSheet), [job.brief, savedSheet]);
  return useMemo(() => {
    if (!vehicle) return null;
    return {
      job,
      shelves,
      vehicle,
      today,
      kit,
      stored,
      inputs,
      use,
      sheet,
      lines,
      savedLines,
      designDirty: draft !== null,
      useDirty: useDraftValue !== null,
      draftVersion: draft?.version ?? null,
      pickDesign: setPicked,
      ...steps,
      route,
      useDraftVersion: useDraftValue?.version ?? null,
      setUse: (next) => setUseDraft(next && { use: next, version: useDraftValue?.version ?? job.useVersion }),
      slotsOf: (design) => slotsFor(design, use),
      fit: (revision, options) =>
        fitKit({
          revision,
          options,
          library: shelves.components,
          vehicle,
          use,
          work,
          cover: job.cover,
          reversibleFirm: job.brief.some((line) => line.kind === 'reversible' && line.firm),
        }),
    };
  }, [
    job,
    shelves,
    vehicle,
    today,
    kit,
    stored,
    inputs,
    use,
    sheet,
    lines,
    savedLines,
    draft,
    useDraftValue,
    steps,
    route,
    setUseDraft,
    slotsFor,
    work,
  ]);
}
