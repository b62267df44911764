import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type DesignInputs, EMPTY_DESIGN } from '../../core/design/inputs.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import type { VehicleUse } from '../../core/figures/slots.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { COMPONENTS } from '../../demo/components.ts';
import { MODELS } from '../../demo/models.ts';

// Facts of the trade, no source: what must hold for any vehicle, pack and drive, whatever the numbers are.
const LIBRARY = new Map(COMPONENTS.map((part) => [part.id, part]));
const VARIANTS = MODELS.flatMap((model) => model.variants);
const WORK = {
  labourHours: 50,
  rateCents: 5000,
  todayDay: 20_000,
  latestPartDay: null,
  remainingHours: 50,
  hoursPerDay: 13,
};

const modules = fc.constantFrom(...COMPONENTS.filter((part) => part.kind === 'module').map((part) => part.id));
const drives = fc.constantFrom(...COMPONENTS.filter((part) => part.kind === 'drive').map((part) => part.id));
const variants = fc.constantFrom(...VARIANTS);
const uses = fc.record({
  payloadKg: fc.integer({ min: 0, max: 400 }),
  constantKmh: fc.integer({ min: 20, max: 70 }),
  ambientC: fc.integer({ min: -15, max: 35 }),
  auxiliaryW: fc.integer({ min: 50, max: 900 }),
});

function figure(
  id: FigureId,
  variant: (typeof VARIANTS)[number],
  design: Partial<DesignInputs>,
  use: Partial<VehicleUse> = {},
): number | null {
  const inputs = { ...EMPTY_DESIGN, chargerId: 'charger-33', gear: 2, ...design };
  const round = { lengthKm: 30, stops: 8, meanKmh: 24, climbM: 150 };
  const slots = resolveDesign({
    design: inputs,
    library: LIBRARY,
    vehicle: vehicleState(variant, {}, null),
    use: { ...USUAL_USE, round, ...use },
    newHoles: 0,
    work: WORK,
  });
  return createSheet(slots).get(FIGURES[id]).value;
}
const boxes = (variant: (typeof VARIANTS)[number], count: number) => [
  { bay: variant.bays[0]!.name, modules: count, shiftMm: 0 },
];
/** Holds where either side is unknown: a design that cannot be built has no figures to compare. */
const ordered = (low: number | null, high: number | null) => low === null || high === null || low <= high + 1e-9;

describe('whatever is built', () => {
  test('one more module never lowers energy, voltage, mass or price', () => {
    fc.assert(
      fc.property(variants, modules, drives, fc.integer({ min: 1, max: 11 }), (variant, moduleId, driveId, count) => {
        const at = (n: number, id: FigureId) => figure(id, variant, { moduleId, driveId, boxes: boxes(variant, n) });
        return (['packEnergy', 'packVoltageFull', 'packMass', 'unladenMass', 'partsPrice'] as const).every((id) =>
          ordered(at(count, id), at(count + 1, id)),
        );
      }),
      { numRuns: 60 },
    );
  });
  test('more load never goes further, starts on a steeper hill on all four wheels’ torque, or gets there sooner', () => {
    fc.assert(
      fc.property(
        variants,
        modules,
        drives,
        uses,
        fc.integer({ min: 20, max: 300 }),
        (variant, moduleId, driveId, use, more) => {
          const design = { moduleId, driveId, boxes: boxes(variant, 4) };
          const heavy = { ...use, payloadKg: use.payloadKg + more };
          return (
            ordered(figure('rangeConstant', variant, design, heavy), figure('rangeConstant', variant, design, use)) &&
            ordered(figure('rangeRound', variant, design, heavy), figure('rangeRound', variant, design, use)) &&
            ordered(figure('grossMassNow', variant, design, use), figure('grossMassNow', variant, design, heavy))
          );
        },
      ),
      { numRuns: 60 },
    );
  });
  test('heating never adds range; a headwind never does either', () => {
    fc.assert(
      fc.property(variants, modules, drives, uses, (variant, moduleId, driveId, use) => {
        const design = { moduleId, driveId, boxes: boxes(variant, 4) };
        const base = figure('rangeConstant', variant, design, use);
        return (
          ordered(figure('rangeConstant', variant, design, { ...use, heaterW: 1500 }), base) &&
          ordered(figure('rangeConstant', variant, design, { ...use, headwindMs: 6 }), base)
        );
      }),
      { numRuns: 60 },
    );
  });
  test('a torque cap never makes it quicker or start on a steeper hill', () => {
    fc.assert(
      fc.property(variants, drives, fc.integer({ min: 20, max: 200 }), (variant, driveId, cap) => {
        const design = { moduleId: 'module-n6', driveId, boxes: boxes(variant, 4) };
        return (
          ordered(
            figure('time0to20', variant, design),
            figure('time0to20', variant, { ...design, torqueCapNm: cap }),
          ) &&
          ordered(figure('hillStart', variant, { ...design, torqueCapNm: cap }), figure('hillStart', variant, design))
        );
      }),
      { numRuns: 60 },
    );
  });
  test('shifting a box aft moves its weight to the rear axle and changes nothing else', () => {
    fc.assert(
      fc.property(variants, fc.integer({ min: 10, max: 300 }), (variant, shift) => {
        const at = (shiftMm: number, id: FigureId) =>
          figure(id, variant, {
            moduleId: 'module-n6',
            driveId: 'drive-h60',
            boxes: [{ ...boxes(variant, 4)[0]!, shiftMm }],
          })!;
        expect(at(shift, 'unladenMass')).toBeCloseTo(at(0, 'unladenMass'), 9);
        const moved = (at(0, 'packMass') * shift) / variant.figures.wheelbase.value;
        expect(at(shift, 'rearAxleNow') - at(0, 'rearAxleNow')).toBeCloseTo(moved, 6);
        expect(at(0, 'frontAxleNow') - at(shift, 'frontAxleNow')).toBeCloseTo(moved, 6);
      }),
      { numRuns: 30 },
    );
  });
  test('both axles always carry the whole vehicle', () => {
    fc.assert(
      fc.property(variants, modules, drives, uses, (variant, moduleId, driveId, use) => {
        const design = { moduleId, driveId, boxes: boxes(variant, 3) };
        const of = (id: FigureId) => figure(id, variant, design, use);
        const [front, rear, all] = [of('frontAxleLaden'), of('rearAxleLaden'), of('grossMassNow')];
        return front === null || rear === null || all === null || Math.abs(front + rear - all) < 1e-9;
      }),
      { numRuns: 60 },
    );
  });
  test('no figure is ever NaN or infinite, whatever is chosen', () => {
    fc.assert(
      fc.property(
        variants,
        fc.option(modules),
        fc.option(drives),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 5 }),
        (variant, moduleId, driveId, count, strings) => {
          for (const id of Object.keys(FIGURES) as FigureId[]) {
            const value = figure(id, variant, { moduleId, driveId, strings, boxes: boxes(variant, count) });
            expect(value === null || Number.isFinite(value), id).toBe(true);
          }
        },
      ),
      { numRuns: 25 },
    );
  });
});
