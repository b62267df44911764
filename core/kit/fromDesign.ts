import { type DesignInputs, designComponents } from '../design/inputs.ts';
import type { Variant } from '../vehicle/variant.ts';
import type { KitBox, KitContent, KitLine } from './kit.ts';
import { boltInStages } from './usualStages.ts';

/**
 * A first draft of a kit from a design on one vehicle: every component of the design as a line, its boxes as the layout, the
 * trade's usual stages. Torques are nobody's yet: their steps are confirmed by the drawing until somebody states them.
 *
 * @param fullV of the full pack, V; insulation is held against 100 Ω for each volt of it
 */
export function kitFromDesign(design: DesignInputs, variant: Variant, fullV: number): KitContent {
  const lines = designComponents(design).map(
    ({ componentId, quantity }): KitLine => ({ componentId, quantity, packedIn: 'crate 1', appliesWhen: null }),
  );
  const together = new Map<string, KitLine>();
  for (const line of lines) {
    const known = together.get(line.componentId);
    together.set(line.componentId, known ? { ...known, quantity: known.quantity + line.quantity } : line);
  }
  const middle = variant.figures.wheelbase.value / 2;
  const behind = (key: string) => (variant.bays.find((bay) => bay.key === key)?.xMm ?? 0) > middle;
  const boxes = design.boxes
    .filter(({ modules }) => modules > 0)
    .map(
      ({ bay, modules, shiftMm, shiftYMm = 0, shiftZMm = 0, hold }): KitBox => ({
        bay,
        modules,
        ...(shiftMm !== 0 && { shiftMm }),
        ...(shiftYMm !== 0 && { shiftYMm }),
        ...(shiftZMm !== 0 && { shiftZMm }),
        ...(hold && { hold }),
      }),
    );
  return {
    lines: [...together.values()],
    options: [],
    layout: { boxes, strings: design.strings },
    torqueCapNm: design.torqueCapNm,
    gear: design.gear,
    cover: {},
    exclusions: [],
    stages: boltInStages({
      cradleNm: null,
      boxNm: null,
      rearBox: boxes.some(({ bay }) => behind(bay)),
      liquid: design.packCooling === 'liquid',
      size: 1,
      fullV,
    }),
  };
}
