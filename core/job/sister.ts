/** How far the first of its kind is, on whose lessons its sisters wait. */
export interface FirstOfKind {
  /** Handed over, or given up. */
  readonly over: boolean;
  /** Its stages in all; 0 while it is sized, or nobody has made them. */
  readonly stages: number;
  /** Those that are not finished. */
  readonly open: number;
  /** Lessons neither taken in nor set aside. */
  readonly lessons: number;
}

/** What holds a sister: the first of its kind is not through yet, or so many of its lessons are not settled. */
export type SisterHold = { readonly kind: 'first' } | { readonly kind: 'lessons'; readonly lessons: number };

/**
 * What a sister waits for before any of its stages is begun; null where nothing holds it. The first is driven hard before
 * the next are begun: it is through when it has stages and all are finished, or when it is over, and not while it is still
 * being sized. Plan, clock and page ask this and nothing else.
 */
export function sisterHold({ over, stages, open, lessons }: FirstOfKind): SisterHold | null {
  if (!over && (stages === 0 || open > 0)) return { kind: 'first' };
  return lessons > 0 ? { kind: 'lessons', lessons } : null;
}
