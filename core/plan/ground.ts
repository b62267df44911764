import { Calendar } from './calendar.ts';
import type { Impossible, PlanProblem, PlanStage } from './problem.ts';

export interface Crew {
  readonly index: number;
  readonly calendar: Calendar;
  /** The same by itself, as those who work together are asked for. */
  readonly calendars: readonly Calendar[];
  readonly hvUntil: number;
  /** How much else the person can do. */
  readonly versatility: number;
}

/** A stage with everything about it by number, as the making of a plan asks for it thousands of times. */
export interface Task {
  readonly index: number;
  readonly stage: PlanStage;
  readonly job: number;
  readonly before: readonly number[];
  /** Of `before` those that are in the order. */
  readonly planned: readonly number[];
  readonly next: readonly number[];
  /** Who may lead it: has its skill. The least versatile first, so that those who can do more are kept free. */
  readonly able: readonly number[];
  /** Whether each person is one of those. */
  readonly mayLead: readonly boolean[];
  /** Who has an authorisation at all. */
  readonly authorised: readonly number[];
  /** Who may help where it takes several; all there are. */
  readonly helpers: readonly number[];
  /** Places it can be done in, those with the least to spare first. */
  readonly places: readonly number[];
  /** For each tool it holds, the pieces that will do. */
  readonly tools: readonly (readonly number[])[];
  readonly firm: number;
}

export interface Ground {
  readonly problem: PlanProblem;
  readonly tasks: readonly Task[];
  readonly people: readonly Crew[];
  readonly firms: readonly Calendar[];
  /** Minutes of the shortest stage there is, all its people on it. */
  readonly shortest: number;
  readonly impossible: ReadonlyMap<number, Impossible>;
  /** Tasks in an order in which none comes before what it waits for; those that cannot be planned are left out. */
  readonly order: readonly number[];
}

const indexOf = <T extends { readonly id: string }>(all: readonly T[]): Map<string, number> =>
  new Map(all.map(({ id }, index) => [id, index]));

/**
 * Makes a problem ready: names become numbers, who and what can do each stage is looked up once, and what can never be
 * planned is found with its reason. A link to a stage that is not there holds nothing up.
 */
