import { describe, expect, test } from 'vitest';
import { slots, VEHICLE } from '../../core/testing/wren.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { MODELS } from '../../demo/models.ts';
import { lengthsOf, planPath, sideOutline, sideWindow } from '../../web/drawing/outline.ts';
import { drawnParts } from '../../web/drawing/parts.ts';

const STATES = MODELS.flatMap((model) => model.variants).map((variant) => vehicleState(variant, {}, null));

describe('every model of the sample can be drawn', () => {
  test.each(
    STATES.map((state) => [`${state.variant.modelName} ${state.variant.name}`, state] as const),
  )('%s keeps to its own dimensions', (_name, state) => {
    const l = lengthsOf(state);
    const points = sideOutline(state);
    const xs = points.map(([x]) => x);
    const zs = points.map(([, z]) => z);
    expect(Math.min(...xs)).toBeCloseTo(l.frontX, 6);
    expect(Math.max(...xs)).toBeCloseTo(l.rearX, 6);
    expect(Math.max(...zs)).toBeCloseTo(l.height, 6);
    expect(Math.min(...zs)).toBeGreaterThan(l.clearance);
    expect(l.rearX - l.frontX).toBe(state.figures.length.value);
    expect(l.rearX).toBeGreaterThan(l.wheelbase);
    const window = sideWindow(state);
    if (window)
      for (const [x, z] of window) {
        expect(x).toBeGreaterThan(l.frontX);
        expect(x).toBeLessThan(l.rearX);
        expect(z).toBeLessThan(l.height);
      }
    expect(planPath(state)).toMatch(/^M [-\d. ]+L.*Z$/);
    expect(planPath(state)).not.toContain('NaN');
  });
  test('a measured length moves the tail', () => {
    const figures = { ...VEHICLE.figures, length: { value: 3600, source: 'measured' as const } };
    expect(lengthsOf({ ...VEHICLE, figures }).rearX - lengthsOf(VEHICLE).rearX).toBe(100);
  });
});

describe('boxes and drive', () => {
  test('stand where the design puts them; front drive on the front axle', () => {
    const parts = drawnParts(slots());
    expect(parts.find((part) => part.kind === 'drive')).toMatchObject({ x: 0, length: 450, tooBig: false });
    expect(parts.find((part) => part.key === 'rear')).toMatchObject({ x: 2000, length: 500, label: '12 rear' });
  });
  test('a box that does not go in is drawn as the bay, marked', () => {
    const box = { ...slots().pack.boxes[0]!, outer: null };
    const [drawn] = drawnParts(slots({ pack: { ...slots().pack, boxes: [box] } }));
    expect(drawn).toMatchObject({ tooBig: true, length: 800, width: 900 });
  });
  test('rear drive on half shafts sits on the rear axle, a gearbox motor where the engine was', () => {
    const rear = { ...VEHICLE, variant: { ...VEHICLE.variant, drivenAxle: 'rear' as const } };
    expect(drawnParts(slots({ vehicle: rear })).find((part) => part.kind === 'drive')?.x).toBe(2000);
    const unit = { ...slots().drive.unit!, sheet: { ...slots().drive.unit!.sheet, output: 'gearboxInput' as const } };
    expect(
      drawnParts(slots({ drive: { ...slots().drive, unit, gear: 3 } })).find((part) => part.kind === 'drive')?.x,
    ).toBe(-100);
  });
});
