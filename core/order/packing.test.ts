import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { KitPart } from '../kit/kit.ts';
import { type DispatchGround, dispatchNeeds } from './dispatch.ts';
import type { OrderCrate, OrderLine } from './order.ts';
import { crateLoads, LOOSE, pickList, SCALE_KG } from './packing.ts';

const part = (id: string, quantity: number, packedIn: string) =>
  ({ component: { id }, quantity, packedIn }) as unknown as KitPart;
const count = (pieces: number, byId = 'a') => ({ byId, by: byId, at: '2026-11-01T08:00:00.000Z', pieces });
const line = (part: Partial<OrderLine> & { pieces: number }): OrderLine => ({
  ...{ id: 'l1', componentId: 'bolt', name: 'Bolt set', kind: 'other', crate: 'crate 1', massKg: 2 },
  ...{ first: null, second: null, serials: [] },
  ...part,
});
const crate = (massKg: number, name = 'crate 1'): OrderCrate => ({
  ...{ name, lengthMm: 1200, widthMm: 800, heightMm: 600, massKg },
});

describe('the pick list', () => {
  test('holds every piece of the kit once, crate by crate, numbers in their order', () =>
    expect(
      pickList([
        part('module', 2, 'crate 10'),
        part('drive', 1, 'crate 2'),
        part('module', 3, 'crate 10'),
        part('module', 4, ' '),
      ]),
    ).toEqual([
      { componentId: 'drive', crate: 'crate 2', pieces: 1 },
      { componentId: 'module', crate: 'crate 10', pieces: 5 },
      { componentId: 'module', crate: LOOSE, pieces: 4 },
    ]));

  test('no piece is lost or doubled, and no line is there twice', () => {
    const parts = fc.array(
      fc
        .tuple(
          fc.constantFrom('a', 'b', 'c', 'd'),
          fc.integer({ min: 1, max: 40 }),
          fc.constantFrom('', 'crate 1', 'crate 2'),
        )
        .map(([id, n, crate]) => part(id, n, crate)),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(parts, (all) => {
        const list = pickList(all);
        const keys = list.map(({ crate: at, componentId }) => `${at} ${componentId}`);
        const wanted = (id: string) =>
          all.filter(({ component }) => component.id === id).reduce((sum, { quantity }) => sum + quantity, 0);
        const picked = (id: string) =>
          list.filter(({ componentId }) => componentId === id).reduce((sum, { pieces }) => sum + pieces, 0);
        return new Set(keys).size === keys.length && ['a', 'b', 'c', 'd'].every((id) => wanted(id) === picked(id));
      }),
    );
  });
});

describe('what a crate weighs', () => {
  // By hand: 14 modules of 11.5 kg are 161 kg, a drive of 62 kg beside them 223 kg.
  const lines = [
    line({ id: 'm', name: 'Module', pieces: 14, massKg: 11.5 }),
    line({ id: 'd', name: 'Drive', pieces: 1, massKg: 62 }),
    line({ id: 'x', name: 'Bracket', pieces: 1, massKg: null }),
  ];
  test('is its contents, with what nobody knows named', () =>
    expect(crateLoads(lines, [])).toEqual([
      { name: 'crate 1', massKg: 223, unknown: ['Bracket'], weighed: null, tooLight: false },
    ]));
  test('is of what was counted, once it was counted', () =>
    expect(crateLoads([{ ...lines[0]!, first: count(10) }], [])[0]?.massKg).toBeCloseTo(115));
  test.each([
    [223, false],
    [223 - SCALE_KG, false],
    [223 - SCALE_KG - 0.1, true],
    [240, false],
  ])('weighed %d kg: less than its contents %s', (massKg, tooLight) =>
    expect(crateLoads(lines, [crate(massKg)])[0]?.tooLight).toBe(tooLight));
});

describe('before it leaves', () => {
  const counted = line({ pieces: 4, first: count(4), second: count(4, 'b') });
  const ground: DispatchGround = {
    ...{ revisionState: 'released', revision: 'C', lines: [counted], crates: [crate(20)] },
    ...{ papers: ['instructions', 'notIncluded'], companions: [], loanTool: '', loanDue: null },
  };
  const unmet = (part: Partial<DispatchGround>) =>
    dispatchNeeds({ ...ground, ...part })
      .filter(({ met }) => !met)
      .map(({ need, missing }) => [need, ...missing]);

  test('nothing is missing of what is whole', () => expect(unmet({})).toEqual([]));
  test.each<[string, Partial<DispatchGround>, string[][]]>([
    [
      'a line short',
      { lines: [{ ...counted, first: count(3), second: count(3, 'b') }] },
      [['firstCount', 'Bolt set: 3 of 4']],
    ],
    ['counted once', { lines: [{ ...counted, second: null }] }, [['secondCount', 'Bolt set']]],
    [
      'counts that differ',
      { lines: [{ ...counted, second: count(3, 'b') }] },
      [['secondCount', 'Bolt set: first 4, then 3 of 4']],
    ],
    ['a crate nobody weighed', { crates: [] }, [['crates', 'crate 1: size and mass']]],
    ['a crate too light', { crates: [crate(5)] }, [['crates', 'crate 1: weighs 5 kg, its contents 8 kg']]],
    ['no instructions', { papers: ['notIncluded'] }, [['instructions', 'drawings and instructions']]],
    ['a tool nobody decided about', { loanTool: null }, [['loan', 'crimp tool on loan, or none']]],
    ['a tool without a day', { loanTool: 'Crimp tool' }, [['loan', 'when it is due back']]],
    ['a revision withdrawn meanwhile', { revisionState: 'withdrawn' }, [['revision', 'revision C was withdrawn']]],
    [
      'modules without papers and numbers',
      { lines: [{ ...counted, name: 'Module', kind: 'module', serials: ['A1'] }] },
      [
        ['serials', 'Module: 1 of 4'],
        ['lithium', 'transport papers for the modules'],
      ],
    ],
  ])('%s', (_, part, want) => expect(unmet(part)).toEqual(want));

  test('what a part needs and nothing in the kit is stops it', () =>
    expect(unmet({ companions: ['Heater needs diodes'] })).toEqual([['companions', 'Heater needs diodes']]));
  test('a withdrawn revision, and lithium without papers, are let pass by nobody', () => {
    const hard = dispatchNeeds(ground).filter((need) => need.hard);
    expect(hard.map(({ need }) => need)).toEqual(['revision', 'lithium']);
  });
});
