import type { VehicleState } from '../../core/vehicle/state.ts';
import { readTyreSize, tyreDiameterMm } from '../../core/vehicle/tyre.ts';

/** Lengths of one vehicle that every drawing needs, mm; x from the front axle line, rearwards positive. */
export interface Lengths {
  readonly frontX: number;
  readonly rearX: number;
  readonly wheelbase: number;
  readonly track: number;
  readonly width: number;
  readonly height: number;
  readonly clearance: number;
  readonly wheel: number;
  readonly tyreWidth: number;
}

export function lengthsOf({ figures, variant }: VehicleState): Lengths {
  const tyre = readTyreSize(variant.tyre);
  const frontX = -variant.shape.frontOverhangMm;
  return {
    frontX,
    rearX: frontX + figures.length.value,
    wheelbase: figures.wheelbase.value,
    track: figures.track.value,
    width: figures.width.value,
    height: figures.height.value,
    clearance: figures.groundClearance.value,
    wheel: tyre ? tyreDiameterMm(tyre) : 620,
    tyreWidth: tyre?.widthMm ?? 165,
  };
}

export type Point = readonly [x: number, y: number];

/** Side outline of the body as points (x rearwards, z up from the ground), front bumper first, clockwise. */
export function sideOutline(state: VehicleState): Point[] {
  const l = lengthsOf(state);
  const { style, bonnetMm, bonnetHeightMm, screenRunMm, cabEndMm } = state.variant.shape;
  const sill = l.clearance + 60;
  const scuttle = l.frontX + bonnetMm;
  const roofFront = scuttle + screenRunMm;
  const nose: Point[] = [
    [l.frontX, sill],
    [l.frontX, bonnetHeightMm * 0.74],
    [l.frontX + Math.min(90, bonnetMm * 0.25), bonnetHeightMm * 0.94],
    [scuttle, bonnetHeightMm],
  ];
  const tail: Point[] = [[l.rearX, sill]];
  const cabEnd = l.frontX + cabEndMm;
  if (style === 'open') {
    return [
      ...nose,
      [roofFront - screenRunMm * 0.4, l.height],
      [roofFront - screenRunMm * 0.4 + 30, l.height],
      [scuttle + 60, bonnetHeightMm],
      [cabEnd, bonnetHeightMm * 0.98],
      [l.rearX - 160, bonnetHeightMm * 0.95],
      [l.rearX, bonnetHeightMm * 0.66],
      ...tail,
    ];
  }
  if (style === 'lorry') {
    const bed = l.clearance + 420;
    return [
      ...nose,
      [roofFront, l.height * 0.8],
      [cabEnd - 60, l.height * 0.8],
      [cabEnd, l.height * 0.77],
      [cabEnd, bed + 40],
      [cabEnd + 90, bed + 40],
      [cabEnd + 90, l.height],
      [l.rearX, l.height],
      [l.rearX, bed],
      ...tail,
    ];
  }
  if (style === 'tug') {
    return [
      ...nose,
      [roofFront, l.height * 0.98],
      [roofFront + 40, l.height],
      [cabEnd, l.height],
      [cabEnd + 20, bonnetHeightMm * 0.92],
      [l.rearX, bonnetHeightMm * 0.9],
      ...tail,
    ];
  }
  return [...nose, [roofFront, l.height], [l.rearX - 90, l.height], [l.rearX, l.height - 110], ...tail];
}

/** Side window: a quadrilateral behind the screen, or null where there is none to draw. */
export function sideWindow(state: VehicleState): Point[] | null {
  const l = lengthsOf(state);
  const { style, bonnetMm, bonnetHeightMm, screenRunMm, cabEndMm } = state.variant.shape;
  if (style === 'open') return null;
  const roof = style === 'lorry' ? l.height * 0.8 : l.height;
  const scuttle = l.frontX + bonnetMm;
  const end =
    style === 'van' || style === 'lorry' || style === 'fourByFour'
      ? Math.min(l.frontX + cabEndMm - 90, scuttle + screenRunMm + 760)
      : l.frontX + cabEndMm - 220;
  return [
    [scuttle + screenRunMm * 0.34, bonnetHeightMm + 50],
    [scuttle + screenRunMm + 40, roof - 110],
    [end, roof - 110],
    [end, bonnetHeightMm + 50],
  ];
}

/** Plan outline as an SVG path in mm (x along, y across), nose rounded, tail square-shouldered. */
export function planPath(state: VehicleState): string {
  const l = lengthsOf(state);
  const h = l.width / 2;
  const nose = Math.min(l.width * 0.42, 620);
  const tail = 90;
  return [
    `M ${l.frontX + nose} ${-h}`,
    `L ${l.rearX - tail} ${-h}`,
    `Q ${l.rearX} ${-h} ${l.rearX} ${-h + tail}`,
    `L ${l.rearX} ${h - tail}`,
    `Q ${l.rearX} ${h} ${l.rearX - tail} ${h}`,
    `L ${l.frontX + nose} ${h}`,
    `Q ${l.frontX + nose * 0.08} ${h} ${l.frontX} ${h * 0.42}`,
    `L ${l.frontX} ${-h * 0.42}`,
    `Q ${l.frontX + nose * 0.08} ${-h} ${l.frontX + nose} ${-h}`,
    'Z',
  ].join(' ');
}
