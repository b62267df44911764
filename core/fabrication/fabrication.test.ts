import { describe, expect, test } from 'vitest';
import { FABRICATION_STATES, fabricationRefusal, goesBack, passedOver } from './fabrication.ts';

describe('a part that is made in the house', () => {
  test('goes step by step, once it has a drawing', () => {
    for (let i = 0; i + 1 < FABRICATION_STATES.length; i++)
      expect(fabricationRefusal(FABRICATION_STATES[i]!, FABRICATION_STATES[i + 1]!, '', 1)).toBeNull();
    expect(fabricationRefusal('design', 'cut', '', 0)).toBe('noDrawing');
    expect(fabricationRefusal('cut', 'bend', '', 0)).toBeNull();
  });
  test('may come back from every step, and pass one over, with a reason', () => {
    for (const from of FABRICATION_STATES)
      for (const to of FABRICATION_STATES) {
        if (!goesBack(from, to)) continue;
        expect(fabricationRefusal(from, to, '', 1)).toBe('reasonNeeded');
        expect(fabricationRefusal(from, to, 'too long by 4 mm', 1)).toBeNull();
      }
    expect(passedOver('cut', 'weld')).toEqual(['bend']);
    expect(fabricationRefusal('cut', 'weld', '', 1)).toBe('reasonNeeded');
    expect(fabricationRefusal('cut', 'weld', 'flat plate', 1)).toBeNull();
    expect(fabricationRefusal('weld', 'weld', 'again', 1)).toBe('same');
  });
});
