import { describe, expect, test } from 'vitest';
import { BAY } from '../testing/wren.ts';
import { boxGaps } from './boxGaps.ts';

const outer = { lengthMm: 600, widthMm: 700, heightMm: 300 };
const box = (change: object = {}) => ({ bay: BAY, outer, xMm: 2000, yMm: 0, zMm: 400, ...change });

describe('gaps', () => {
  test('in the middle both ways are alike; the tightest comes first', () => {
    const gaps = boxGaps([box()]);
    expect(gaps[0]).toEqual({ box: 'rear', to: 'top of the bay', gapMm: 50 });
    expect(gaps.find((gap) => gap.to === 'front of the bay')?.gapMm).toBe(100);
  });
  test('a shift takes from one side and gives to the other', () => {
    const gaps = boxGaps([box({ xMm: 2095, yMm: -60 })]);
    const to = (wall: string) => gaps.find((gap) => gap.to === `${wall} of the bay`)?.gapMm;
    expect([to('rear'), to('front'), to('left'), to('right')]).toEqual([5, 195, 40, 160]);
  });
  test('boxes that meet are told, those apart are not', () => {
    const other = { ...box(), bay: { ...BAY, name: 'front' } };
    expect(boxGaps([box(), { ...other, xMm: 2580 }])[0]).toMatchObject({ gapMm: -480 });
    expect(boxGaps([box(), { ...other, xMm: 2620 }]).find((gap) => gap.to === 'the front box')?.gapMm).toBe(20);
    expect(boxGaps([box(), { ...other, xMm: 4000 }]).some((gap) => gap.to.startsWith('the '))).toBe(false);
  });
  test('a box that does not fit has no gaps', () => expect(boxGaps([box({ outer: null })])).toEqual([]));
});
