import { describe, expect, test } from 'vitest';
import { PART_STATES, type PartMove, partMove, partsToAdd, stateOfNewLine } from './partMove.ts';

const move = (change: Partial<PartMove>): PartMove => ({
  from: 'missing',
  to: 'inStores',
  quantity: 2,
  free: 2,
  fromShelf: false,
  due: null,
  dueBefore: null,
  today: '2026-11-24',
  mayTakeOut: false,
  ...change,
});

describe('a line of the parts list moves', () => {
  test('is held when enough is free, and not by one piece less', () => {
    expect(partMove(move({}))).toEqual({ goods: null });
    expect(partMove(move({ free: 1 }))).toEqual({ problem: 'notFree' });
  });
  test('its own delivery is counted in; taking from the shelf instead needs what is free', () => {
    expect(partMove(move({ from: 'ordered', free: 0 }))).toEqual({ goods: { from: 'supplier', to: 'bin' } });
    expect(partMove(move({ from: 'ordered', fromShelf: true, free: 1 }))).toEqual({ problem: 'notFree' });
    expect(partMove(move({ from: 'ordered', fromShelf: true }))).toEqual({ goods: null });
  });
  test('is picked into the box of its job and fitted from there, or straight from its bin', () => {
    expect(partMove(move({ from: 'inStores', to: 'picked' }))).toEqual({ goods: { from: 'bin', to: 'job' } });
    expect(partMove(move({ from: 'picked', to: 'fitted' }))).toEqual({ goods: { from: 'job', to: 'vehicle' } });
    expect(partMove(move({ from: 'inStores', to: 'fitted' }))).toEqual({ goods: { from: 'bin', to: 'vehicle' } });
    expect(partMove(move({ from: 'fitted', to: 'fitted' }))).toEqual({ goods: null });
  });
  test('is picked and fitted from stores only', () => {
    for (const from of ['missing', 'ordered'] as const)
      for (const to of ['picked', 'fitted'] as const)
        expect(partMove(move({ from, to }))).toEqual({ problem: 'notInStores' });
  });
  test('put back, it lies in its bin, held or given up', () => {
    for (const to of ['missing', 'ordered', 'inStores'] as const)
      expect(partMove(move({ from: 'picked', to, due: '2026-12-01' }))).toEqual({ goods: { from: 'job', to: 'bin' } });
  });
  test('comes out again by right, and then lies on the shelf wherever its line goes', () => {
    for (const to of ['missing', 'inStores'] as const) {
      expect(partMove(move({ from: 'fitted', to }))).toEqual({ problem: 'takingOutNotAllowed' });
      expect(partMove(move({ from: 'fitted', to, mayTakeOut: true }))).toEqual({
        goods: { from: 'vehicle', to: 'bin' },
      });
    }
  });
  test('a due day in the past is refused only when it is new', () => {
    const late = { to: 'ordered', due: '2026-11-23' } as const;
    expect(partMove(move(late))).toEqual({ problem: 'dueInPast' });
    expect(partMove(move({ ...late, from: 'ordered', dueBefore: '2026-11-23' }))).toEqual({ goods: null });
    expect(partMove(move({ ...late, due: '2026-11-24' }))).toEqual({ goods: null });
  });
  test('a line lies in one place: what it moves leaves where the line was and comes where it will be', () => {
    const lies = { missing: null, ordered: null, inStores: 'bin', picked: 'job', fitted: 'vehicle' } as const;
    for (const from of PART_STATES) {
      for (const to of PART_STATES) {
        const answer = partMove(move({ from, to, due: '2026-12-01', mayTakeOut: true }));
        if ('problem' in answer || answer.goods === null) continue;
        if (lies[from]) expect(answer.goods.from, `${from} to ${to}`).toBe(lies[from]);
        else expect(answer.goods.from).toBe('supplier');
        expect(answer.goods.to, `${from} to ${to}`).toBe(lies[to] ?? 'bin');
      }
    }
  });
});

test('a new line is held when enough is free', () => {
  expect(stateOfNewLine(3, 3)).toBe('inStores');
  expect(stateOfNewLine(3, 2)).toBe('missing');
});

describe('filling a list', () => {
  const part = (componentId: string, quantity: number, packedIn = 'A') =>
    ({ componentId, quantity, packedIn, from: 'kit' }) as const;
  test('adds what is short, by crate', () => {
    expect(partsToAdd([part('bolt', 8), part('bolt', 4, 'B')], [part('bolt', 5)])).toEqual([
      part('bolt', 3),
      part('bolt', 4, 'B'),
    ]);
  });
  test('again adds nothing, also where two lines ask for the same part', () => {
    const wanted = [part('bolt', 8), part('bolt', 4)];
    expect(partsToAdd(wanted, partsToAdd(wanted, []))).toEqual([]);
    expect(partsToAdd(wanted, [part('bolt', 9)])).toEqual([part('bolt', 3)]);
  });
});
