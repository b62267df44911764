import { describe, expect, test } from 'vitest';
import { onTheLift, safestOrder, type TipStep, usualPads } from './tipping.ts';

// A tonne with its centre in the middle of pads at 400 and 1600 mm.
const BEFORE = { massKg: 1000, centreXMm: 1000 };
const PADS = { frontMm: 400, rearMm: 1600 };
const step = (name: string, massKg: number, xMm: number): TipStep => ({ name, massKg, xMm });

describe('on the lift', () => {
  // Moments: (1 000 000 − 200 · (−100)) ÷ 800 = 1275.
  test('taking the engine out moves the centre aft, by moments', () => {
    const [engine] = onTheLift(BEFORE, [step('engine', -200, -100)], PADS);
    expect(engine).toMatchObject({ massKg: 800, centreXMm: 1275, insideMm: 325, state: 'safe' });
  });
  test('near a pad and beyond it, just inside and just outside', () => {
    const at = (xMm: number) => onTheLift({ massKg: 1000, centreXMm: xMm }, [step('nothing', 0, 0)], PADS)[0]!.state;
    expect([at(521), at(519), at(401), at(399)]).toEqual(['safe', 'near', 'near', 'tips']);
    expect([at(1479), at(1481), at(1599), at(1601)]).toEqual(['safe', 'near', 'near', 'tips']);
  });
  test('an order that puts in before it takes out keeps more room', () => {
    const steps = [
      step('engine', -300, -100),
      step('tank', -60, 300),
      step('front box', 200, 0),
      step('rear box', 150, 2100),
    ];
    const least = (order: readonly TipStep[]) => Math.min(...onTheLift(BEFORE, order, PADS).map((one) => one.insideMm));
    const order = safestOrder(BEFORE, steps, PADS);
    expect([...order].sort((a, b) => a.massKg - b.massKg)).toEqual([...steps].sort((a, b) => a.massKg - b.massKg));
    expect(least(order)).toBeGreaterThan(least([steps[0]!, steps[1]!, steps[3]!, steps[2]!]));
  });
  test('usual pads lie within the wheelbase', () => expect(usualPads(2000)).toEqual({ frontMm: 300, rearMm: 1700 }));
});
