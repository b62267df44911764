import { expect, test } from 'vitest';
import { nextLetter } from './revisionLetter.ts';

test.each([
  ['A', 'B'],
  ['d', 'E'],
  ['Z', 'AA'],
  ['AZ', 'BA'],
  ['ZZ', 'AAA'],
])('after %s comes %s', (now, next) => expect(nextLetter(now)).toBe(next));
