import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countDifferences, kitDifference } from './difference.ts';
import type { KitContent, KitLine, StageTemplate } from './kit.ts';

const line = (componentId: string, quantity = 1, appliesWhen: KitLine['appliesWhen'] = null): KitLine => ({
  ...{ componentId, quantity, appliesWhen },
  packedIn: 'crate 1',
});
const stage = (key: string, hours = 1): StageTemplate => ({
  ...{ key, name: key, hours, traits: [], after: [], people: 1, liveHv: false, needs: '', note: '', steps: [] },
});
const content = (change: Partial<KitContent> = {}): KitContent => ({
  ...{ lines: [], options: [], layout: { boxes: [], strings: 1 }, torqueCapNm: null, gear: null },
  ...{ cover: {}, exclusions: [], stages: [] },
  ...change,
});

describe('the difference between two revisions', () => {
  test('tells lines that came, went, or changed their number or crate; the same line elsewhere in the list is the same', () => {
    const before = content({ lines: [line('drive'), line('module', 14), line('cradle'), line('box')] });
    const after = content({
      lines: [line('box'), line('module', 13), line('drive'), { ...line('label'), packedIn: 'folder' }],
    });
    expect(kitDifference(before, after).lines).toEqual([
      expect.objectContaining({ componentId: 'module', before: line('module', 14), after: line('module', 13) }),
      expect.objectContaining({ componentId: 'label', before: null }),
      expect.objectContaining({ componentId: 'cradle', after: null }),
    ]);
  });
  test('a line that applies otherwise is another line, whichever way its condition is written', () => {
    const boot = line('module', 13, { option: 'boot', variantIds: ['a'] });
    const turned = line('module', 13, { variantIds: ['a'], option: 'boot' });
    expect(kitDifference(content({ lines: [boot] }), content({ lines: [turned] })).lines).toEqual([]);
    const otherwise = kitDifference(content({ lines: [boot] }), content({ lines: [line('module', 13)] }));
    expect(otherwise.lines.map(({ before, after }) => [before !== null, after !== null])).toEqual([
      [false, true],
      [true, false],
    ]);
  });
  test('tells settings, cover, what is never included, options and stages', () => {
    const before = content({
      options: [{ id: 'boot', name: 'Keep the boot' }],
      torqueCapNm: 120,
      cover: { demist: { way: 'kept', why: 'blower' } },
      exclusions: ['paint', 'tyres'],
      stages: [stage('strip', 8), stage('looms', 8), stage('gone')],
    });
    const after = content({
      layout: { boxes: [{ bay: 'rear', modules: 4 }], strings: 1 },
      cover: { demist: { way: 'made', why: 'duct' } },
      exclusions: ['paint'],
      stages: [stage('looms', 8), stage('strip', 7), stage('new')],
    });
    const found = kitDifference(before, after);
    expect(found.settings.map(({ what }) => what)).toEqual(['boxes', 'torqueCapNm']);
    expect(found.cover).toHaveLength(1);
    expect(found.exclusions).toEqual({ added: [], dropped: ['tyres'] });
    expect(found.options.dropped).toEqual(['Keep the boot boot']);
    expect(found.stages.map(({ key, fields }) => [key, fields])).toEqual([
      ['strip', ['hours']],
      ['new', []],
      ['gone', []],
    ]);
    expect(found.stageOrder).toBe(true);
    expect(countDifferences(found)).toBe(2 + 1 + 1 + 1 + 3 + 1);
  });
  test('is nothing from a kit to itself, and as long one way as the other', () => {
    const lines = fc.array(
      fc.record({
        componentId: fc.constantFrom('a', 'b', 'c'),
        quantity: fc.integer({ min: 1, max: 3 }),
        packedIn: fc.constantFrom('1', '2'),
        appliesWhen: fc.constantFrom(null, { option: 'x' }),
      }),
      { maxLength: 6 },
    );
    const some = fc.record({ lines, exclusions: fc.uniqueArray(fc.constantFrom('p', 'q')) }).map(content);
    fc.assert(
      fc.property(some, some, (a, b) => {
        expect(countDifferences(kitDifference(a, a))).toBe(0);
        expect(countDifferences(kitDifference(a, b))).toBe(countDifferences(kitDifference(b, a)));
      }),
    );
  });
});
