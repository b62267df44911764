import { describe, expect, test } from 'vitest';
import { cableRating, contactorRating, fuseRating, moduleRating, shortA, sureA } from './rating.ts';

const points = [
  { amps: 400, seconds: 30 },
  { amps: 300, seconds: 120 },
];

describe('what a part on the way of the traction current stands', () => {
  test('without points half a minute is common practice, longer is only what it carries for good', () => {
    const fuse = fuseRating({ ratedA: 200 });
    expect([shortA(fuse, 30), shortA(fuse, 31)]).toEqual([320, 160]);
    expect(sureA(fuse, 1)).toBeNull();
    const cable = cableRating({ continuousA: 100 });
    expect([shortA(cable, 30), shortA(cable, 31)]).toEqual([160, 100]);
  });
  test('with points they decide, and a contactor never stands more than its peak', () => {
    expect(shortA(fuseRating({ ratedA: 200, shortTime: points }), 30)).toBe(400);
    expect(shortA(contactorRating({ continuousA: 250, peakA: 350, shortTime: points }), 30)).toBe(350);
  });
  test('ten seconds of a module are a point where others stand beside it, and nothing of longer alone', () => {
    const alone = { continuousA: 100, peakA: 300 };
    expect(sureA(moduleRating(alone), 10)).toBeNull();
    const told = moduleRating({ ...alone, shortTime: [{ amps: 200, seconds: 40 }] });
    expect([sureA(told, 10), sureA(told, 20), sureA(told, 41)]).toEqual([
      300,
      expect.closeTo(Math.sqrt(60_000), 9),
      100,
    ]);
  });
});
