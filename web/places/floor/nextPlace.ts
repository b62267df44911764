export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const middle = ({ left, top, width, height }: Box) => [left + width / 2, top + height / 2] as const;
/** How much straying sideways counts against going ahead. */
const STRAY = 2;

/** The nearest place in a direction, by the middles of both, other than the one it is in; null when there is none that way. */
export function nextPlace(from: Box, places: readonly Box[], [wayX, wayY]: readonly [number, number]): Box | null {
  const [x, y] = middle(from);
  let best: Box | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const place of places) {
    const here = x >= place.left && x <= place.left + place.width && y >= place.top && y <= place.top + place.height;
    if (here) continue;
    const [toX, toY] = middle(place);
    const ahead = (toX - x) * wayX + (toY - y) * wayY;
    const aside = Math.abs((toX - x) * wayY) + Math.abs((toY - y) * wayX);
    const far = ahead + STRAY * aside;
    if (ahead > 1 && ahead > aside / STRAY && far < least) {
      best = place;
      least = far;
    }
  }
  return best;
}
