import { type Component, componentAs } from '../component/sheets.ts';
import type { PlacedBox } from '../figures/slots.ts';
import { arrangeModules, emptyBoxMassKg } from '../pack/arrange.ts';
import type { Bay } from '../vehicle/variant.ts';
import type { BoxChoice, DesignInputs } from './inputs.ts';

/** One box of a design in its bay: outside, mass and middle. Without a module it is a wish, not a box: no outside. */
export function placeBox(
  design: Pick<DesignInputs, 'moduleId' | 'strings' | 'clearanceMm'>,
  library: ReadonlyMap<string, Component>,
  bay: Bay,
  choice: BoxChoice,
): PlacedBox {
  const module = componentAs(library.get(choice.moduleId ?? design.moduleId ?? ''), 'module');
  const { fits, most } = module
    ? arrangeModules(module, choice.modules, bay, design.clearanceMm)
    : { fits: null, most: 0 };
  const outer = fits?.outer ?? null;
  const bottom = bay.zMm - bay.heightMm / 2 + (choice.shiftZMm ?? 0);
  return {
    bay,
    modules: choice.modules,
    module,
    parallel: choice.parallel ?? design.strings,
    pack: choice.pack ?? 1,
    outer,
    most,
    massKg: choice.modules * (module?.massKg ?? 0) + (outer ? emptyBoxMassKg(outer) : 0),
    xMm: bay.xMm + choice.shiftMm,
    yMm: bay.yMm + (choice.shiftYMm ?? 0),
    hold: choice.hold ?? null,
    zMm: outer ? bottom + outer.heightMm / 2 : bay.zMm + (choice.shiftZMm ?? 0),
  };
}
