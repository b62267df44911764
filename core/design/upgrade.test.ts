import { expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { slots } from '../testing/wren.ts';
import { completeDesign } from './complete.ts';
import { DESIGN_FORMAT } from './inputs.ts';
import { resolveDesign } from './resolve.ts';
import { UnknownDesignFormat, upgradeDesign } from './upgrade.ts';

/** A design as the first Dajo stored it: none of the fields that came later. */
const OLDEST = {
  format: 1,
  moduleId: null,
  strings: 1,
  boxes: [{ bay: 'front', modules: 4, shiftMm: 0 }],
  usableShare: 0.9,
  driveId: null,
  inverterId: null,
  gear: null,
  torqueCapNm: null,
  chargerId: null,
  inletId: null,
  others: [],
};

test('the oldest design opens, is completed, and gives figures', () => {
  const design = upgradeDesign(OLDEST);
  expect(design.format).toBe(DESIGN_FORMAT);
  expect(completeDesign(design)).toMatchObject({ packs: 'one', drive: { motors: 1 }, items: [] });
  const { vehicle, use, work } = slots();
  const resolved = resolveDesign({ design, library: new Map(), vehicle, use, newHoles: null, work });
  expect(createSheet(resolved).get(FIGURES.packEnergy).reason).toBe('noModule');
});

test('each format is brought to the next, in order, once', () => {
  const steps: number[] = [];
  const step = (n: number) => (older: Record<string, unknown>) => {
    steps.push(n);
    return { ...older, [`from${n}`]: older.format };
  };
  const design = upgradeDesign({ format: 1, name: 'old' }, { 1: step(1), 2: step(2) }, 3);
  expect(steps).toEqual([1, 2]);
  expect(design).toEqual({ format: 3, name: 'old', from1: 1, from2: 2 });
});

test('a newer format, none, and one without a way are refused by name', () => {
  for (const stored of [{ format: DESIGN_FORMAT + 1 }, {}, null, { format: 'two' }])
    expect(() => upgradeDesign(stored)).toThrow(UnknownDesignFormat);
  expect(() => upgradeDesign({ format: 1 }, {}, 2)).toThrow(/format 1 cannot be read/);
});
