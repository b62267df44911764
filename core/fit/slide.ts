/** Closed span of slides that a demand allows, mm; ends may be infinite. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Something that decides how far a cradle may be slid rearwards from where it is drawn. */
export interface Demand {
  readonly name: string;
  readonly kind: 'point' | 'clearance' | 'aim';
  /** Spans it allows, apart from each other and in order; none: it cannot be met by sliding. */
  readonly allows: readonly Span[];
}

export type Slide =
  | { readonly found: true; readonly slideMm: number /** How far it may still go either way. */; readonly room: Span }
  | {
      readonly found: false;
      /** Two demands that exclude each other; one that nothing meets stands there twice; null: only all together. */
      readonly between: readonly [Demand, Demand] | null;
      /** By how much the two are apart, mm; null where that is no length. */
      readonly shortMm: number | null;
    };

const both = (a: readonly Span[], b: readonly Span[]): Span[] =>
  a
    .flatMap((x) => b.map((y) => ({ from: Math.max(x.from, y.from), to: Math.min(x.to, y.to) })))
    .filter(({ from, to }) => from <= to)
    .sort((x, y) => x.from - y.from);

const apart = (a: readonly Span[], b: readonly Span[]): number =>
  Math.min(...a.flatMap((x) => b.map((y) => Math.max(x.from, y.from) - Math.min(x.to, y.to))));

/** A cradle that has to be slid is slid so far past the edge of what would do, where there is room; common practice. */
export const RESERVE_MM = 5;

/** The place in these spans nearest to nothing moved, with some reserve to the edge where it has to move at all. */
function nearest(spans: readonly Span[], reserveMm: number): { slideMm: number; room: Span } | null {
  let best: { slideMm: number; room: Span } | null = null;
  for (const room of spans) {
    const inset = Math.min(reserveMm, (room.to - room.from) / 2);
    const slideMm = room.from > 0 ? room.from + inset : room.to < 0 ? room.to - inset : 0;
    if (best === null || Math.abs(slideMm) < Math.abs(best.slideMm)) best = { slideMm, room };
  }
  return best;
}

/**
 * The smallest common slide that meets every demand at once: a cradle is one piece, so what suits one bolt must suit the
 * others, the clearances and the aim of the axle too. Exact: the spans are intersected, nothing is tried. Where there is
 * none, the two demands that are furthest from meeting are named, with the millimetres between them.
 */
export function commonSlide(demands: readonly Demand[], reserveMm = RESERVE_MM): Slide {
  const all = demands.reduce<readonly Span[]>(
    (left, { allows }) => both(left, allows),
    [{ from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY }],
  );
  const found = nearest(all, reserveMm);
  if (found) return { found: true, ...found };
  const never = demands.find(({ allows }) => allows.length === 0);
  if (never) return { found: false, between: [never, never], shortMm: null };
  let worst: { between: [Demand, Demand]; shortMm: number } | null = null;
  for (const [i, a] of demands.entries())
    for (const b of demands.slice(i + 1)) {
      if (both(a.allows, b.allows).length > 0) continue;
      const shortMm = apart(a.allows, b.allows);
      if (worst === null || shortMm > worst.shortMm) worst = { between: [a, b], shortMm };
    }
  return worst ? { found: false, ...worst } : { found: false, between: null, shortMm: null };
}

/** Slides that keep two spans along the vehicle apart by a gap, where one of them moves with the slide. */
export function keepsApart(moving: Span, fixed: Span, gapMm: number): Span[] {
  return [
    { from: Number.NEGATIVE_INFINITY, to: fixed.from - gapMm - moving.to },
    { from: fixed.to + gapMm - moving.from, to: Number.POSITIVE_INFINITY },
  ];
}
