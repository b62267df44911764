import { describe, expect, test } from 'vitest';
import { bespokeStages } from '../kit/bespokeStages.ts';
import { boltInStages } from '../kit/usualStages.ts';
import { stageTraps, type TrapStage } from './traps.ts';

const usual = boltInStages({ cradleNm: null, boxNm: null, rearBox: true, liquid: true, size: 1, fullV: 400 });
/** The usual stages with one of them waiting for something else. */
const waiting = (key: string, keys: readonly string[]): readonly TrapStage[] =>
  usual.map((stage) => (stage.key === key ? { ...stage, after: keys } : stage));
const found = (stages: readonly TrapStage[]) =>
  stageTraps(stages).map(({ trap, first, later }) => `${trap}: ${first.key} before ${later.key}`);

describe('traps in the order of stages', () => {
  test('the usual stages walk into none, nor does what a bespoke job adds', () => {
    expect(found(usual)).toEqual([]);
    expect(
      found(boltInStages({ cradleNm: null, boxNm: null, rearBox: false, liquid: false, size: 1, fullV: 400 })),
    ).toEqual([]);
    expect(found(bespokeStages())).toEqual([]);
  });
  test.each([
    ['rear-box', ['run-looms'], 'frontBeforeRear: front-box before rear-box'],
    ['front-box', ['strip'], 'loomsFirst: run-looms before front-box'],
    ['connectors', ['strip'], 'connectorsAfterPulling: run-looms before connectors'],
    ['panels', ['charger'], 'lidsAfterProving: prove before panels'],
    ['align', ['prove'], 'alignAtFullWeight: panels before align'],
    ['first-power', ['front-box'], 'powerAfterConnectors: connectors before first-power'],
  ] as const)('%s only after %j', (key, keys, trap) => {
    expect(found(waiting(key, keys))).toContain(trap);
  });
  test('a charger put over the filler of the air conditioning', () => {
    const air = { key: 'air-con', name: 'Air conditioning in, then filled', after: ['rear-box'], traits: [] };
    expect(found([...usual, air])).toEqual(['airConBeforeCharger: air-con before charger']);
    expect(found([...waiting('charger', ['connectors', 'air-con']), air])).toEqual([]);
  });
  test('stages that wait for each other in a circle end somewhere', () => {
    expect(() => stageTraps(waiting('strip', ['hand-over']))).not.toThrow();
  });
});
