import highsLoader from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { type DesignInputs, EMPTY_DESIGN } from '../core/design/inputs.ts';
import { resolveDesign } from '../core/design/resolve.ts';
import { fitKit } from '../core/fit/fitKit.ts';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { layoutTask } from '../core/layout/ofDesign.ts';
import { layouts } from '../core/layout/solve.ts';
import { highsSolver } from '../core/milp/highs.ts';
import type { Solver } from '../core/milp/solver.ts';
import { completions, type Package, type PackageGround } from '../core/package/complete.ts';
import { vehicleState } from '../core/vehicle/state.ts';
import { COMPONENTS } from './components.ts';
import { MODELS } from './models.ts';

const library = new Map(COMPONENTS.map((part) => [part.id, part]));
const variantOf = (id: string) => MODELS.flatMap(({ variants }) => variants).find((one) => one.id === id)!;
const ground = (variantId: string, design: Partial<DesignInputs>): PackageGround => ({
  ...{ name: 'A', library, use: USUAL_USE, cover: {}, brief: [], region: 'eu' },
  vehicle: vehicleState(variantOf(variantId), {}, null),
  work: { rateCents: 5800, hoursPerDay: 13, todayDay: 0, latestPartDay: null, remainingHours: null },
  design: { ...EMPTY_DESIGN, strings: 1, ...design },
});
const WREN = ground('wren-11', {
  ...{ moduleId: 'module-n6', driveId: 'drive-h80', chargerId: 'charger-66' },
  boxes: [
    { bay: 'front', modules: 4, shiftMm: 0 },
    { bay: 'floor', modules: 6, shiftMm: 0 },
    { bay: 'rear', modules: 4, shiftMm: 0 },
  ],
});
let solve: Solver;
let found: Package[];
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
  found = completions(WREN, solve);
});
const ids = ({ parts }: Package) => parts.map(({ component }) => component.id);

describe('a van of the sample, by its main components alone', () => {
  test('is completed with what its own kit has: cradle, shafts, cable and fuse by the figures', () => {
    expect(found.map(({ aim }) => aim)).toEqual(['cheapest', 'lightest']);
    expect(ids(found[0]!)).toEqual(
      expect.arrayContaining(['cradle-wren', 'shaft-pair', 'cable-50', 'hv-fuse-200', 'contactor-box-450', 'bms-main']),
    );
    for (const one of found) {
      const wrong = ids(one).filter((id) => /^(adapter|prop-shaft|cradle-(?!wren$)|box-|module|drive)/.test(id));
      expect(wrong).toEqual([]);
    }
  });

  test('the cheapest is no dearer than the lightest, the lightest no heavier than the cheapest', () => {
    const [cheapest, lightest] = found as [Package, Package];
    expect(cheapest.priceCents).toBeLessThanOrEqual(lightest.priceCents);
    expect(lightest.massKg).toBeLessThanOrEqual(cheapest.massKg);
  });

  test('leaves open what nothing in the catalogue does, and stands by the rules with the rest', () => {
    for (const { open, revision, design } of found) {
      const report = fitKit({ ...WREN, revision, options: [] });
      expect(report.findings.filter(({ verdict }) => verdict === 'doesNotFit')).toEqual([]);
      expect(report.cover.filter(({ by }) => by === 'gap').map((line) => line.function)).toEqual(
        open.filter((one) => !['bmsSatellite', 'inlet', 'mainFuse'].includes(one)),
      );
      expect(design.inletId).not.toBeNull();
      // Nothing in it does the whole of what is left open.
      expect(COMPONENTS.some(({ covers }) => open.some((one) => covers.includes(one)))).toBe(false);
    }
  });

  test('its modules are laid out anew with the weight where the maker had it', () => {
    const { design, vehicle, use, work } = WREN;
    const slots = resolveDesign({
      ...{ design: { ...design, boxes: [] }, library, vehicle, use, newHoles: 0 },
      work: { ...work, labourHours: 70 },
    });
    const task = layoutTask(slots, [], { modules: 14, uses: {}, aim: 'weight' })!;
    const [best] = layouts(task, solve, { most: 1 });
    expect(best?.boxes.reduce((sum, { modules }) => sum + modules, 0)).toBe(14);
    expect(best?.offKg).toBeLessThan(5);
    expect(best!.frontLadenKg + best!.rearLadenKg).toBeLessThanOrEqual(vehicle.figures.grossMass.value);
  });
});
