import { describe, expect, test } from 'vitest';
import { type Box, nextPlace } from './nextPlace.ts';

const box = (left: number, top: number, width = 100, height = 200): Box => ({ left, top, width, height });
const bays = [box(0, 0), box(110, 0), box(220, 0)];
const yard = box(0, 220, 320, 80);

describe('an arrow carries to the next place', () => {
  test('beside', () => {
    expect(nextPlace(box(20, 40, 40, 100), [...bays, yard], [1, 0])).toBe(bays[1]);
    expect(nextPlace(bays[1]!, [...bays, yard], [-1, 0])).toBe(bays[0]);
  });
  test('below and above', () => {
    expect(nextPlace(bays[1]!, [...bays, yard], [0, 1])).toBe(yard);
    expect(nextPlace(yard, [...bays, yard], [0, -1])).toBe(bays[1]);
  });
  test('nothing lies that way', () => {
    expect(nextPlace(bays[0]!, [...bays, yard], [-1, 0])).toBeNull();
    expect(nextPlace(bays[2]!, bays, [0, 1])).toBeNull();
  });
});
