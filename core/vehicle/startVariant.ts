import type { Sourced } from '../quantity/sourced.ts';
import type { BodyShape } from './variant.ts';
import type { VariantBody } from './variantProblems.ts';

const guess = (value: number): Sourced => ({ value, source: 'assumed' });

/** Plain measures of a usual vehicle of each body, mm and kg; common practice, to be replaced one by one. */
const USUAL: Readonly<
  Record<
    BodyShape['style'],
    { l: number; w: number; h: number; wb: number; front: number; rear: number; gross: number; cd: number }
  >
> = {
  van: { l: 3900, w: 1650, h: 1850, wb: 2300, front: 650, rear: 550, gross: 1900, cd: 0.46 },
  bus: { l: 5200, w: 1950, h: 2250, wb: 2600, front: 850, rear: 950, gross: 2900, cd: 0.5 },
  lorry: { l: 6200, w: 2150, h: 2400, wb: 3400, front: 1500, rear: 1600, gross: 6000, cd: 0.7 },
  fourByFour: { l: 3700, w: 1600, h: 1900, wb: 2250, front: 750, rear: 750, gross: 2100, cd: 0.55 },
  tug: { l: 3200, w: 1500, h: 1700, wb: 1800, front: 1200, rear: 1300, gross: 3200, cd: 0.8 },
  open: { l: 3700, w: 1500, h: 1250, wb: 2250, front: 430, rear: 400, gross: 1150, cd: 0.48 },
};

/** A variant to begin with: every figure of it assumed and said to be, nothing known of bays, points or gears. */
export function startVariant(style: BodyShape['style']): VariantBody {
  const u = USUAL[style];
  const oneBox = style === 'bus' || style === 'van';
  return {
    makerName: '',
    modelName: '',
    name: '',
    yearFrom: 1970,
    yearTo: 1980,
    layout: 'front',
    drivenAxle: style === 'fourByFour' ? 'both' : 'rear',
    cooling: 'radiator',
    brakeServo: 'none',
    steering: 'manual',
    systemVoltage: style === 'lorry' ? 24 : 12,
    tyre: '165/80 R 13',
    shape: {
      style,
      frontOverhangMm: Math.round((u.l - u.wb) * 0.4),
      bonnetMm: oneBox ? 300 : 900,
      bonnetHeightMm: Math.round(u.h * 0.5),
      screenRunMm: 400,
      cabEndMm: oneBox ? 1700 : 2000,
    },
    figures: {
      frontAxleMass: guess(u.front),
      rearAxleMass: guess(u.rear),
      grossMass: guess(u.gross),
      frontAxleRating: guess(Math.round(u.gross * 0.52)),
      rearAxleRating: guess(Math.round(u.gross * 0.58)),
      wheelbase: guess(u.wb),
      track: guess(Math.round(u.w * 0.83)),
      length: guess(u.l),
      width: guess(u.w),
      height: guess(u.h),
      groundClearance: guess(170),
      massCentreHeight: guess(Math.round(u.h * 0.34)),
      frontalArea: guess(Number(((u.w * u.h * 0.85) / 1e6).toFixed(2))),
      dragCoefficient: guess(u.cd),
      rollingCoefficient: guess(0.012),
      seatsPayload: guess(u.gross - u.front - u.rear),
    },
    gearbox: {
      ratios: [],
      finalDrive: 4,
      transfer: 1,
      hub: 1,
      spline: '',
      shaftSpline: '',
      boltPattern: '',
    },
    driveline: [],
    removed: [],
    mountingPoints: [],
    bays: [],
    passThroughs: [],
  };
}
