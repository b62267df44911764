import { describe, expect, test } from 'vitest';
import { type DesignInputs, designComponents, EMPTY_DESIGN } from '../design/inputs.ts';
import { BAY, VARIANT } from '../testing/wren.ts';
import { kitFromDesign } from './fromDesign.ts';

const NOSE = { ...BAY, key: 'nose', name: 'nose', xMm: 100 };
const variant = { ...VARIANT, bays: [BAY, NOSE] };
const design = (boxes: DesignInputs['boxes'], more: Partial<DesignInputs> = {}): DesignInputs => ({
  ...EMPTY_DESIGN,
  moduleId: 'cell',
  driveId: 'motor',
  boxes,
  others: [
    { componentId: 'cable', quantity: 1, xMm: 10 },
    { componentId: 'cable', quantity: 2, xMm: 900 },
  ],
  ...more,
});
const rear = { bay: 'rear', modules: 4, shiftMm: 0 };
const nose = { bay: 'nose', modules: 2, shiftMm: 5 };

describe('a kit from a design', () => {
  test('has every component once with all its pieces, and the boxes that hold something', () => {
    const made = design([rear, nose, { bay: 'empty', modules: 0, shiftMm: 0 }], { gear: 3, torqueCapNm: 120 });
    const kit = kitFromDesign(made, variant, 300);
    const count = new Map<string, number>();
    for (const { componentId, quantity } of designComponents(made))
      count.set(componentId, (count.get(componentId) ?? 0) + quantity);
    expect(new Map(kit.lines.map(({ componentId, quantity }) => [componentId, quantity]))).toEqual(count);
    expect(kit.lines).toHaveLength(count.size);
    expect(kit.layout.boxes).toEqual([
      { bay: 'rear', modules: 4 },
      { bay: 'nose', modules: 2, shiftMm: 5 },
    ]);
    expect(kit).toMatchObject({ gear: 3, torqueCapNm: 120 });
  });
  test.each([
    ['behind', [rear, nose], true],
    ['ahead only', [nose], false],
  ] as const)('boxes %s: one stage brings them in, and everything that moves mass is somebody’s', (_, boxes, behind) => {
    const { stages } = kitFromDesign(design([...boxes]), variant, 300);
    expect(stages.some(({ key }) => key === 'rear-box')).toBe(behind);
    expect(stages.filter(({ traits }) => traits.includes('boxesIn'))).toHaveLength(1);
    for (const move of ['takesOut', 'frontBoxesIn', 'rearBoxesIn', 'driveIn', 'restIn'] as const)
      expect(
        stages.filter(({ traits }) => traits.includes(move)),
        move,
      ).toHaveLength(1);
    // Every stage it waits for is there.
    const keys = new Set(stages.map(({ key }) => key));
    for (const { key, after } of stages)
      for (const before of after) expect(keys.has(before), `${key} after ${before}`).toBe(true);
    // Torques nobody has stated are confirmed, never held against a limit that was made up.
    const steps = stages.flatMap((stage) => stage.steps);
    expect(steps.filter(({ limit }) => limit?.kind === 'torque')).toEqual([]);
    expect(steps.some(({ text, note }) => /^Torque/.test(text) && /drawing/.test(note))).toBe(true);
    // 100 Ω for each volt of the full pack.
    expect(steps.filter(({ limit }) => limit?.kind === 'insulation').map(({ limit }) => limit!.min)).toEqual([30, 30]);
  });
});
