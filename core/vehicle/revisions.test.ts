import { expect, test } from 'vitest';
import { newestOf, newestOnly, nextRevision, revisionOf, rootOf } from './revisions.ts';

test('a revision knows its first one and its number; a dot in a name is no revision', () => {
  expect([rootOf('wren-11'), revisionOf('wren-11')]).toEqual(['wren-11', 1]);
  expect([rootOf('wren-11.r3'), revisionOf('wren-11.r3')]).toEqual(['wren-11', 3]);
  expect([rootOf('kite-1.3'), rootOf('kite.r'), revisionOf('kite.rx')]).toEqual(['kite-1.3', 'kite.r', 1]);
});
test('the next one is after the newest, whichever was changed', () => {
  expect(nextRevision('wren', [])).toBe('wren.r2');
  expect(nextRevision('wren', ['wren', 'wren.r2', 'wren.r11', 'wren-2.r40'])).toBe('wren.r12');
  expect(nextRevision('wren.r2', ['wren', 'wren.r2'])).toBe('wren.r3');
});
test('of each kind the newest, by number and not by letter', () => {
  const all = ['a.r2', 'a.r10', 'a', 'b'].map((id) => ({ id }));
  expect(newestOf(all, 'a')?.id).toBe('a.r10');
  expect(newestOf(all, 'c')).toBeNull();
  expect(newestOnly(all).map(({ id }) => id)).toEqual(['a.r10', 'b']);
});
