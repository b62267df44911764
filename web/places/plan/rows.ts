import type { FactJob, FactStage, PlanFacts } from '../../../core/plan/facts.ts';
import type { StoredPlan, StoredStage } from '../../../core/plan/storedPlan.ts';
import { momentOf } from '../../../core/plan/storedPlan.ts';
import { firmText, stageOfText } from '../../../wording/workPlan.ts';

export const VIEWS = ['bay', 'person', 'vehicle'] as const;
export type View = (typeof VIEWS)[number];

/** One bar: work on a job, without a break longer than would let it be put aside. */
export interface Bar {
  readonly key: string;
  readonly job: FactJob;
  readonly stages: readonly StoredStage[];
  /** Of the first stage in it. */
  readonly stage: FactStage;
  /** Days since 1970, with the share of the working day. */
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly says: string;
  readonly begun: boolean;
  readonly liveHv: boolean;
  readonly lane: number;
}

export interface Row {
  readonly key: string;
  readonly name: string;
  readonly says: string;
  readonly bars: readonly Bar[];
  readonly lanes: number;
  /** Where the last work on a job ends. */
  readonly ends: readonly { readonly job: FactJob; readonly day: number; readonly lane: number }[];
  /** Promised days that belong to this row. */
  readonly promises: readonly { readonly job: FactJob; readonly day: number; readonly late: boolean }[];
}

/** Days a bar may pause and still be one. */
const PAUSE_DAYS = 2.5;

/** A moment as days since 1970: a working day is drawn as a whole day, whatever its hours. */
export function asDays(at: string, { startMin, endMin }: PlanFacts['open']): number {
  const { day, minute } = momentOf(at);
  return day + Math.min(1, Math.max(0, (minute - startMin) / Math.max(1, endMin - startMin)));
}

interface Drawn {
  readonly facts: PlanFacts;
  readonly plan: StoredPlan;
}

/** What is drawn, row by row: the plan itself and nothing beside it. */
export function rowsOf({ facts, plan }: Drawn, view: View): Row[] {
  const stageOf = new Map(facts.jobs.flatMap((job) => job.stages.map((stage) => [stage.id, { job, stage }] as const)));
  const known = plan.stages.flatMap((one) => {
    const of = stageOf.get(one.id);
    return of ? [{ ...of, planned: one }] : [];
  });
  type Known = (typeof known)[number];
  const lateOf = new Map(plan.jobs.map((one) => [one.number, one]));
  const barsOf = (list: readonly Known[], joined: boolean): { bars: Bar[]; lanes: number } => {
    const sorted = list.toSorted((a, b) => (a.planned.from < b.planned.from ? -1 : 1));
    const groups: Known[][] = [];
    for (const one of sorted) {
      // A vehicle that made room for another comes back: a bar of its own.
      const last = groups.at(-1);
      const end = Math.max(...(last ?? []).map(({ planned }) => asDays(planned.to, facts.open)));
      const own = last?.every(({ job }) => job === one.job);
      if (joined && last && own && asDays(one.planned.from, facts.open) - end <= PAUSE_DAYS) last.push(one);
      else groups.push([one]);
    }
    const free: number[] = [];
    const bars = groups.map((group): Bar => {
      const [first] = group as [Known];
      const from = asDays(first.planned.from, facts.open);
      const to = Math.max(...group.map(({ planned }) => asDays(planned.to, facts.open)));
      let lane = free.findIndex((until) => until <= from + 1e-9);
      if (lane < 0) lane = free.length;
      free[lane] = to;
      const begun = first.job.stages.some(({ state }) => state === 'done' || state === 'inHand');
      return {
        ...{ key: first.planned.id, job: first.job, stage: first.stage, from, to, lane, begun },
        stages: group.map(({ planned }) => planned),
        label: joined
          ? `${first.job.number} ${first.job.title}`
          : view === 'vehicle'
            ? first.stage.name
            : `${first.job.number} ${first.stage.name}`,
        says: joined ? (begun ? stageOfText(first.job, first.stage) : 'not begun') : '',
        liveHv: !joined && first.stage.liveHv,
      };
    });
    return { bars, lanes: Math.max(1, free.length) };
  };
  /** The last stage of each job. */
  const last = new Map<FactJob, Known>();
  for (const one of known) {
    const had = last.get(one.job);
    if (!had || had.planned.to < one.planned.to) last.set(one.job, one);
  }
  const promised = (list: readonly Known[]): Row['promises'] =>
    [...last].flatMap(([job, one]) =>
      job.promised !== null && list.includes(one)
        ? [{ job, day: asDays(`${job.promised} 23:59`, facts.open), late: (lateOf.get(job.number)?.lateDays ?? 0) > 0 }]
        : [],
    );
  const endsOf = (bars: readonly Bar[]): Row['ends'] =>
    [...last].flatMap(([job, { planned }]) => {
      const bar = bars.find(({ stages }) => stages.some(({ id }) => id === planned.id));
      return bar ? [{ job, day: bar.to, lane: bar.lane }] : [];
    });
  const row = (key: string, name: string, says: string, list: readonly Known[], joined: boolean): Row => {
    const drawn = barsOf(list, joined);
    return {
      ...{ key, name, says, ...drawn, ends: view === 'person' ? [] : endsOf(drawn.bars) },
      promises: view === 'person' ? [] : promised(list),
    };
  };
  if (view === 'vehicle')
    return facts.jobs.map((job) =>
      row(
        job.number,
        `${job.number} ${job.title}`,
        job.promised ? '' : 'not promised',
        known.filter((one) => one.job === job),
        false,
      ),
    );
  if (view === 'person')
    return facts.people.map((one) =>
      row(
        one.id,
        one.name,
        one.skills.join(', '),
        known.filter(({ planned }) => planned.people.includes(one.id)),
        false,
      ),
    );
  const isAway = (stage: FactStage) => stage.firm !== null || stage.traits.includes('away');
  const beside = known.filter(({ planned, stage }) => planned.placeId === null && !isAway(stage));
  const away = known.filter(({ planned, stage }) => planned.placeId === null && isAway(stage));
  const ownAway = away.filter(({ stage }) => !facts.firms.some(({ id }) => id === stage.firm?.id));
  return [
    ...facts.places.map((place) =>
      row(
        place.id,
        place.name,
        [place.lift && 'lift', place.alignment && 'alignment'].filter(Boolean).join(', '),
        known.filter(({ planned }) => planned.placeId === place.id),
        true,
      ),
    ),
    ...(beside.length > 0 ? [row('beside', 'Benches', 'without the vehicle', beside, false)] : []),
    ...facts.firms
      .map((firm) => ({ firm, there: away.filter(({ stage }) => stage.firm?.id === firm.id) }))
      .flatMap(({ firm, there }) => (there.length > 0 ? [row(firm.id, firm.name, firmText(firm), there, false)] : [])),
    ...(ownAway.length > 0 ? [row('away', 'Out of the house', '', ownAway, false)] : []),
  ];
}
