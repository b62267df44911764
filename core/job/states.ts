/** Where a job stands in its life. */
export const JOB_STATES = [
  'enquiry',
  'sizing',
  'offered',
  'agreed',
  'waitingForClient',
  'waitingForPart',
  'waitingOutside',
  'building',
  'proving',
  'handedOver',
  'cancelled',
] as const;
export type JobState = (typeof JOB_STATES)[number];

/** What people do to a job. Every address of the server that changes a job does exactly one of these. */
export const JOB_ACTIONS = [
  'brief',
  'use',
  'route',
  'weigh',
  'measure',
  'design',
  'chooseDesign',
  'sellDesign',
  'kit',
  'cover',
  'decide',
  'parts',
  'stages',
  'clockOn',
  'clockOff',
  'confirmLive',
  'reading',
  'decideReading',
  'finish',
  'snag',
  'sign',
  'move',
  'evidence',
  'register',
  'lesson',
  'offer',
  'wish',
  'cost',
  'state',
] as const;
export type JobAction = (typeof JOB_ACTIONS)[number];

/** Why an action is not possible in a state; the wording says what to do about it. */
export type JobRefusal = 'handedOver' | 'cancelled' | 'onlyEnquiry' | 'notBuiltYet';

const ALWAYS: readonly JobAction[] = ['move', 'clockOff', 'state', 'lesson', 'cost'];
/** Nothing has been built on it yet. */
const NOT_BUILT: readonly JobState[] = ['sizing', 'offered', 'agreed'];

const FROM_ENQUIRY: readonly JobAction[] = [
  'brief',
  'use',
  'route',
  'weigh',
  'measure',
  'design',
  'chooseDesign',
  'kit',
  'cover',
  'decide',
  'snag',
  'evidence',
  'offer',
];

/**
 * The table of what may be done when. Working out and measuring begin with the enquiry; parts, stages and the clock
 * need a job that is being sized at least; a check is signed on a vehicle that is being built or proved (parts and
 * clients may be waited for meanwhile). What is handed over or cancelled takes nothing more: the vehicle may still be
 * moved, whoever is on the clock may leave it, and what was learnt can be noted.
 *
 * @returns null when the action is possible, else the reason.
 */
export function jobRefusal(state: JobState, action: JobAction): JobRefusal | null {
  if (ALWAYS.includes(action)) return null;
  if (state === 'handedOver' || state === 'cancelled') return state;
  if (FROM_ENQUIRY.includes(action)) return null;
  if (state === 'enquiry') return 'onlyEnquiry';
  return NOT_BUILT.includes(state) && action === 'sign' ? 'notBuiltYet' : null;
}

/** Is the job still to be worked on? */
/** States of jobs that are not over. */
export const OPEN_STATES: readonly JobState[] = JOB_STATES.filter(
  (state) => state !== 'handedOver' && state !== 'cancelled',
);
export const isOpen = (state: JobState): boolean => state !== 'handedOver' && state !== 'cancelled';

/** Somebody or something is waited for. */
const WAITING: readonly JobState[] = ['waitingForClient', 'waitingForPart', 'waitingOutside'];

/** The state a job is in once somebody has clocked on to one of its stages. */
export const stateAfterClockOn = (state: JobState): JobState =>
  NOT_BUILT.includes(state) || WAITING.includes(state) ? 'building' : state;

/** The state after a design was chosen: an enquiry becomes a job that is being sized. */
export const stateAfterChoice = (state: JobState): JobState => (state === 'enquiry' ? 'sizing' : state);

/** The state after an offer was sent: what was asked or sized is offered. */
export const stateAfterSent = (state: JobState): JobState =>
  state === 'enquiry' || state === 'sizing' ? 'offered' : state;

/** The state after an offer was accepted; work that has begun goes on. */
export const stateAfterAgreed = (state: JobState): JobState =>
  state === 'enquiry' || state === 'sizing' || state === 'offered' || state === 'waitingForClient' ? 'agreed' : state;

/** The state after a stage was finished: with none left open a vehicle goes on to be proved. */
export const stateAfterFinish = (state: JobState, openStages: number): JobState =>
  state === 'building' && openStages === 0 ? 'proving' : state;
