import type { JobState } from './states.ts';

/** Where a person may take a job from each state. Clock-on, last stage and chosen design move it besides. */
const MOVES: Readonly<Record<JobState, readonly JobState[]>> = {
  enquiry: ['sizing', 'waitingForClient', 'cancelled'],
  sizing: ['offered', 'waitingForClient', 'cancelled'],
  offered: ['agreed', 'sizing', 'waitingForClient', 'cancelled'],
  agreed: ['building', 'sizing', 'waitingForClient', 'waitingForPart', 'waitingOutside', 'cancelled'],
  waitingForClient: [
    'sizing',
    'offered',
    'agreed',
    'building',
    'proving',
    'waitingForPart',
    'waitingOutside',
    'cancelled',
  ],
  waitingForPart: ['agreed', 'building', 'proving', 'waitingForClient', 'waitingOutside', 'cancelled'],
  waitingOutside: ['agreed', 'building', 'proving', 'waitingForClient', 'waitingForPart', 'cancelled'],
  building: ['proving', 'waitingForClient', 'waitingForPart', 'waitingOutside', 'cancelled'],
  proving: ['handedOver', 'building', 'waitingForClient', 'waitingForPart', 'waitingOutside', 'cancelled'],
  handedOver: ['proving'],
  cancelled: ['sizing'],
};

/** What of a job decides where it may go. */
export interface Movable {
  readonly state: JobState;
  /** People clocked on to it, by name. */
  readonly clockedOn: readonly string[];
  readonly openSnags: number;
  /** Checks not signed as passed. */
  readonly openChecks: number;
  readonly openStages: number;
  /** Papers its region wants that nobody has entered. */
  readonly missingEvidence: number;
}

export type MoveRefusal = 'noSuchMove' | 'clockedOn' | 'openSnags' | 'openChecks' | 'missingEvidence' | 'reasonNeeded';

export interface StateMove {
  readonly to: JobState;
  /** A reason must be given with it. */
  readonly reason: boolean;
  /** Why it cannot be made now; null when it can. */
  readonly refusal: Exclude<MoveRefusal, 'noSuchMove' | 'reasonNeeded'> | null;
}

/** Going back, giving up, waiting and leaving stages open are told with a reason; the way forward needs none. */
const needsReason = ({ state: from, openStages }: Movable, to: JobState): boolean =>
  to === 'cancelled' ||
  from === 'cancelled' ||
  from === 'handedOver' ||
  to.startsWith('waiting') ||
  (to === 'proving' && openStages > 0) ||
  (from === 'proving' && to === 'building') ||
  (from === 'agreed' && to === 'sizing');

/**
 * Where a job may be taken now. Nothing is closed while somebody is on its clock; it is handed over with every check
 * signed as passed, no snag open and every paper there that its region wants.
 */
export function stateMoves(job: Movable): StateMove[] {
  return MOVES[job.state].map((to) => {
    const closes = to === 'cancelled' || to === 'handedOver';
    const refusal =
      closes && job.clockedOn.length > 0
        ? 'clockedOn'
        : to !== 'handedOver'
          ? null
          : job.openSnags > 0
            ? 'openSnags'
            : job.openChecks > 0
              ? 'openChecks'
              : job.missingEvidence > 0
                ? 'missingEvidence'
                : null;
    return { to, reason: needsReason(job, to), refusal };
  });
}

/** Why a job cannot be taken to a state, or null. */
export function moveRefusal(job: Movable, to: JobState, reason: string): MoveRefusal | null {
  const move = stateMoves(job).find((one) => one.to === to);
  if (!move) return 'noSuchMove';
  if (move.refusal) return move.refusal;
  return move.reason && reason.trim() === '' ? 'reasonNeeded' : null;
}
