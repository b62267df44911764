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

export interface PersonOn {
  readonly personId: string;
  /** Last day of the high-voltage authorisation, ISO date; null without one. */
  readonly hvUntil: string | null;
}

export type PresenceProblem = 'nobodyAuthorised' | 'secondPersonMissing' | 'authorisationExpired';

/**
 * Live high-voltage work needs two people on the stage, one with an authorisation that still runs today
 * (trade §7.2). Null when that holds.
 */
export function hvPresenceProblem(people: readonly PersonOn[], todayIso: string): PresenceProblem | null {
  const authorised = people.filter((person) => person.hvUntil !== null);
  if (authorised.length === 0) return 'nobodyAuthorised';
  if (authorised.every((person) => (person.hvUntil ?? '') < todayIso)) return 'authorisationExpired';
  return people.length < 2 ? 'secondPersonMissing' : null;
}

export interface StepFacts {
  readonly done: boolean;
  readonly outOfLimits: boolean;
  readonly decided: boolean;
}

export type FinishProblem = 'stepsOpen' | 'stopped';

/** Why a stage cannot be finished: steps without an answer, or a reading out of limits that nobody decided on. */
export function finishProblem(steps: readonly StepFacts[]): FinishProblem | null {
  if (steps.some((step) => step.outOfLimits && !step.decided)) return 'stopped';
  return steps.every((step) => step.done) ? null : 'stepsOpen';
}

/** The stage a person would look at next: in hand or stopped, else the first that nothing holds up. */
export function currentStage<S extends StageFacts>(all: readonly S[]): S | null {
  const active = all.find((stage) => stage.state === 'inHand' || stage.state === 'stopped');
  return active ?? all.find((stage) => stage.state === 'waiting' && openBefore(stage, all).length === 0) ?? null;
}
