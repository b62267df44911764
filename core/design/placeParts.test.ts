import { describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { CHARGER, DRIVE, MODULE, VARIANT } from '../testing/wren.ts';
import { EMPTY_DESIGN } from './inputs.ts';
import { placeParts } from './placeParts.ts';

const OTHER = { ...DRIVE, id: 'drive-2', name: 'Another' };
const BOLTS = { ...CHARGER, id: 'bolts', kind: 'other', sheet: {} } as unknown as Component;
const LIBRARY = new Map<string, Component>(
  [MODULE, DRIVE, CHARGER, OTHER as Component, BOLTS].map((one) => [one.id, one as Component]),
);
const START = {
  ...EMPTY_DESIGN,
  ...{ moduleId: MODULE.id, driveId: DRIVE.id, chargerId: CHARGER.id },
  boxes: [
    { bay: 'rear', modules: 3, shiftMm: 0 },
    { bay: 'front', modules: 1, shiftMm: 0 },
  ],
};
const put = (...parts: [string, number][]) =>
  placeParts(
    START,
    parts.map(([componentId, quantity]) => ({ componentId, quantity })),
    LIBRARY,
    VARIANT.bays,
  );
const modules = (design: typeof START) => design.boxes.map((box) => box.modules);

describe('pieces of a change', () => {
  test('modules go where most room is, and come from where most are', () => {
    expect(modules(put([MODULE.id, 2]) as typeof START)).toEqual([3, 3]);
    expect(modules(put([MODULE.id, -2]) as typeof START)).toEqual([1, 1]);
    expect(modules(put([MODULE.id, -9]) as typeof START)).toEqual([0, 0]);
  });
  test('modules that no box has room for go in all the same, and the figures say it is too full', () => {
    const all = modules(put([MODULE.id, 500]) as typeof START);
    expect(all.reduce((sum, n) => sum + n, 0)).toBe(504);
  });
  test('modules of a kind that no box holds stand among the others: they weigh, and give nothing', () => {
    const bare = { ...START, boxes: [] };
    const placed = placeParts(bare, [{ componentId: MODULE.id, quantity: 2 }], LIBRARY, VARIANT.bays);
    expect(placed.others).toEqual([{ componentId: MODULE.id, quantity: 2, xMm: null }]);
  });
  test('another drive takes the place of the one that goes out, in whatever order they are named', () => {
    for (const parts of [
      [[DRIVE.id, -1] as const, [OTHER.id, 1] as const],
      [[OTHER.id, 1] as const, [DRIVE.id, -1] as const],
    ])
      expect(put(...parts.map(([id, n]): [string, number] => [id, n]))).toEqual({ ...START, driveId: OTHER.id });
  });
  test('a second one beside a slot that is taken, and all else, stands among the others', () => {
    expect(put([OTHER.id, 1], ['bolts', 3]).others).toEqual([
      { componentId: OTHER.id, quantity: 1, xMm: null },
      { componentId: 'bolts', quantity: 3, xMm: null },
    ]);
    expect(put(['bolts', 3]).driveId).toBe(DRIVE.id);
  });
  test('put in and taken out again, nothing has changed', () => {
    for (const id of [MODULE.id, 'bolts', OTHER.id]) {
      const there = put([id, 2]);
      expect(placeParts(there, [{ componentId: id, quantity: -2 }], LIBRARY, VARIANT.bays).others).toEqual(
        START.others,
      );
    }
  });
});
