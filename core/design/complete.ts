import { STATIC_CLEARANCE_MM } from '../pack/arrange.ts';
import { USUAL_HOLDING_G } from '../pack/holding.ts';
import { type DesignInputs, driveChoice, electricChoice } from './inputs.ts';

/** A design with everything it leaves out written in, so that left out and written out are the same to compare. */
export function completeDesign(inputs: DesignInputs): DesignInputs {
  return {
    ...inputs,
    measuredAh: inputs.measuredAh ?? null,
    measuredOhm: inputs.measuredOhm ?? null,
    packs: inputs.packs ?? 'one',
    packCooling: inputs.packCooling ?? 'air',
    boxes: inputs.boxes.map((box) => ({
      ...box,
      shiftYMm: box.shiftYMm ?? 0,
      shiftZMm: box.shiftZMm ?? 0,
      moduleId: box.moduleId ?? null,
      parallel: box.parallel ?? null,
      pack: box.pack ?? 1,
      hold: box.hold ?? null,
    })),
    holdingG: inputs.holdingG ?? USUAL_HOLDING_G,
    clearanceMm: inputs.clearanceMm ?? STATIC_CLEARANCE_MM,
    drive: driveChoice(inputs),
    dcMaxW: inputs.dcMaxW ?? null,
    electric: electricChoice(inputs),
    items: inputs.items ?? [],
    others: inputs.others.map((other) => ({ ...other, yMm: other.yMm ?? null })),
  };
}
