import type { StageRow } from '../contract/stages.ts';
import type { ReworkCause, WaitingCause } from '../core/hours/entry.ts';
import type { JobState } from '../core/job/states.ts';
import type { StepLimit } from '../core/kit/kit.ts';
import type { CheckLimit } from '../core/prove/check.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { QuantityKind } from '../core/quantity/kinds.ts';
import { type UnitSet, unitOf } from '../core/quantity/units.ts';
import type { EntryKind } from '../core/stage/stageRules.ts';
import type { PartState } from '../core/stores/partMove.ts';

export const JOB_STATE_NAME: Record<JobState, string> = {
  enquiry: 'Enquiry',
  sizing: 'Being sized',
  offered: 'Offered',
  agreed: 'Agreed',
  waitingForClient: 'Waiting for the client',
  waitingForPart: 'Waiting for a part',
  waitingOutside: 'Waiting outside',
  building: 'Being built',
  proving: 'Being proved',
  handedOver: 'Handed over',
  cancelled: 'Cancelled',
};

export const PART_STATE_NAME: Record<PartState, string> = {
  missing: 'Missing',
  ordered: 'Ordered',
  inStores: 'In stores',
  picked: 'Picked',
  fitted: 'Fitted',
};
export const STAGE_STATE_NAME: Record<StageRow['state'], string> = {
  waiting: 'not started',
  inHand: 'in hand',
  stopped: 'stopped',
  done: 'finished',
};
export const ENTRY_NAME: Record<EntryKind, string> = {
  work: 'Work',
  rework: 'Rework',
  waiting: 'Waiting',
  learning: 'Learning',
};
export const REWORK_NAME: Record<ReworkCause, string> = {
  wrongDrawing: 'Wrong drawing',
  wrongPart: 'Wrong part',
  damaged: 'Damaged',
  changedWish: 'Changed wish',
  ownMistake: 'Own mistake',
};
export const WAITING_NAME: Record<WaitingCause, string> = {
  part: 'For a part',
  bay: 'For a bay',
  client: 'For the client',
  outsideFirm: 'For an outside firm',
};

/** What for, with its cause: "rework: wrong drawing". */
export function entryText(kind: EntryKind, cause: string | null): string {
  const name =
    kind === 'rework'
      ? REWORK_NAME[cause as ReworkCause]
      : kind === 'waiting'
        ? WAITING_NAME[cause as WaitingCause]
        : null;
  return name ? `${ENTRY_NAME[kind]}: ${name.toLowerCase()}` : ENTRY_NAME[kind];
}

/** Limits as a person says them: "62 to 70 N·m", "at least 25 mm". */
export function limitText(
  limit: Pick<StepLimit, 'min' | 'max'> | Pick<CheckLimit, 'min' | 'max'>,
  kind: QuantityKind,
  set: UnitSet,
): string {
  const show = (value: number) => formatQuantity(value, kind, set, kind === 'resistance' ? { digits: 0 } : {});
  const [low, high] = unitOf(kind, set).inverse ? [limit.max, limit.min] : [limit.min, limit.max];
  if (low !== null && high !== null)
    return `${show(low).replace(`\u00a0${unitOf(kind, set).symbol}`, '')} to ${show(high)}`;
  return low !== null ? `at least ${show(low)}` : `at most ${show(high ?? 0)}`;
}
