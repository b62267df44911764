import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bespokeStages } from '../kit/bespokeStages.ts';
import { boltInStages } from '../kit/usualStages.ts';
import { heldOrders, orderRule, stageTraps, type TrapStage, trapSubject } from './traps.ts';

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

describe('orders that the plan holds though no network says so', () => {
  const held = (stages: readonly TrapStage[], overruled: readonly string[] = []) =>
    heldOrders(stages, new Set(overruled)).map(({ first, later }) => `${first.key} ${later.key}`);
  test('the front box before the rear, or the vehicle tips on the lift; not where somebody has a reason', () => {
    const stages = waiting('rear-box', ['run-looms']);
    expect(held(stages)).toContain('front-box rear-box');
    const [trap] = stageTraps(stages).filter(({ trap: one }) => one === 'frontBeforeRear');
    const overruled = `${orderRule(trap!.trap)} ${trapSubject(trap!)}`;
    expect(overruled).toBe('order-frontBeforeRear front-box rear-box');
    expect(held(stages, [overruled])).not.toContain('front-box rear-box');
  });
  test('one that the network has the other way round is told, and holds nothing', () => {
    const turned = waiting('front-box', ['rear-box']).map((one) =>
      one.key === 'rear-box' ? { ...one, after: ['run-looms'] } : one,
    );
    expect(found(turned)).toContain('frontBeforeRear: front-box before rear-box');
    expect(held(turned)).not.toContain('front-box rear-box');
  });
  test('whatever the network, what is held makes no circle that was not there', () => {
    const keys = usual.map(({ key }) => key);
    const network = fc.array(fc.tuple(fc.nat(keys.length - 1), fc.nat(keys.length - 1)), { maxLength: 40 });
    fc.assert(
      fc.property(network, (links) => {
        // Without circles: the later of two numbers waits for the earlier, in an order of chance's own.
        const stages = usual.map((stage, i) => ({
          ...stage,
          after: links.flatMap(([a, b]) => (Math.max(a, b) === i && a !== b ? [keys[Math.min(a, b)]!] : [])),
        }));
        const turned = stages.map((stage) => ({
          ...stage,
          after: stages.filter(({ after }) => after.includes(stage.key)).map(({ key }) => key),
        }));
        for (const of of [stages, turned]) {
          const more = heldOrders(of, new Set());
          const after = new Map(
            of.map(({ key, after: own }) => [
              key,
              new Set([...own, ...more.flatMap(({ first, later }) => (later.key === key ? [first.key] : []))]),
            ]),
          );
          // Taken away one after another, those that wait for none that is left: in the end none is left.
          for (let left = after.size; left > 0; left = after.size) {
            for (const [key, own] of after) if (![...own].some((one) => after.has(one))) after.delete(key);
            expect(after.size).toBeLessThan(left);
          }
        }
      }),
      { numRuns: 300 },
    );
  });
});
