import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { StepTemplate } from './kit.ts';
import { stageProblems } from './stageProblems.ts';
import { boltInStages } from './usualStages.ts';

const stage = (key: string, after: string[] = [], more: object = {}) => ({
  ...{ key, after, people: 1, liveHv: false, steps: [] as StepTemplate[] },
  ...more,
});
const limited = (min: number | null, max: number | null): StepTemplate => ({
  text: 'gap',
  note: '',
  limit: { kind: 'length', min, max },
});

describe('a list of stages', () => {
  test('of the trade has nothing wrong with it', () => {
    const facts = { cradleNm: null, boxNm: null, rearBox: true, liquid: true, size: 1, fullV: 350 };
    expect(stageProblems(boltInStages(facts))).toEqual([]);
    expect(stageProblems(boltInStages({ ...facts, rearBox: false, liquid: false }))).toEqual([]);
  });
  test.each([
    ['a key twice', [stage('a'), stage('a')], [{ at: '1.key', problem: 'sameKey', other: 'a' }]],
    ['after nothing', [stage('a', ['gone'])], [{ at: '0.after.0', problem: 'noSuchStage', other: 'gone' }]],
    ['after itself', [stage('a', ['a'])], [{ at: '0.after', problem: 'circle', other: 'a' }]],
    [
      'behind a circle, which is named and not what waits for it',
      [stage('z', ['a']), stage('a', ['b']), stage('b', ['a'])],
      [{ at: '1.after', problem: 'circle', other: 'a' }],
    ],
    [
      'limits the wrong way round, and none',
      [stage('a', [], { steps: [limited(5, 4), limited(4, 4), limited(null, null)] })],
      [
        { at: '0.steps.0.limit.max', problem: 'limitsCrossed' },
        { at: '0.steps.2.limit', problem: 'noLimit' },
      ],
    ],
    ['live work alone', [stage('a', [], { liveHv: true })], [{ at: '0.people', problem: 'pairNeeded' }]],
  ])('%s', (_, stages, problems) => expect(stageProblems(stages)).toEqual(problems));

  test('has no circle where each waits for earlier ones only; one link back along a path makes one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.infiniteStream(fc.nat()), (n, picks) => {
        const stages = Array.from({ length: n }, (_, i) =>
          stage(`s${i}`, i === 0 ? [] : [`s${(picks.next().value as number) % i}`]),
        );
        expect(stageProblems(stages)).toEqual([]);
        const last = stages.at(-1)!;
        const closed = stages.map((one) => (one.key === 's0' ? { ...one, after: [last.key] } : one));
        expect(stageProblems(closed).map(({ problem }) => problem)).toEqual(['circle']);
      }),
    );
  });
});
