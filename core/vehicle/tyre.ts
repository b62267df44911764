/** A tyre size as ETRTO / ISO 4000-1 writes it: section width mm, aspect ratio %, rim inches. */
export interface TyreSize {
  readonly widthMm: number;
  readonly aspect: number;
  readonly rimInch: number;
}

/** Reads "195/65 R 15", "165/80R13" or "6.50-16" (aspect taken as 1.0 for inch sizes, rounded section 25.4 mm). Null when unreadable. */
export function readTyreSize(text: string): TyreSize | null {
  const metric = /^\s*(\d{3})\s*\/\s*(\d{2})\s*-?\s*[RrDd]?\s*(\d{2}(?:\.5)?)/.exec(text);
  if (metric) return { widthMm: Number(metric[1]), aspect: Number(metric[2]) / 100, rimInch: Number(metric[3]) };
  const inch = /^\s*(\d{1,2}\.\d{2})\s*(?:-|[Rr])\s*(\d{2})/.exec(text);
  if (inch) return { widthMm: Number(inch[1]) * 25.4, aspect: 1, rimInch: Number(inch[2]) };
  return null;
}

/** Unloaded diameter, mm: rim·25.4 + 2·width·aspect (ETRTO / ISO 4000-1). */
export function tyreDiameterMm({ widthMm, aspect, rimInch }: TyreSize): number {
  return rimInch * 25.4 + 2 * widthMm * aspect;
}

/** Rolling radius, m: 0.97 of half the unloaded diameter (common practice for a loaded radial). */
export function rollingRadiusM(size: TyreSize): number {
  return (0.97 * tyreDiameterMm(size)) / 2 / 1000;
}
