import fc from 'fast-check';
import { expect, test } from 'vitest';
import { alike } from './alike.ts';

test('copies are alike; one value, key, length or kind that differs makes them unlike', () => {
  const a = { x: 1, list: [1, { y: Number.NaN }], none: null };
  expect(alike(a, structuredClone(a))).toBe(true);
  for (const b of [
    { ...a, x: 2 },
    { ...a, list: [1] },
    { ...a, list: [1, { y: 0 }] },
    { ...a, none: undefined },
    { ...a, more: 1 },
    { x: 1, list: a.list },
    { x: 1, list: a.list, other: null },
    null,
    1,
  ])
    expect(alike(a, b), JSON.stringify(b)).toBe(false);
  expect(alike([], {})).toBe(false);
});

test('what is not plain is alike only with itself', () => {
  for (const make of [() => () => 1, () => new Map(), () => new Float64Array(2), () => new Date(0)]) {
    const one = make();
    expect(alike({ one }, { one })).toBe(true);
    expect(alike({ one }, { one: make() })).toBe(false);
  }
});

test('any value is alike with its copy', () =>
  fc.assert(fc.property(fc.jsonValue(), (value) => alike(value, structuredClone(value)))));
