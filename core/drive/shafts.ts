/** A shaft between two joints, as it would be measured: how far apart, and how far one end lies off across it. */
export interface ShaftChoice {
  readonly name: string;
  readonly joint: 'cross' | 'ball';
  /** Between the joints along the shaft's way (across the vehicle for a half shaft, lengthways for a propeller shaft), mm. */
  readonly alongMm: number;
  /** Offset across it at rest, at full droop and at full bump, mm; signs tell the side. */
  readonly restMm: number;
  readonly droopMm: number;
  readonly bumpMm: number;
  /** How far the joint slides, mm; null: not known. */
  readonly travelMm: number | null;
  /** Angle of the joint's own sheet, degrees; null: common practice. */
  readonly limitDeg: number | null;
}

/** Angle a joint may turn at for good; common practice, a joint's own sheet first. */
export const USUAL_LIMIT_DEG = { cross: 6, ball: 12 } as const;

/** The most a joint may turn for a moment, on full droop or bump; common practice for joints that plunge, its sheet first. */
export const USUAL_MOST_DEG = { cross: 15, ball: 22 } as const;

export const NEW_SHAFT: ShaftChoice = {
  name: 'half shaft',
  joint: 'ball',
  alongMm: 400,
  restMm: 20,
  droopMm: 60,
  bumpMm: 20,
  travelMm: null,
  limitDeg: null,
};

export interface ShaftVerdict {
  readonly restDeg: number;
  readonly droopDeg: number;
  readonly bumpDeg: number;
  readonly limitDeg: number;
  /** How far the unit has to move towards the other end, mm, so that the angle at rest is within the limit; 0: it is. */
  readonly moveMm: number;
  /** Difference between the longest and the shortest it has to be, mm. */
  readonly plungeMm: number;
  /** What is left of the joint's travel, mm; negative: it comes apart or bottoms; null: not known. */
  readonly travelLeftMm: number | null;
}

const degrees = (across: number, along: number): number =>
  along > 0 ? (Math.atan(Math.abs(across) / along) * 180) / Math.PI : 90;

/**
 * Angles of a shaft at rest, droop and bump: atan(offset ÷ distance) (trade §5.6), the angle at rest against the joint's
 * limit with the millimetres that cure it, and the change of length √(along² + offset²) against the joint's travel.
 */
export function judgeShaft(shaft: ShaftChoice): ShaftVerdict {
  const { alongMm, restMm, droopMm, bumpMm, travelMm, joint } = shaft;
  const limitDeg = shaft.limitDeg ?? USUAL_LIMIT_DEG[joint];
  const allowed = alongMm * Math.tan((limitDeg * Math.PI) / 180);
  const lengths = [restMm, droopMm, bumpMm].map((across) => Math.hypot(alongMm, across));
  const plungeMm = Math.max(...lengths) - Math.min(...lengths);
  return {
    restDeg: degrees(restMm, alongMm),
    droopDeg: degrees(droopMm, alongMm),
    bumpDeg: degrees(bumpMm, alongMm),
    limitDeg,
    moveMm: Math.max(0, Math.abs(restMm) - allowed),
    plungeMm,
    travelLeftMm: travelMm === null ? null : travelMm - plungeMm,
  };
}
