export type StageState = 'waiting' | 'inHand' | 'stopped' | 'done';

export interface StageFacts {
  readonly key: string;
  readonly state: StageState;
  readonly after: readonly string[];
  readonly liveHv: boolean;
}

/** Stages that must be done first and are not. Links to stages the job does not have do not hold it up. */
export function openBefore<S extends StageFacts>(stage: StageFacts, all: readonly S[]): S[] {
  return all.filter((other) => stage.after.includes(other.key) && other.state !== 'done');
}

/** Kinds of time a person can be clocked on for. */
export const ENTRY_KINDS = ['work', 'rework', 'waiting', 'learning'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** Is a person with this kind of time at the vehicle? Somebody who waits is not, and counts for nothing. */
export const isAtWork = (kind: EntryKind): boolean => kind !== 'waiting';

export interface PersonOn {
  readonly personId: string;
  readonly kind: EntryKind;
  /** Last day of the high-voltage authorisation, ISO date; null without one. */
  readonly hvUntil: string | null;
}

export type PresenceProblem = 'nobodyAuthorised' | 'secondPersonMissing' | 'authorisationExpired';

/**
 * Live high-voltage work needs two people at work on the stage, one with an authorisation that still runs today
 * (trade §7.2); whoever only waits does not count. Null when that holds.
 */
export function hvPresenceProblem(on: readonly PersonOn[], todayIso: string): PresenceProblem | null {
  const people = on.filter((person) => isAtWork(person.kind));
  const authorised = people.filter((person) => person.hvUntil !== null);
  if (authorised.length === 0) return 'nobodyAuthorised';
  if (authorised.every((person) => (person.hvUntil ?? '') < todayIso)) return 'authorisationExpired';
  return new Set(people.map((person) => person.personId)).size < 2 ? 'secondPersonMissing' : null;
}

export interface StepFacts {
  readonly done: boolean;
  readonly outOfLimits: boolean;
  readonly decided: boolean;
  /** It waits for a second signature. @default false */
  readonly unsigned?: boolean;
}

export type FinishProblem = 'stepsOpen' | 'stopped' | 'unsigned';

/** Why a stage cannot be finished: a reading out of limits that nobody decided on, steps without an answer, or without the second signature they want. */
export function finishProblem(steps: readonly StepFacts[]): FinishProblem | null {
  if (steps.some((step) => step.outOfLimits && !step.decided)) return 'stopped';
  if (!steps.every((step) => step.done)) return 'stepsOpen';
  return steps.some((step) => step.unsigned) ? 'unsigned' : null;
}

/** The stage a person would look at next: in hand or stopped, else the first that nothing holds up. */
export function currentStage<S extends StageFacts>(all: readonly S[]): S | null {
  const active = all.find((stage) => stage.state === 'inHand' || stage.state === 'stopped');
  return active ?? all.find((stage) => stage.state === 'waiting' && openBefore(stage, all).length === 0) ?? null;
}
