import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type DesignInputs, EMPTY_DESIGN } from '../../core/design/inputs.ts';
import { type ResolveInput, resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import type { Entry } from '../../core/figures/figure.ts';
import { FIGURES } from '../../core/figures/index.ts';
import { type DrivenUse, USE_RUNS } from '../../core/figures/road/useRuns.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import type { UseResult } from '../../core/road/driveOver.ts';
import { readGpx } from '../../core/road/readGpx.ts';
import { routeFrom } from '../../core/road/route.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { COMPONENTS } from '../../demo/components.ts';
import { MODELS } from '../../demo/models.ts';

// Conservation of energy, no source needed: what leaves the battery is what the road took, what was lost, and what the
// accessories used, to a millionth, on every use, mild and in frost, with constant efficiency and with a map.
const LIBRARY = new Map(COMPONENTS.map((part) => [part.id, part]));
const points = readGpx(readFileSync('demo/island-round.gpx', 'utf8'));
const route = typeof points === 'string' ? points : routeFrom(points);
if (typeof route === 'string') throw new Error(route);
const WORK = {
  labourHours: 50,
  rateCents: 5000,
  todayDay: 20_000,
  latestPartDay: null,
  remainingHours: 20,
  hoursPerDay: 13,
};
const VARIANT = MODELS[0]!.variants[0]!;

function sheetOf(design: Partial<DesignInputs>, use: Partial<ResolveInput['use']> = {}) {
  return createSheet(
    resolveDesign({
      design: { ...EMPTY_DESIGN, moduleId: 'module-n6', chargerId: 'charger-33', ...design },
      library: LIBRARY,
      vehicle: vehicleState(VARIANT, {}, null),
      use: { ...USUAL_USE, round: { lengthKm: 38, stops: 20, meanKmh: 27, climbM: 260 }, ...use },
      route: typeof route === 'string' ? null : route,
      newHoles: 0,
      work: WORK,
    }),
  );
}
const boxes = (front: number, floor: number, rear: number) =>
  Object.entries({ front, floor, rear }).map(([bay, modules]) => ({ bay, modules, shiftMm: 0 }));

describe.each(['drive-h80', 'drive-h60'])('%s', (driveId) => {
  test.each(['round', 'route', 'cycle'] as const)('the balance closes on the %s', (use: DrivenUse) => {
    const cases = fc.record({
      modules: fc.tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 2, max: 8 }), fc.integer({ min: 2, max: 7 })),
      payloadKg: fc.integer({ min: 0, max: 500 }),
      regenShare: fc.double({ min: 0, max: 1, noNaN: true }),
      powerCapW: fc.option(fc.integer({ min: 8000, max: 90_000 })),
      heaterW: fc.integer({ min: 0, max: 3000 }),
      headwindMs: fc.double({ min: -8, max: 15, noNaN: true }),
      altitudeM: fc.integer({ min: 0, max: 2000 }),
    });
    fc.assert(
      fc.property(cases, ({ modules, payloadKg, regenShare, powerCapW, heaterW, headwindMs, altitudeM }) => {
        const sheet = sheetOf(
          { driveId, boxes: boxes(...modules), drive: { regenShare, powerCapW } },
          { payloadKg, heaterW, headwindMs, altitudeM },
        );
        return (Object.values(USE_RUNS[use]) as Entry<UseResult>[]).every((entry) => {
          const run = sheet.get(entry).value;
          if (!run) return false;
          const parts = run.airWh + run.tyresWh + run.hillsWh + run.brakesWh + run.driveLossWh + run.auxiliaryWh;
          return Math.abs(parts - run.batteryWh) <= 1e-6 * Math.max(1, Math.abs(run.batteryWh) + run.recoveredWh);
        });
      }),
      { numRuns: 25 },
    );
  });
});

describe('what must hold of the spread', () => {
  test('new and mild goes furthest, old and frosty least; more modules never lower the energy or the range', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 6 }), fc.integer({ min: 3, max: 6 }), (front, rear) => {
        const sheet = sheetOf({ driveId: 'drive-h60', boxes: boxes(front, 4, rear) });
        const more = sheetOf({ driveId: 'drive-h60', boxes: boxes(front, 5, rear) });
        const at = (id: keyof typeof FIGURES, from = sheet) => from.get(FIGURES[id]).value!;
        const order = (['Round', 'Route', 'Cycle', 'Constant'] as const).every((use) => {
          const [fresh, frost, aged, worst] = [
            `range${use}`,
            `range${use}Frost`,
            `range${use}Aged`,
            `range${use}AgedFrost`,
          ].map((id) => at(id as keyof typeof FIGURES)) as [number, number, number, number];
          return fresh > frost && fresh > aged && frost > worst && aged > worst;
        });
        return order && at('packEnergy', more) > at('packEnergy') && at('rangeRound', more) > at('rangeRound');
      }),
      { numRuns: 10 },
    );
  });
  test('a lower ceiling for regeneration never goes further', () => {
    const at = (regenCeiling: number) =>
      sheetOf({ driveId: 'drive-h60', boxes: boxes(4, 6, 4), drive: { regenCeiling } }).get(FIGURES.rangeRoute).value!;
    expect(at(1)).toBeGreaterThanOrEqual(at(0.9));
    expect(at(0.9)).toBeGreaterThan(at(0.5));
  });
});
