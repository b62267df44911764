import { expect, test } from 'vitest';
import { intoMetal, PART_GOES, REGISTER_KINDS, type RegisterFacts, standsInTheWay } from './register.ts';

const entry = (change: Partial<RegisterFacts>): RegisterFacts => ({
  ...{ kind: 'hole', goes: null, undoneAt: null },
  ...change,
});

test('what goes into metal stands in the way until it is undone; what is bolted on or put elsewhere does not', () => {
  const inTheWay = REGISTER_KINDS.filter((kind) => standsInTheWay(entry({ kind })));
  expect(inTheWay).toEqual(['hole', 'cut', 'weld', 'narrowing']);
  expect(standsInTheWay(entry({ undoneAt: '2026-01-01' }))).toBe(false);
});
test('a part on the shelf or with the client can go back, one that is sold or scrapped cannot', () => {
  expect(PART_GOES.filter((goes) => standsInTheWay(entry({ kind: 'partOut', goes })))).toEqual(['sold', 'scrapped']);
});
test('counts what is in the metal, whatever became of the parts', () => {
  const gone = entry({ kind: 'partOut', goes: 'scrapped' });
  expect(intoMetal([entry({}), entry({ kind: 'weld' }), gone, entry({ undoneAt: '2026-01-01' })])).toBe(2);
});
