import type { MoveRefusal } from '../core/job/stateMoves.ts';
import type { JobAction, JobRefusal } from '../core/job/states.ts';

const DONE_TO: Record<JobAction, string> = {
  brief: 'its brief is closed',
  use: 'its use is closed',
  route: 'its route stays as it is',
  weigh: 'it takes no weighing',
  measure: 'it takes no measured figure',
  design: 'its designs stay as they are',
  chooseDesign: 'its designs stay as they are',
  sellDesign: 'no design is sold on it',
  kit: 'its kit stays as it is',
  cover: 'its cover stays as it is',
  decide: 'it takes no decision',
  parts: 'it has no parts list',
  stages: 'it gets no stages',
  clockOn: 'nobody clocks on to it',
  clockOff: 'nobody clocks off it',
  confirmLive: 'no live work is confirmed on it',
  reading: 'it takes no reading',
  decideReading: 'its readings stay as they are',
  finish: 'its stages stay as they are',
  snag: 'it takes no snag',
  sign: 'no check is signed on it',
  move: 'it stays where it is',
  evidence: 'its papers stay as they are',
  register: 'nothing is written into its register',
  lesson: 'it takes no lesson',
  offer: 'it takes no offer and no answer',
  wish: 'it takes no wish',
  cost: 'it takes no cost',
  state: 'it stays as it is',
};

/** Why a job does not take an action, and what to do: one sentence for page and server alike. */
export function refusalSentence(number: string, refusal: JobRefusal, action: JobAction): string {
  switch (refusal) {
    case 'handedOver':
      return `${number} is handed over: ${DONE_TO[action]}. Open a new job for new work on this vehicle.`;
    case 'cancelled':
      return `${number} is cancelled: ${DONE_TO[action]}. Open a new job for new work on this vehicle.`;
    case 'onlyEnquiry':
      return `${number} is still an enquiry: ${DONE_TO[action]} yet. Choose a design in Size first.`;
    case 'notBuiltYet':
      return `${number} is not being built yet: ${DONE_TO[action]} yet. Clock on to its first stage first.`;
  }
}

/** Why a job is not taken to another state, and what to do. */
export function moveSentence(number: string, refusal: MoveRefusal, clockedOn: readonly string[]): string {
  switch (refusal) {
    case 'noSuchMove':
      return `${number} cannot go there from where it stands.`;
    case 'clockedOn':
      return `${clockedOn.join(' and ')} ${clockedOn.length === 1 ? 'is' : 'are'} clocked on to ${number}. Clock off first.`;
    case 'openSnags':
      return `${number} has snags that nobody has put right. Put them right first.`;
    case 'openChecks':
      return `${number} has checks that are not signed as passed. Sign them first.`;
    case 'missingEvidence':
      return `${number} lacks papers that its region wants. Enter them under Prove first.`;
    case 'reasonNeeded':
      return 'A reason is needed.';
  }
}