export function groundOf(problem: PlanProblem): Ground {
  const jobs = indexOf(problem.jobs);
  const stages = indexOf(problem.stages);
  const firms = indexOf(problem.firms);
  const versatility = problem.people.map(({ skills, hvUntil }) => skills.length + (hvUntil > 0 ? 3 : 0));
  const everybody = problem.people.map((_, index) => index).sort((a, b) => versatility[a]! - versatility[b]! || a - b);
  // What has begun waits for nothing any more.
  const before = problem.stages.map(({ after, begun }) =>
    begun ? [] : [...new Set(after.flatMap((id) => stages.get(id) ?? []))],
  );
  const next: number[][] = problem.stages.map(() => []);
  before.forEach((list, index) => {
    for (const one of list) next[one]!.push(index);
  });
  const authorised = everybody.filter((one) => problem.people[one]!.hvUntil > 0);
  const byPeople = new Map<string, readonly boolean[]>();
  const leadersOf = (able: readonly number[]): readonly boolean[] => {
    const key = able.join();
    const known = byPeople.get(key) ?? problem.people.map((_, one) => able.includes(one));
    byPeople.set(key, known);
    return known;
  };
  const bySkill = new Map<string | null, readonly number[]>();
  const ableTo = (skill: string | null): readonly number[] => {
    const known =
      bySkill.get(skill) ?? everybody.filter((one) => skill === null || problem.people[one]!.skills.includes(skill));
    bySkill.set(skill, known);
    return known;
  };
  const byTraits = new Map<string, readonly number[]>();
  /** Places that have all of some traits, those with the least to spare first. */
  const placesWith = (traits: readonly string[]): readonly number[] => {
    const key = traits.join();
    const known =
      byTraits.get(key) ??
      problem.places
        .flatMap((place, at) => (traits.every((trait) => place.traits.includes(trait)) ? [at] : []))
        .sort((a, b) => problem.places[a]!.traits.length - problem.places[b]!.traits.length || a - b);
    byTraits.set(key, known);
    return known;
  };
  const byKind = new Map<string, readonly number[]>();
  const toolsOf = (kind: string): readonly number[] => {
    const known = byKind.get(kind) ?? problem.tools.flatMap((tool, at) => (tool.kind === kind ? [at] : []));
    byKind.set(kind, known);
    return known;
  };
  const made = problem.stages.map((stage, index): Task => {
    const able = ableTo(stage.skill);
    return {
      ...{
        index,
        stage,
        before: before[index]!,
        planned: [],
        next: next[index]!,
        helpers: everybody,
        authorised,
        able,
      },
      job: jobs.get(stage.jobId) ?? -1,
      mayLead: leadersOf(able),
      places: stage.at === 'vehicle' ? placesWith(stage.traits) : [],
      tools: stage.tools.map(toolsOf),
      firm: stage.firmId === null ? -1 : (firms.get(stage.firmId) ?? -2),
    };
  });
  const impossible = new Map<number, Impossible>();
  for (const task of made) {
    const why = task.stage.begun ? null : neverPlanned(task, problem);
    if (why) impossible.set(task.index, why);
  }
  const order: number[] = [];
  const open = before.map((list) => list.length);
  const ready = made.flatMap(({ index }) => (open[index] === 0 ? [index] : []));
  while (ready.length > 0) {
    const now = ready.shift()!;
    if (!impossible.has(now)) order.push(now);
    for (const one of next[now]!) {
      if (impossible.has(now) && !impossible.has(one))
        impossible.set(one, { kind: 'before', stageId: made[now]!.stage.id });
      open[one]!--;
      if (open[one] === 0) ready.push(one);
    }
  }
  // What was never ready waits for itself, or for something that does.
  made.forEach(({ index }) => {
    if (open[index]! > 0) impossible.set(index, { kind: 'circle' });
  });
  const inOrder = new Set(order);
  const tasks = made.map((task) => ({
    ...task,
    planned: task.before.filter((one) => inOrder.has(one)),
    next: task.next.filter((one) => inOrder.has(one)),
  }));
  return {
    ...{ problem, tasks, impossible, order },
    shortest: Math.max(
      1,
      Math.ceil(
        Math.min(...problem.stages.map(({ minutes, people, mostPeople }) => minutes / Math.max(people, mostPeople, 1))),
      ),
    ),
    people: problem.people.map(({ off, hvUntil }, index): Crew => {
      const calendar = new Calendar(off);
      return { index, hvUntil, versatility: versatility[index]!, calendar, calendars: [calendar] };
    }),
    firms: problem.firms.map(({ off }) => new Calendar(off)),
  };
}

/** What nobody and nothing there is can do, whenever it were. */
function neverPlanned({ stage, able, helpers, places, tools, firm }: Task, problem: PlanProblem): Impossible | null {
  if (stage.barred) return stage.barred;
  if (firm === -2) return { kind: 'noFirm', firmId: stage.firmId! };
  const leads = Math.max(stage.people > 0 ? 1 : 0, 0);
  if (able.length < leads || helpers.length < stage.people)
    return { kind: 'noSkill', skill: stage.skill, people: stage.people };
  if (stage.liveHv && (helpers.length < 2 || !problem.people.some(({ hvUntil }) => hvUntil > 0)))
    return { kind: 'noPair' };
  if (stage.at === 'vehicle' && places.length === 0) return { kind: 'noPlace', traits: stage.traits };
  const tool = tools.findIndex((pieces) => pieces.length === 0);
  return tool < 0 ? null : { kind: 'noTool', tool: stage.tools[tool]! };
}

/** Of so many people, how many must be able to lead the stage: all but the helpers it takes at least. */
export const leadsOf = ({ stage }: Task, count: number): number =>
  stage.people === 0 ? 0 : count - (stage.people - 1);

/** Minutes a stage takes with so many people on it. */
export const minutesEach = ({ stage, firm }: Task, count: number): number =>
  Math.max(1, Math.ceil(firm >= 0 ? stage.minutes : stage.minutes / Math.max(count, 1)));
