import { useCallback, useMemo, useRef, useState } from 'react';
import type { JobSheet } from '../../../contract/job.ts';
import { judgeBrief } from '../../../core/brief/judgeLine.ts';
import { type DesignInputs, designComponents, EMPTY_DESIGN } from '../../../core/design/inputs.ts';
import { resolveDesign } from '../../../core/design/resolve.ts';
import { createSheet, type FigureSheet } from '../../../core/figures/evaluate.ts';
import type { Slots, VehicleUse } from '../../../core/figures/slots.ts';
import { jobCover } from '../../../core/fit/cover.ts';
import { fitKit } from '../../../core/fit/fitKit.ts';
import { jobFigureInput, jobWork } from '../../../core/job/jobFigures.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { unpackRoute } from '../../../core/road/packedRoute.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import { dayOf } from '../../../wording/dates.ts';
import { useDraft } from '../../data/draft.ts';
import { type Shelves, useAtHand } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { useDesignTrail } from './designTrail.ts';
import type { OpenJob } from './openJob.ts';

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

/** Opens a job: builds what its steps read from its sheet and the library. Null while the variant is not in the library. */
export function useOpening(job: JobSheet, shelves: Shelves): OpenJob | null {
  const workshop = useWorkshop();
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
  const named = useMemo(() => designComponents(inputs).map(({ componentId }) => componentId), [inputs]);
  useAtHand({ components: named }, shelves);
  const facts = useMemo(
    () => ({
      kit: kit && job.kit ? { revision: kit, options: job.kit.options, variantId: job.vehicle.variantId } : null,
      stages: job.stages,
      parts: job.parts,
      rates: workshop,
      matchHours: job.matchHours,
      planned: job.planned,
      today,
    }),
    [kit, job.kit, job.vehicle.variantId, job.stages, job.parts, job.matchHours, job.planned, workshop, today],
  );
  const work = useMemo(() => jobWork(facts), [facts]);
  const route = useMemo(() => job.route && unpackRoute(job.route), [job.route]);
  const { brief, register } = job;
  const slotsFor = useMemo(() => {
    const ground = {
      library: shelves.components,
      free: shelves.free,
      vehicle: vehicle!,
      brief,
      route,
      facts,
      register,
    };
    return (design: DesignInputs, how: VehicleUse) => resolveDesign(jobFigureInput({ ...ground, use: how }, design));
  }, [shelves, vehicle, facts, route, brief, register]);
  const sheet = useSheet(useMemo(() => slotsFor(inputs, use), [slotsFor, inputs, use]));
  const savedSheet = useSheet(
    useMemo(() => slotsFor(stored?.inputs ?? EMPTY_DESIGN, job.use), [slotsFor, stored, job.use]),
  );
  const steps = useDesignTrail(stored?.id ?? job.id, inputs, (next) =>
    setDraft(next && { inputs: next, version: draft?.version ?? stored?.version ?? 0 }),
  );
  const known = useMemo(
    () => ({ cover: jobCover(shelves.components, job.vehicle.variantId, facts.kit, job.cover) }),
    [shelves, job.vehicle.variantId, facts, job.cover],
  );
  const lines = useMemo(() => judgeBrief(job.brief, sheet, known), [job.brief, sheet, known]);
  const savedLines = useMemo(() => judgeBrief(job.brief, savedSheet, known), [job.brief, savedSheet, known]);
  const slotsOf = useCallback((design: DesignInputs) => slotsFor(design, use), [slotsFor, use]);
  const fitOf = useCallback(
    (revision: KitRevision, options: readonly string[]) =>
      fitKit({
        revision,
        options,
        library: shelves.components,
        vehicle: vehicle!,
        use,
        work,
        cover: job.cover,
        brief: job.brief,
        region: job.region ?? workshop.region,
      }),
    [shelves, vehicle, use, work, job.cover, job.brief, job.region, workshop.region],
  );
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
      slotsOf,
      fitOf,
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
    slotsOf,
    fitOf,
  ]);
}
