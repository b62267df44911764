import { describe, expect, test } from 'vitest';
import { stageSteps, USUAL_LIFT_STAGES } from './liftStages.ts';
import { onTheLift } from './tipping.ts';

const ITEMS = [
  { name: 'engine out', massKg: -150, xMm: -100 },
  { name: 'tank out', massKg: -50, xMm: 1900 },
  { name: 'box, nose', massKg: 100, xMm: 100, box: true as const },
  { name: 'box, rear', massKg: 200, xMm: 1800, box: true as const },
  { name: 'Drive', massKg: 60, xMm: 2000, drive: true as const },
  { name: 'Charger', massKg: 10, xMm: 500 },
];

describe('stages on the lift', () => {
  test('each stage moves what is its own, by moments', () => {
    const steps = stageSteps(ITEMS, 2000);
    expect(steps.map(({ name, massKg }) => [name, massKg])).toEqual([
      ['Strip out', -200],
      ['Front box in', 100],
      ['Rear box and drive in', 260],
      ['Everything else in', 10],
    ]);
    // (−150 · −100 − 50 · 1900) ÷ −200 = 400; (200 · 1800 + 60 · 2000) ÷ 260 = 1846.15.
    expect(steps[0]!.xMm).toBeCloseTo(400, 9);
    expect(steps[2]!.xMm).toBeCloseTo(1846.1538, 3);
  });
  test('rear before front tips where front before rear does not', () => {
    const before = { massKg: 900, centreXMm: 900 };
    const pads = { frontMm: 400, rearMm: 1250 };
    const [out, front, rear, rest] = USUAL_LIFT_STAGES;
    const states = (order: typeof USUAL_LIFT_STAGES) =>
      onTheLift(before, stageSteps(ITEMS, 2000, order), pads).map(({ state }) => state);
    expect(states([out!, front!, rear!, rest!])).not.toContain('tips');
    expect(states([out!, rear!, front!, rest!])).toContain('tips');
  });
  test('however the stages are, the last step is the finished vehicle', () => {
    const before = { massKg: 900, centreXMm: 900 };
    const end = (stages: typeof USUAL_LIFT_STAGES) =>
      onTheLift(before, stageSteps(ITEMS, 2000, stages), { frontMm: 0, rearMm: 2000 }).at(-1)!;
    const whole = end(USUAL_LIFT_STAGES);
    for (const stages of [[{ name: 'Receive', traits: [] }], [{ name: 'Only boxes', traits: ['frontBoxesIn'] }]]) {
      expect(end(stages).massKg).toBeCloseTo(whole.massKg, 9);
      expect(end(stages).centreXMm).toBeCloseTo(whole.centreXMm, 9);
    }
    expect(stageSteps([], 2000)).toEqual([]);
  });
});
