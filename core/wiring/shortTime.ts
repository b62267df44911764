/** A point of a time–current curve: this current for that long, s. */
export interface ShortTimePoint {
  readonly amps: number;
  readonly seconds: number;
}

/**
 * Current that a fuse, cable, contactor or connector stands for so long, A. Between two points of its curve the line is
 * straight on paper ruled by logarithms both ways, as such curves are drawn; longer than the last point it is what the part
 * carries for good, shorter than the first no more than the first. Points that say less than what it carries for good say nothing.
 *
 * @param seconds how long; infinite: for good
 * @returns null where the sheet states no points
 */
export function standsFor(
  points: readonly ShortTimePoint[] | undefined,
  continuousA: number,
  seconds: number,
): number | null {
  const curve = (points ?? [])
    .filter(({ amps, seconds: s }) => amps >= continuousA && s > 0)
    .sort((a, b) => a.seconds - b.seconds || b.amps - a.amps);
  const [first] = curve;
  if (!first) return null;
  if (seconds <= first.seconds) return first.amps;
  const next = curve.findIndex((point) => point.seconds >= seconds);
  if (next < 0) return continuousA;
  const [a, b] = [curve[next - 1]!, curve[next]!];
  const along = Math.log(seconds / a.seconds) / Math.log(b.seconds / a.seconds);
  return a.amps * (b.amps / a.amps) ** along;
}
