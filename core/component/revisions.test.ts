import { expect, test } from 'vitest';
import { changeOfComponent, type Physical } from './revisions.ts';

const part: Physical = {
  ...{ massKg: 5, lengthMm: 100, widthMm: 80, heightMm: 60, covers: ['a', 'b'], highVoltage: true },
  sheet: { ratedA: 100, curve: [{ rpm: 0, peakNm: 10 }] },
};
test.each<[string, Partial<Physical>, boolean, 'over' | 'revision']>([
  ['nothing that is reckoned with', {}, true, 'over'],
  ['functions in another order', { covers: ['b', 'a'] }, true, 'over'],
  ['a point of its curve', { sheet: { ratedA: 100, curve: [{ rpm: 0, peakNm: 11 }] } }, true, 'revision'],
  ['its mass', { massKg: 5.1 }, true, 'revision'],
  ['its mass, while nothing stands on it', { massKg: 5.1 }, false, 'over'],
])('%s', (_, change, used, how) => expect(changeOfComponent(part, { ...part, ...change }, used)).toBe(how));
