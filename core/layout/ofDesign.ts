import type { BriefLine } from '../brief/lines.ts';
import { componentAs } from '../component/sheets.ts';
import type { BoxChoice, DesignInputs } from '../design/inputs.ts';
import { engineX } from '../design/resolve.ts';
import { ladenLoads } from '../figures/balance/ladenLoads.ts';
import { massItems } from '../figures/balance/massItems.ts';
import { createSheet } from '../figures/evaluate.ts';
import type { Slots } from '../figures/slots.ts';
import { boxChoice, shareAim } from '../search/candidate.ts';
import type { Layout } from './solve.ts';
import type { BayUse, LayoutAim, LayoutTask } from './task.ts';

export interface LayoutWish {
  readonly modules: number;
  /** By key; a bay that is not named may be used. */
  readonly uses: Readonly<Record<string, BayUse>>;
  readonly aim: LayoutAim;
}

/**
 * The task of placing a design's modules anew: everything else of the vehicle stays where it is.
 *
 * @param slots of the design without its boxes
 * @returns null where masses are not known, or no module is chosen
 */
export function layoutTask(slots: Slots, brief: readonly BriefLine[], wish: LayoutWish): LayoutTask | null {
  const { pack, vehicle, drive } = slots;
  const sheet = createSheet(slots);
  const items = sheet.get(massItems).value;
  const laden = sheet.get(ladenLoads).value;
  const module = componentAs(pack.module ?? undefined, 'module');
  if (!items || !laden || !module) return null;
  const { figures, variant } = vehicle;
  const wheelbaseMm = figures.wheelbase.value;
  const onAxle = drive.unit?.sheet.output === 'halfShafts';
  return {
    module,
    modules: wish.modules,
    bays: variant.bays.map((bay) => ({ bay, use: wish.uses[bay.key] ?? 'may' })),
    clearanceMm: pack.clearanceMm,
    wheelbaseMm,
    unladen: {
      massKg: items.reduce((sum, { massKg }) => sum + massKg, 0),
      momentKgMm: items.reduce((sum, { massKg, xMm }) => sum + massKg * xMm, 0),
    },
    laden: { massKg: laden.totalKg, momentKgMm: laden.rearKg * wheelbaseMm },
    aimShare: shareAim(brief, sheet),
    frontRatingKg: figures.frontAxleRating.value,
    rearRatingKg: figures.rearAxleRating.value,
    grossKg: figures.grossMass.value,
    // Cables come together at the drive.
    hubXMm: onAxle ? (variant.drivenAxle === 'front' ? 0 : wheelbaseMm) : engineX(variant),
    aim: wish.aim,
  };
}

/** The boxes of a design as a layout has them: where they stand to the millimetre, what holds them as it was. */
export const layoutBoxes = (base: DesignInputs, { boxes }: Pick<Layout, 'boxes'>): BoxChoice[] =>
  boxes.map(({ bay, modules, shiftMm }) => ({
    ...boxChoice(base, bay, modules),
    // Towards the middle: rounding must not leave the bay.
    ...{ shiftMm: Math.trunc(shiftMm), shiftYMm: 0, shiftZMm: 0 },
  }));
