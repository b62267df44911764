import type { EarliestWhy, FactFirm, FactJob, FactStage, PlanFacts, Priority } from '../core/plan/facts.ts';
import type { PlanChange } from '../core/plan/planChange.ts';
import type { Cause, Impossible } from '../core/plan/problem.ts';
import type { LocalTime, StoredJobPlan, StoredStage } from '../core/plan/storedPlan.ts';
import type { Trap, TrapFound } from '../core/plan/traps.ts';
import { formatDay, formatNumber } from '../core/quantity/format.ts';
import { dayText } from './dates.ts';
import { WEEKDAY_NAME } from './workshop.ts';

export const PRIORITY_NAME: Readonly<Record<Priority, string>> = {
  usual: 'as usual',
  rush: 'a rush job',
  canWait: 'can wait',
  show: 'for a show: a hard date',
};

export const PLAN_CHANGE_NAME: Readonly<Record<PlanChange['kind'], string>> = {
  partLate: 'A part comes on another day',
  away: 'Somebody is away',
  priority: 'A job counts more or less',
  hold: 'A stage is held',
  firm: 'A firm outside does a stage',
  lift: 'A bay has a lift',
  person: 'There is one person more',
  tool: 'There is one tool more',
  overtime: 'Longer days',
};

/** Names of what a plan speaks of by id. */
export interface PlanNames {
  readonly person: (id: string | null) => string;
  readonly place: (id: string | null) => string;
  readonly firm: (id: string) => string;
  readonly stage: (id: string | null) => { readonly job: string; readonly name: string } | null;
}

export function planNames({ people, places, firms, jobs }: PlanFacts): PlanNames {
  const stages = new Map(
    jobs.flatMap((job) => job.stages.map((stage) => [stage.id, { job: job.number, name: stage.name }])),
  );
  return {
    person: (id) => people.find((one) => one.id === id)?.name ?? 'nobody',
    firm: (id) => firms.find((one) => one.id === id)?.name ?? 'the firm outside',
    place: (id) => places.find((one) => one.id === id)?.name ?? '',
    stage: (id) => (id === null ? null : (stages.get(id) ?? null)),
  };
}

/** "Tue 1 Dec 10:30" */
export function localText(at: LocalTime): string {
  const [day = '', clock = ''] = at.split(' ');
  const weekday = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'][new Date(`${day}T00:00:00Z`).getUTCDay()];
  return `${weekday} ${dayText(day)} ${clock}`;
}

/** What kept a stage from starting sooner, and what would have to change for that. */
export interface ReasonText {
  readonly text: string;
  readonly sooner: string;
}

/** A name inside a sentence: its first letter small, unless it is an abbreviation. */
const inSentence = (name: string): string => name.replace(/^[A-Z](?=[a-z ])/, (letter) => letter.toLowerCase());

const waitsText = (why: EarliestWhy): ReasonText => {
  const day = formatDay(why.day);
  if (why.kind === 'out')
    return why.late
      ? { text: `the vehicle should be back already: ${day} at the soonest`, sooner: 'ask who has it, and get it back' }
      : { text: `the vehicle is out until then, ${day}`, sooner: 'get it back sooner' };
  if (why.kind === 'held') return { text: `held until ${day}`, sooner: 'let it begin when it can' };
  if (why.late)
    return {
      text: `${why.name} is late: ${day} at the soonest`,
      sooner: 'ask the supplier, or take one from another job',
    };
  return why.ordered
    ? { text: `${why.name} comes ${day}`, sooner: 'have it sooner, or take one from another job' }
    : { text: `${why.name} is not ordered: ${day} if it is today`, sooner: 'order it' };
};

export function causeText(cause: Cause, stage: StoredStage, names: PlanNames): ReasonText {
  const other = (id: string | null) => {
    const one = names.stage(id);
    if (!one) return '';
    return one.job === stage.job ? inSentence(one.name) : `${inSentence(one.name)} of ${one.job}`;
  };
  switch (cause.kind) {
    case 'now':
      return { text: 'begins as soon as the plan does', sooner: '' };
    case 'begun':
      return { text: 'has begun', sooner: '' };
    case 'earliest':
      return stage.waits ? waitsText(stage.waits) : { text: 'not before this', sooner: '' };
    case 'after':
      return { text: `after ${other(cause.stageId)}`, sooner: 'that would have to be over sooner' };
    case 'gate':
      return {
        text: 'begun later so that less lies about half done; it ends no later for it',
        sooner: 'nothing: it could begin sooner',
      };
    case 'moving':
      return { text: 'its vehicle is moved here', sooner: 'it would have to stand here already' };
    case 'elsewhere':
      return {
        text: `its vehicle is in ${names.place(cause.placeId)} until then`,
        sooner: 'work there would have to be over sooner',
      };
    case 'place':
      return {
        text:
          cause.jobId === null
            ? `${names.place(cause.placeId)} is closed`
            : `waits for ${names.place(cause.placeId)}: ${cause.jobId} is in it`,
        sooner: 'another bay like it',
      };
    case 'people': {
      const who = cause.personId === null ? 'the people it takes' : names.person(cause.personId);
      const on = cause.stageId === null ? '' : `, who is on ${other(cause.stageId)}`;
      return {
        text:
          cause.stageId === null && cause.personId !== null ? `waits for ${who} to be there` : `waits for ${who}${on}`,
        sooner: 'somebody else who can do it, or longer days',
      };
    }
    case 'tool':
      return {
        text: `waits for the ${cause.tool}${cause.stageId ? `, used for ${other(cause.stageId)}` : ''}`,
        sooner: 'a second one',
      };
    case 'firm':
      return {
        text: `waits for ${names.firm(cause.firmId)}${cause.stageId ? `, which has ${names.stage(cause.stageId)?.job ?? 'another'} then` : ' to have a slot'}`,
        sooner: 'a slot sooner, or another firm',
      };
  }
}

