import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changeOfParts, type KitPartLine } from './upgrade.ts';

const line = (id: string, componentId: string, quantity: number, state: KitPartLine['state'] = 'missing') => ({
  ...{ id, componentId, quantity, state },
});
const wish = (id: string, quantity: number) => ({ component: { id }, quantity, packedIn: 'crate 1' });

describe('another revision, and what it does to the parts', () => {
  test('what is not in stores yet comes and goes; what is fitted is told', () => {
    const lines = [
      line('1', 'cradle', 1),
      line('2', 'module', 14, 'fitted'),
      line('3', 'label', 1),
      line('4', 'vcu', 1, 'ordered'),
    ];
    expect(
      changeOfParts(lines, [wish('module', 10), wish('cradle-long', 1), wish('label', 2), wish('vcu', 1)]),
    ).toEqual({
      add: [{ componentId: 'cradle-long', quantity: 1, packedIn: 'crate 1' }],
      drop: ['1'],
      set: [{ id: '3', quantity: 2 }],
      over: [{ componentId: 'module', quantity: 4 }],
    });
  });
  test('what is there already is counted, and only the rest is missing', () => {
    expect(changeOfParts([line('1', 'm', 6, 'inStores')], [wish('m', 10)]).add).toEqual([
      { componentId: 'm', quantity: 4, packedIn: 'crate 1' },
    ]);
  });
  test('afterwards there is what is wanted, or more where it was held; a second time nothing changes', () => {
    const states = fc.constantFrom<KitPartLine['state']>('missing', 'ordered', 'inStores', 'fitted');
    const ids = fc.constantFrom('a', 'b', 'c');
    const some = fc
      .array(fc.tuple(ids, fc.integer({ min: 1, max: 5 }), states), { maxLength: 8 })
      .map((all) => all.map(([id, n, state], i) => line(`${i}`, id, n, state)));
    const wishes = fc
      .uniqueArray(fc.tuple(ids, fc.integer({ min: 1, max: 8 })), { selector: ([id]) => id })
      .map((all) => all.map(([id, n]) => wish(id, n)));
    fc.assert(
      fc.property(some, wishes, (lines, wanted) => {
        const change = changeOfParts(lines, wanted);
        const after = [
          ...lines
            .filter(({ id }) => !change.drop.includes(id))
            .map((one) => ({ ...one, quantity: change.set.find(({ id }) => id === one.id)?.quantity ?? one.quantity })),
          ...change.add.map((one, i) => line(`new ${i}`, one.componentId, one.quantity)),
        ];
        for (const id of ['a', 'b', 'c']) {
          const sum = (list: readonly KitPartLine[]) =>
            list.filter(({ componentId }) => componentId === id).reduce((all, { quantity }) => all + quantity, 0);
          const held = sum(lines.filter(({ state }) => state !== 'missing'));
          expect(sum(after)).toBe(Math.max(held, wanted.find(({ component }) => component.id === id)?.quantity ?? 0));
        }
        const again = changeOfParts(after, wanted);
        expect([again.add, again.drop, again.set]).toEqual([[], [], []]);
      }),
    );
  });
});
