import type { EntryKind } from '../stage/stageRules.ts';

export const REWORK_CAUSES = ['wrongDrawing', 'wrongPart', 'damaged', 'changedWish', 'ownMistake'] as const;
export type ReworkCause = (typeof REWORK_CAUSES)[number];
export const WAITING_CAUSES = ['part', 'bay', 'client', 'outsideFirm'] as const;
export type WaitingCause = (typeof WAITING_CAUSES)[number];

/** Kinds of time that need a cause, and which. */
export const CAUSES: Partial<Record<EntryKind, readonly string[]>> = { rework: REWORK_CAUSES, waiting: WAITING_CAUSES };

/** Time of one person, from one instant to another; epoch milliseconds. */
export interface Span {
  readonly from: number;
  /** Null: still on the clock. */
  readonly to: number | null;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** The longest anybody is taken to have worked in one go, hours; common practice, more is a forgotten clock-off. */
export const LONGEST_H = 16;
/** How far back hours are entered or corrected, days: what is older has been paid. Common practice. */
export const OLDEST_DAYS = 62;

export type SpanProblem = 'backwards' | 'ahead' | 'tooLong' | 'tooOld';

/** What is wrong with hours as somebody enters them afterwards; null where nothing is. */
export function spanProblem({ from, to }: Span, now: number): SpanProblem | null {
  if (to !== null && to <= from) return 'backwards';
  if (from > now || (to !== null && to > now)) return 'ahead';
  if ((to ?? now) - from > LONGEST_H * HOUR_MS) return 'tooLong';
  return from < now - OLDEST_DAYS * DAY_MS ? 'tooOld' : null;
}

/**
 * Until when hours count for a sum: on the clock until now; one that was left running for the longest anybody works in one
 * go, until its person says when they stopped.
 */
export const clockedTo = ({ from, to }: Span, now: number): number => to ?? Math.min(now, from + LONGEST_H * HOUR_MS);

/**
 * When something was done by a clock that may be wrong: its age by that clock, taken off the time here, so that a tablet
 * three hours off does no harm. What was done "later" than it was sent (the clock was set back in between) counts as just
 * now; null where it is older than `oldestMs`, and nobody can know whether it was taken before.
 *
 * @param now here, epoch ms · @param said by the clock that made it: when it was done and when it was sent, epoch ms
 */
export function madeAt(
  now: number,
  said: { readonly made: number; readonly sent: number },
  oldestMs: number,
): number | null {
  const age = Math.max(0, said.sent - said.made);
  return age > oldestMs ? null : now - age;
}