export function impossibleText(why: Impossible, names: PlanNames): string {
  switch (why.kind) {
    case 'circle':
      return 'waits for itself by way of other stages: change what comes after what';
    case 'noSkill':
      return why.skill
        ? `nobody there is can do ${why.skill} work${why.people > 1 ? `, ${why.people} people at once` : ''}: see skills in People`
        : why.people > 1
          ? `takes ${why.people} people at once; there are fewer`
          : 'nobody is there to do it: see People';
    case 'noPair':
      return 'live work, and no authorised person with a second one can be had: see People';
    case 'noPlace':
      return why.traits.length > 0
        ? `no bay has what it needs: ${why.traits.join(', ')}`
        : 'there is no bay: draw one on the Floor';
    case 'noTool':
      return `there is no ${why.tool}`;
    case 'noFirm':
      return 'the firm it goes to has been given up on the Floor: say another in Plan';
    case 'first':
      return `waits for ${why.jobId}, the first of its kind, which is not through and not planned`;
    case 'lessons':
      return `waits for ${why.lessons} ${why.lessons === 1 ? 'lesson' : 'lessons'} of ${why.jobId}, the first of its kind: take each into the kit, or set it aside`;
    case 'out':
      return 'the vehicle is out of the house, and nobody has said until when: see Arrival in Build';
    case 'tooFar':
      return 'cannot be done within two years as things are';
    case 'before':
      return `waits for ${inSentence(names.stage(why.stageId)?.name ?? 'a stage')}, which cannot be planned`;
  }
}

const daysText = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`;

export function changeText(change: PlanChange, facts: PlanFacts, names = planNames(facts)): string {
  const part = (number: string, id: string) =>
    facts.jobs.find((job) => job.number === number)?.parts.find(({ componentId }) => componentId === id)?.name ?? id;
  switch (change.kind) {
    case 'partLate':
      return `${part(change.job, change.componentId)} for ${change.job} ${daysText(Math.abs(change.days))} ${change.days < 0 ? 'sooner' : 'later'}`;
    case 'away':
      return `${names.person(change.personId)} away ${dayText(change.from)} to ${dayText(change.to)}`;
    case 'priority':
      return `${change.job} ${PRIORITY_NAME[change.priority]}`;
    case 'hold': {
      const stage = names.stage(change.stageId);
      const what = stage ? `${stage.name} of ${stage.job}` : 'a stage';
      return change.day ? `${what} not before ${dayText(change.day)}` : `${what} begins when it can`;
    }
    case 'firm': {
      const stage = names.stage(change.stageId);
      const what = stage ? `${stage.name} of ${stage.job}` : 'a stage';
      return change.firmId && change.days
        ? `${what} at ${names.firm(change.firmId)}, ${formatNumber(change.days, change.days % 1 === 0 ? 0 : 1)} ${change.days === 1 ? 'day' : 'days'} there`
        : `${what} by our own people`;
    }
    case 'lift':
      return `a lift in ${names.place(change.placeId)}`;
    case 'person':
      return `one more person like ${names.person(change.like)}`;
    case 'tool':
      return `one more ${change.tool}`;
    case 'overtime':
      return `${formatNumber(change.hours, change.hours % 1 === 0 ? 0 : 1)} h more a day for everybody`;
  }
}

/** "3 late, 12 days in all", or that none is. */
export const lateShort = ({ lateJobs, lateDays }: { readonly lateJobs: number; readonly lateDays: number }): string =>
  lateJobs === 0 ? 'none late' : `${lateJobs} late, ${daysText(lateDays)} in all`;

/** "1 late of 8, 3 days in all", or that every promise is kept. */
export function lateText(jobs: readonly StoredJobPlan[]): string {
  const late = jobs.filter(({ lateDays }) => lateDays > 0);
  if (late.length === 0) return `all ${jobs.length} in time`;
  const days = late.reduce((sum, { lateDays }) => sum + lateDays, 0);
  return `${late.length} late of ${jobs.length}, ${days} ${days === 1 ? 'day' : 'days'} in all`;
}

/** "one at a time, Tue Thu" */
export const firmText = ({ slots, slotDays }: FactFirm): string =>
  [
    slots === null ? '' : slots === 1 ? 'one at a time' : `${slots} at a time`,
    slotDays
      .toSorted((a, b) => a - b)
      .map((day) => WEEKDAY_NAME[day - 1])
      .join(' '),
  ]
    .filter(Boolean)
    .join(', ') || 'outside';

/** "stage 7 of 17" */
export const stageOfText = (job: FactJob, stage: FactStage): string =>
  `stage ${job.stages.findIndex(({ id }) => id === stage.id) + 1} of ${job.stages.length}`;

/** Why an order of two stages is a trap. */
export const TRAP_WHY: Readonly<Record<Trap, string>> = {
  loomsFirst: 'looms are run first, while everything is open',
  frontBeforeRear: 'the rear first makes the vehicle tip backwards on the lift',
  connectorsAfterPulling: 'no connector goes on until its loom is through',
  airConBeforeCharger: 'the charger sits over the filler of the air conditioning',
  lidsAfterProving: 'lids go on after things are known to work',
  alignAtFullWeight: 'it is aligned with the full weight in only',
  powerAfterConnectors: 'nothing is powered before its connectors are on and labelled',
};
/** "Rear box and drive in does not wait for Front box in: the rear first makes …" */
export const trapText = ({ trap, first, later }: TrapFound): string =>
  `${later.name} does not wait for ${inSentence(first.name)}: ${TRAP_WHY[trap]}.`;
