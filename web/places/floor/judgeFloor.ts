import type { FloorData, FloorJob } from '../../../contract/floor.ts';
import { judgeBrief, type LineJudgement } from '../../../core/brief/judgeLine.ts';
import { measuringList } from '../../../core/brief/measuringList.ts';
import { resolveDesign } from '../../../core/design/resolve.ts';
import { upgradeDesign } from '../../../core/design/upgrade.ts';
import { createSheet, type FigureSheet } from '../../../core/figures/evaluate.ts';
import { jobCover } from '../../../core/fit/cover.ts';
import type { Finding } from '../../../core/fit/finding.ts';
import { fitKit } from '../../../core/fit/fitKit.ts';
import { type JobFacts, jobFigureInput, jobWork } from '../../../core/job/jobFigures.ts';
import { dayNumber } from '../../../core/quantity/format.ts';
import { unpackRoute } from '../../../core/road/packedRoute.ts';
import { type VehicleState, vehicleState } from '../../../core/vehicle/state.ts';
import type { Shelves } from '../../data/resources.ts';

export interface JudgedJob {
  readonly job: FloorJob;
  readonly vehicle: VehicleState;
  readonly sheet: FigureSheet;
  readonly lines: readonly LineJudgement[];
  readonly misfits: readonly Finding[];
}

type Rates = JobFacts['rates'] & { readonly region?: string };

/** Figures, brief and fit of one open job, from the same core as the job's own steps. Null for an unknown variant. */
export function judgeFloorJob(job: FloorJob, shelves: Shelves, today: string, rates: Rates): JudgedJob | null {
  const variant = shelves.variants.get(job.vehicle.variantId);
  if (!variant) return null;
  const vehicle = vehicleState(variant, job.vehicle.measured, job.vehicle.weighings[0] ?? null);
  const kit = job.kit ? shelves.kits.get(job.kit.revisionId) : undefined;
  const facts = {
    kit: kit && job.kit ? { revision: kit, options: job.kit.options, variantId: variant.id } : null,
    stages: job.stages,
    parts: job.waitingParts,
    rates,
    matchHours: job.matchHours,
    planned: job.planned,
    today,
  };
  const work = jobWork(facts);
  const ground = {
    library: shelves.components,
    free: shelves.free,
    vehicle,
    use: job.use,
    brief: job.brief,
    facts,
    register: job.register,
  };
  const route = job.route && unpackRoute(job.route);
  const sheet = createSheet(
    resolveDesign(jobFigureInput({ ...ground, route }, job.design && upgradeDesign(job.design.inputs))),
  );
  const report =
    kit && job.kit
      ? fitKit({
          revision: kit,
          options: job.kit.options,
          library: shelves.components,
          vehicle,
          use: job.use,
          work,
          cover: job.cover,
          brief: job.brief,
          region: job.region ?? rates.region ?? null,
        })
      : null;
  return {
    job,
    vehicle,
    sheet,
    lines: judgeBrief(job.brief, sheet, {
      cover: jobCover(shelves.components, variant.id, facts.kit, job.cover),
    }),
    misfits: report?.findings.filter((f) => f.verdict === 'doesNotFit') ?? [],
  };
}

export interface Decision {
  readonly key: string;
  readonly weight: number;
  readonly mark: 'stop' | 'waiting' | 'open';
  readonly about:
    | { readonly kind: 'brokenLine'; readonly line: LineJudgement }
    | { readonly kind: 'misfit'; readonly finding: Finding }
    | { readonly kind: 'latePart'; readonly name: string; readonly days: number; readonly heldBy: string | null }
    | { readonly kind: 'missingPart'; readonly name: string; readonly count: number }
    | { readonly kind: 'unweighed'; readonly figures: number }
    | { readonly kind: 'stopped'; readonly stage: string }
    | { readonly kind: 'authorisation'; readonly name: string; readonly days: number; readonly others: number };
  readonly job: FloorJob | null;
}

const SOON_DAYS = 30;

/**
 * What somebody has to decide today, worked out from the data: stopped stages, kits that do not fit, broken firm
 * lines, late and missing parts, vehicles not weighed while figures rest on their weights, authorisations that end
 * within 30 days. Gravest first.
 */
export function needsDecision(
  floor: FloorData,
  judged: readonly JudgedJob[],
  shelves: Shelves,
  today: string,
): Decision[] {
  const todayDay = dayNumber(today);
  const list: Decision[] = [];
  for (const { job, lines, misfits, vehicle } of judged) {
    const add = (weight: number, mark: Decision['mark'], about: Decision['about']) =>
      list.push({ key: `${job.number} ${about.kind}`, weight, mark, about, job });
    const stopped = job.stages.find((stage) => stage.state === 'stopped');
    if (stopped) add(0, 'stop', { kind: 'stopped', stage: stopped.name });
    const misfit = job.stages.length === 0 ? misfits[0] : undefined;
    if (misfit) add(2, 'stop', { kind: 'misfit', finding: misfit });
    const broken = lines.filter((line) => line.state === 'broken' && line.line.firm && line.line.kind !== 'reversible');
    if (broken[0]) add(1, 'stop', { kind: 'brokenLine', line: broken[0] });
    const late = job.waitingParts
      .filter((part) => part.due !== null && dayNumber(part.due) < todayDay)
      .sort((a, b) => dayNumber(a.due!) - dayNumber(b.due!))[0];
    if (late) {
      const name = shelves.components.get(late.componentId)?.name ?? late.componentId;
      const onShelf = (shelves.free.get(late.componentId) ?? 0) > 0;
      add(3, 'waiting', {
        kind: 'latePart',
        name,
        days: todayDay - dayNumber(late.due!),
        heldBy: onShelf ? 'stores' : null,
      });
    }
    const missing = job.waitingParts.filter((part) => part.state === 'missing');
    if (missing[0])
      add(4, 'waiting', {
        kind: 'missingPart',
        name: shelves.components.get(missing[0].componentId)?.name ?? '',
        count: missing.length,
      });
    if (!vehicle.weighing) {
      const rests = measuringList(lines, null).filter(
        (item) => item.figure === 'frontAxleMass' || item.figure === 'rearAxleMass',
      );
      const count = new Set(rests.flatMap((item) => item.lines.map((line) => line.line.id))).size;
      add(5, 'waiting', { kind: 'unweighed', figures: count });
    }
  }
  const holders = floor.people.filter((person) => person.hvUntil !== null);
  for (const person of holders) {
    const days = dayNumber(person.hvUntil!) - todayDay;
    if (days > SOON_DAYS) continue;
    const others = holders.filter((other) => other !== person && dayNumber(other.hvUntil!) >= todayDay).length;
    list.push({
      key: person.personId,
      weight: days < 0 ? 0 : 6,
      mark: days < 0 ? 'stop' : 'waiting',
      about: { kind: 'authorisation', name: person.name, days, others },
      job: null,
    });
  }
  return list.sort((a, b) => a.weight - b.weight);
}
