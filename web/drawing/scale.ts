/** Millimetres to drawing units, with the origin of the drawing. */
export interface Scale {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly size: (mm: number) => number;
}

/** A scale that puts `x0`, `y0` (mm) at `left`, `top` and takes `perMm` units for each mm. */
export function scaleAt(left: number, top: number, x0: number, y0: number, perMm: number): Scale {
  return { x: (mm) => left + (mm - x0) * perMm, y: (mm) => top + (mm - y0) * perMm, size: (mm) => mm * perMm };
}
