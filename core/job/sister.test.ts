import { expect, test } from 'vitest';
import { sisterHold } from './sister.ts';

test.each([
  ['being sized, nothing staged', { over: false, stages: 0, open: 0, lessons: 0 }, { kind: 'first' }],
  ['worked on', { over: false, stages: 12, open: 1, lessons: 0 }, { kind: 'first' }],
  ['worked on, with lessons already', { over: false, stages: 12, open: 1, lessons: 2 }, { kind: 'first' }],
  ['through, lessons waiting', { over: false, stages: 12, open: 0, lessons: 2 }, { kind: 'lessons', lessons: 2 }],
  ['handed over, a lesson waiting', { over: true, stages: 12, open: 0, lessons: 1 }, { kind: 'lessons', lessons: 1 }],
  ['through, all settled', { over: false, stages: 12, open: 0, lessons: 0 }, null],
  ['given up before it was staged', { over: true, stages: 0, open: 0, lessons: 0 }, null],
  ['given up half done', { over: true, stages: 12, open: 5, lessons: 0 }, null],
] as const)('the first of its kind %s', (_, first, hold) => {
  expect(sisterHold(first)).toEqual(hold);
});
