import { expect, test } from 'vitest';
import { sameChoice, settleCover } from './settleCover.ts';

const made = { way: 'made', why: 'a bracket' } as const;
const kept = { way: 'kept', why: '' } as const;

test('one function is settled or taken back, and the others stay', () => {
  expect(settleCover({ heat: kept }, 'steering', made)).toEqual({ heat: kept, steering: made });
  expect(settleCover({ heat: kept, steering: made }, 'steering', kept)).toEqual({ heat: kept, steering: kept });
  expect(settleCover({ heat: kept, steering: made }, 'steering', null)).toEqual({ heat: kept });
});
test('the same choice is the same way for the same reason, or none at all', () => {
  expect(sameChoice(null, null)).toBe(true);
  expect(sameChoice(made, { ...made })).toBe(true);
  expect(sameChoice(made, null)).toBe(false);
  expect(sameChoice(null, made)).toBe(false);
  expect(sameChoice(made, { ...made, why: 'another' })).toBe(false);
  expect(sameChoice(made, { ...made, way: 'kept' })).toBe(false);
});
