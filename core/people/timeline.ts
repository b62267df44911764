/** A stretch of days with what it is of. */
export interface Span {
  readonly id: string;
  readonly from: number;
  readonly to: number;
}

export interface Drawn extends Span {
  /** 0..1 across what is shown. */
  readonly left: number;
  readonly width: number;
}

/**
 * Spans as they lie in a window of days, cut at its ends; those outside are left out. Both ends of a span are whole days
 * that belong to it.
 *
 * @param first first day shown · @param days how many are shown
 */
export function drawnIn(spans: readonly Span[], first: number, days: number): Drawn[] {
  return spans.flatMap((span) => {
    const left = Math.max(0, (span.from - first) / days);
    const right = Math.min(1, (span.to + 1 - first) / days);
    return right > left ? [{ ...span, left, width: right - left }] : [];
  });
}
