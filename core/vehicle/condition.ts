/** What went along with a vehicle that was handed over, and whether it came back. */
export interface HandedItem {
  readonly what: string;
  readonly back: boolean | null;
}

export const CONNECTOR_POINTS = ['pin', 'wire', 'crimp', 'seal'] as const;
export const BOX_POINTS = ['torque', 'seal'] as const;
export type InspectionKind = 'connector' | 'box';
/** What is looked at on arrival, of a connector and of a box (common practice). */
export const POINTS_OF: Readonly<Record<InspectionKind, readonly string[]>> = {
  connector: CONNECTOR_POINTS,
  box: BOX_POINTS,
};

export interface Inspected {
  readonly what: string;
  readonly kind: InspectionKind;
  readonly points: Readonly<Record<string, 'good' | 'failed' | null>>;
  readonly at: string;
}

/**
 * Each connector and box as it was last looked at, with the newest verdict on each of its points: a look at the pins says
 * nothing of a crimp that failed before.
 */
export function newestInspections<I extends Inspected>(all: readonly I[]): I[] {
  const newest = new Map<string, I>();
  for (const one of all.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))) {
    const key = JSON.stringify([one.kind, one.what.toLowerCase()]);
    const seen = Object.entries(one.points).filter(([, verdict]) => verdict !== null);
    newest.set(key, { ...one, points: { ...newest.get(key)?.points, ...Object.fromEntries(seen) } });
  }
  return [...newest.values()];
}

/** Those of which a point was bad when it was last looked at: live work waits until each is put right and looked at again. */
export const failedInspections = <I extends Inspected>(all: readonly I[]): I[] =>
  newestInspections(all).filter(({ points }) => Object.values(points).includes('failed'));

/** One point of a dial: what the signal said, and what it showed. */
export interface DashPoint {
  readonly signal: number;
  readonly shown: number;
}
/** Points a dial is calibrated at (trade §8). */
export const DASH_POINTS = 5;

export interface DashVerdict {
  /** The largest distance between what it showed and what it should, share of full scale. */
  readonly worst: number;
  readonly proved: boolean;
}

/**
 * Is a dial proved? Five points, each within the tolerance of full scale, and rising all the way: a needle that
 * turns back lies somewhere. Null until there are five.
 *
 * @param tolerance share of full scale
 */
export function dashVerdict(points: readonly DashPoint[], tolerance: number): DashVerdict | null {
  if (points.length < DASH_POINTS) return null;
  const sorted = points.toSorted((a, b) => a.signal - b.signal);
  const signals = sorted.map(({ signal }) => signal);
  const scale = signals.at(-1)! - signals[0]!;
  if (scale <= 0) return { worst: Number.POSITIVE_INFINITY, proved: false };
  const worst = Math.max(...sorted.map(({ signal, shown }) => Math.abs(shown - signal) / scale));
  const steps = sorted.slice(1).map((point, i) => point.shown - sorted[i]!.shown);
  const rises = steps.every((step) => step > 0);
  return { worst, proved: worst <= tolerance && rises };
}

/** Settings of a controller, charger or management unit by their names, in base units. */
export type SettingValues = Readonly<Record<string, number>>;

/** A setting that the design holds to a most or a least. */
export interface SettingCap {
  readonly key: string;
  readonly most: number | null;
  readonly least: number | null;
}

export interface CapBroken extends SettingCap {
  readonly value: number;
}

/** A share of a limit that binary numbers may be off by. */
const HAIR = 1e-9;

/** Settings that ask for more than the design allows, or for less than it needs. */
export const capsBroken = (values: SettingValues, caps: readonly SettingCap[]): CapBroken[] =>
  caps.flatMap((cap) => {
    const value = values[cap.key];
    if (value === undefined) return [];
    const over = cap.most !== null && value > cap.most + Math.abs(cap.most) * HAIR;
    const under = cap.least !== null && value < cap.least - Math.abs(cap.least) * HAIR;
    return over || under ? [{ ...cap, value }] : [];
  });

/** What changed between two versions of settings, in the order of their names. */
export function settingChanges(
  before: SettingValues,
  after: SettingValues,
): { readonly key: string; readonly before: number | null; readonly after: number | null }[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .sort()
    .filter((key) => before[key] !== after[key])
    .map((key) => ({ key, before: before[key] ?? null, after: after[key] ?? null }));
}
