/** A tyre size as ETRTO / ISO 4000-1 writes it: section width mm, aspect ratio %, rim inches. */
export interface TyreSize {
  readonly widthMm: number;
  readonly aspect: number;
  readonly rimInch: number;
}

/** Aspect of a metric size that names none, of an inch size in quarters of an inch, and of a lower one between; common practice. */
const METRIC_ASPECT = 0.82;
const INCH_ASPECT = 1;
const LOW_INCH_ASPECT = 0.95;
const INCH_MM = 25.4;

/** Tyre construction and the speed letter that old sizes carry before or in it: "R", "HR", "VR 14", "D", "B", "-", "x". */
const BETWEEN = /^[\s-]*(?:[xX×]|[A-HJ-NP-Z]?\s*[RrDdBb])?[\s-]*/;
const RIM = /^(\d{2}(?:\.5)?)(?!\d)/;

/** What follows a width and aspect: anything between and a rim of 8 to 24 inches. */
function rimAfter(rest: string): number | null {
  const rim = RIM.exec(rest.slice(BETWEEN.exec(rest)?.[0].length ?? 0));
  const inch = rim ? Number(rim[1]) : Number.NaN;
  return inch >= 8 && inch <= 24 ? inch : null;
}

/**
 * Reads a tyre size as it stands on the wall or in an old handbook: "195/65 R 15", "165/80R13", "205/70 HR 15",
 * "165 R 13" and "185 VR 14" (no aspect named: 82 %), "6.00-16" and "5.20 x 13" (inches; sections in quarters of an inch
 * are as high as wide, the lower ones between 95 %; common practice before series were named). Null when unreadable.
 */
export function readTyreSize(text: string): TyreSize | null {
  const size = text.trim();
  const metric = /^(\d{3})(?:\s*\/\s*(\d{2}))?(?=\D)/.exec(size);
  if (metric) {
    const rimInch = rimAfter(size.slice(metric[0].length));
    const aspect = metric[2] ? Number(metric[2]) / 100 : METRIC_ASPECT;
    return rimInch === null ? null : { widthMm: Number(metric[1]), aspect, rimInch };
  }
  const inch = /^(\d{1,2}\.\d{2})(?=\D)/.exec(size);
  if (!inch) return null;
  const rimInch = rimAfter(size.slice(inch[0].length));
  const quarters = /\.(?:00|25|50|75)$/.test(inch[1]!);
  const aspect = quarters ? INCH_ASPECT : LOW_INCH_ASPECT;
  return rimInch === null ? null : { widthMm: Number(inch[1]) * INCH_MM, aspect, rimInch };
}

/** Unloaded diameter, mm: rim·25.4 + 2·width·aspect (ETRTO / ISO 4000-1). */
export function tyreDiameterMm({ widthMm, aspect, rimInch }: TyreSize): number {
  return rimInch * INCH_MM + 2 * widthMm * aspect;
}

/** Rolling radius, m: 0.97 of half the unloaded diameter (common practice for a loaded radial). */
export function rollingRadiusM(size: TyreSize): number {
  return (0.97 * tyreDiameterMm(size)) / 2 / 1000;
}
