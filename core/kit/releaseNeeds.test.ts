import { expect, test } from 'vitest';
import { MODULE } from '../testing/wren.ts';
import type { KitContent, KitLine, StageTemplate, StepLimit } from './kit.ts';
import { type ReleaseGround, releaseNeeds, unsourced } from './releaseNeeds.ts';

const line: KitLine = { componentId: MODULE.id, quantity: 1, packedIn: '', appliesWhen: null };
const torque: StepLimit = { kind: 'torque', min: 40, max: 50, source: 'drawing 12' };
const stage = (limit: StepLimit | null): StageTemplate => ({
  ...{ key: 'box', name: 'Box in', hours: 1, traits: [], after: [], people: 1, liveHv: false, needs: '', note: '' },
  steps: [{ text: 'Torque, box', note: '', limit }],
});
const content = (change: Partial<KitContent> = {}): KitContent => ({
  ...{ lines: [line], options: [], layout: { boxes: [], strings: 1 }, torqueCapNm: null, gear: null },
  ...{ cover: {}, exclusions: [], stages: [stage(torque)] },
  ...change,
});
const ground = (change: Partial<ReleaseGround> = {}): ReleaseGround => ({
  content: content(),
  library: new Map([[MODULE.id, MODULE]]),
  gaps: [],
  verdicts: [
    { variant: 'a', verdict: 'doesNotFit' },
    { variant: 'b', verdict: 'measureFirst' },
  ],
  readBy: 'Jory',
  changedBy: 'Ilse',
  ...change,
});
const unmet = (change: Partial<ReleaseGround>) =>
  releaseNeeds(ground(change)).flatMap(({ need, met, missing }) => (met ? [] : [[need, ...missing]]));

test('a whole draft that somebody else has read can be released', () => expect(unmet({})).toEqual([]));

test.each<[string, Partial<ReleaseGround>, string[][]]>([
  ['a gap', { gaps: ['demist'] }, [['cover', 'demist']]],
  ['fits nothing', { verdicts: [{ variant: 'a', verdict: 'doesNotFit' }] }, [['fitsOne', 'a']]],
  ['held against no variant at all', { verdicts: [] }, [['fitsOne']]],
  ['nobody has read it', { readBy: null }, [['secondReader', 'nobody has read it as it is now']]],
  ['its author has read it', { readBy: 'Ilse' }, [['secondReader', 'read only by whoever changed it last']]],
  [
    'a torque that nobody answers for',
    { content: content({ stages: [stage({ ...torque, source: ' ' })] }) },
    [['torqueSources', 'Box in: Torque, box']],
  ],
  ['no stage', { content: content({ stages: [] }) }, [['stages', 'no stage yet']]],
  [
    'a component the library has not, and one twice',
    { content: content({ lines: [line, line, { ...line, componentId: 'gone' }] }) },
    [['lines', 'gone', `${MODULE.name}, counted twice`]],
  ],
  [
    'stages that wait for nothing there is',
    { content: content({ stages: [{ ...stage(torque), after: ['x'] }] }) },
    [['stages', 'Box in']],
  ],
])('%s', (_, change, needs) => expect(unmet(change)).toEqual(needs));

test('a resistance needs no source, a clearance does', () => {
  const of = (kind: StepLimit['kind']) => unsourced({ stages: [stage({ kind, min: 1, max: null })] });
  expect(of('resistance')).toEqual([]);
  expect(of('length')).toEqual(['Box in: Torque, box']);
});
