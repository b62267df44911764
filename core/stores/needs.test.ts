import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Demand, type NeedItem, netAll, netItem, type Receipt, stockCurve } from './needs.ts';

const demand = (lineId: string, quantity: number, neededDay: number | null, held = false): Demand => ({
  ...{ lineId, jobNumber: `26-${lineId}`, quantity, neededDay, held },
});
const receipt = (day: number, quantity: number, forLine: string | null = null): Receipt => ({
  ...{ ref: `P${day}`, day, quantity, forLine },
});
const item = (part: Partial<NeedItem>): NeedItem => ({
  ...{ componentId: 'module', onHand: 0, leadDays: 10, lateDays: 0, reorderAt: null, reorderTo: null, unitSize: 1 },
  ...{ demands: [], receipts: [] },
  ...part,
});
const covers = (need: ReturnType<typeof netItem>) =>
  need.covers.map(({ lineId, from, day, short }) => [lineId, from, day, short]);

describe('netting', () => {
  /**
   * Worked by hand, as requirements are netted in textbooks: 28 on hand, 16 come on day 30. Day by day 11, 8, 6 and 19 are
   * needed on days 10, 20, 25 and 40. After day 10: 17; after 20: 9; after 25: 3; the delivery makes 19; after 40: 0.
   * One more line of 10 on day 45 finds nothing: 10 to order, by day 45 − 10 − 4 = 31 with a supplier four days late.
   */
  const example = item({
    onHand: 28,
    lateDays: 4,
    demands: [
      demand('101', 11, 10),
      demand('104', 19, 40),
      demand('102', 8, 20),
      demand('103', 6, 25),
      demand('105', 10, 45),
    ],
    receipts: [receipt(30, 16)],
  });
  test('by hand: who is covered by what, what is to be ordered, by when', () => {
    const need = netItem(example, 5);
    expect(covers(need)).toEqual([
      ['101', 'stock', null, 0],
      ['102', 'stock', null, 0],
      ['103', 'stock', null, 0],
      ['104', 'order', 30, 0],
      ['105', 'none', null, 10],
    ]);
    expect(need).toMatchObject({ state: 'short', needed: 54, onHand: 28, ordered: 16, order: 10, orderBy: 31 });
    expect(need.first).toMatchObject({ jobNumber: '26-105', short: 10 });
  });
  test('by hand: the curve goes down with each need and up with the delivery, and below nothing by what is missing', () => {
    expect(stockCurve(example, 5)).toEqual([
      { day: 5, balance: 28 },
      { day: 10, balance: 17 },
      { day: 20, balance: 9 },
      { day: 25, balance: 3 },
      { day: 30, balance: 19 },
      { day: 40, balance: 0 },
      { day: 45, balance: -10 },
    ]);
    expect(stockCurve(example, 5, 10).find(({ day }) => day === 19)).toEqual({ day: 19, balance: 27 });
    expect(stockCurve(example, 5, 10).at(-1)!.balance).toBe(0);
  });
  test('what is held is its holder’s, whoever needs it earlier', () => {
    const need = netItem(item({ onHand: 1, demands: [demand('107', 1, 60, true), demand('105', 1, 10)] }), 5);
    expect(covers(need)).toEqual([
      ['105', 'none', null, 1],
      ['107', 'held', null, 0],
    ]);
    expect(need.orderBy).toBe(0);
  });
  test('what was ordered for a line is that line’s; what is beyond it is anybody’s', () => {
    const need = netItem(
      item({ demands: [demand('105', 1, 10), demand('107', 1, 60)], receipts: [receipt(20, 3, '107')] }),
      5,
    );
    expect(covers(need)).toEqual([
      ['105', 'order', 20, 0],
      ['107', 'order', 20, 0],
    ]);
    // Ten days late for the first: nothing is short, but somebody waits.
    expect(need).toMatchObject({ state: 'late', order: 0, first: { jobNumber: '26-105' } });
  });
  test('what was ordered for a line that has its pieces by now is anybody’s', () => {
    const demands = [demand('105', 1, 10, true), demand('107', 1, 60)];
    const need = netItem(item({ onHand: 1, demands, receipts: [receipt(20, 1, '105'), receipt(25, 1, 'gone')] }), 5);
    expect(covers(need)).toEqual([
      ['105', 'held', null, 0],
      ['107', 'order', 20, 0],
    ]);
  });
  test('a job nobody has promised is covered last, and presses nobody', () => {
    const need = netItem(item({ onHand: 1, demands: [demand('108', 1, null), demand('109', 1, 90)] }), 5);
    expect(covers(need)).toEqual([
      ['109', 'stock', null, 0],
      ['108', 'none', null, 1],
    ]);
    expect(need).toMatchObject({ order: 1, orderBy: null, state: 'short' });
  });
  test('below its level it is filled up, beside what is short, in whole units', () => {
    expect(netItem(item({ onHand: 8, reorderAt: 8, reorderTo: 24 }), 5)).toMatchObject({
      state: 'order',
      order: 16,
      orderBy: 5,
    });
    expect(netItem(item({ onHand: 9, reorderAt: 8, reorderTo: 24 }), 5)).toMatchObject({ state: 'fine', order: 0 });
    const hose = item({
      onHand: 1200,
      unitSize: 1000,
      reorderAt: 5000,
      reorderTo: 20_500,
      demands: [demand('1', 3000, 40)],
    });
    // 1.8 m short and 20.5 m to fill up: 22.3 m, of which whole metres are sold.
    expect(netItem(hose, 5)).toMatchObject({ state: 'short', order: 23_000 });
  });
  test('the most pressing first', () => {
    const all = netAll(
      [
        item({ componentId: 'fine', onHand: 1, demands: [demand('1', 1, 30)] }),
        item({ componentId: 'later', demands: [demand('1', 1, 90)] }),
        item({ componentId: 'now', demands: [demand('1', 1, 20)] }),
        item({ componentId: 'late', demands: [demand('1', 1, 20)], receipts: [receipt(25, 1)] }),
        item({ componentId: 'low', reorderAt: 1, reorderTo: 4 }),
        item({ componentId: 'nobody' }),
      ],
      5,
    );
    expect(all.map(({ componentId, state }) => [componentId, state])).toEqual([
      ['now', 'short'],
      ['later', 'short'],
      ['late', 'late'],
      ['low', 'order'],
      ['fine', 'fine'],
    ]);
  });
  test('pieces are neither made nor lost: what covers, what is short and what is left make what is wanted and what there is', () => {
    const quantity = fc.integer({ min: 1, max: 20 });
    const day = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.array(fc.tuple(quantity, fc.option(day), fc.boolean()), { maxLength: 8 }),
        fc.array(fc.tuple(day, quantity, fc.option(fc.integer({ min: 0, max: 7 }))), { maxLength: 6 }),
        (shelf, wanted, coming) => {
          const demands = wanted.map(([n, need, held], i) => demand(String(i), n, need, held));
          const held = demands.reduce((sum, one) => sum + (one.held ? one.quantity : 0), 0);
          const receipts = coming.map(([when, n, whose]) => receipt(when, n, whose === null ? null : String(whose)));
          // What is held lies there.
          const onHand = shelf + held;
          const need = netItem(item({ onHand, demands, receipts }), 5);
          const short = need.covers.reduce((sum, one) => sum + one.short, 0);
          const there = onHand + receipts.reduce((sum, one) => sum + one.quantity, 0);
          expect(short).toBeGreaterThanOrEqual(Math.max(0, need.needed - there));
          // Nothing is short while something that anybody may have is left over.
          if (receipts.every(({ forLine }) => forLine === null)) expect(short).toBe(Math.max(0, need.needed - there));
          expect(need.order).toBe(short);
          for (const cover of need.covers) expect(cover.short).toBeLessThanOrEqual(cover.quantity);
        },
      ),
    );
  });
  test('what is netted is netted alike, however its lines are listed; more stock leaves nobody shorter', () => {
    const lines = fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.option(fc.integer({ min: 0, max: 40 }))), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(lines, fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 20 }), (wanted, onHand, more) => {
        const demands = wanted.map(([n, day], i) => demand(String(i), n, day));
        const need = netItem(item({ onHand, demands, receipts: [receipt(20, 5)] }), 5);
        const turned = netItem(item({ onHand, demands: demands.toReversed(), receipts: [receipt(20, 5)] }), 5);
        expect(turned).toEqual(need);
        const richer = netItem(item({ onHand: onHand + more, demands, receipts: [receipt(20, 5)] }), 5);
        for (const [i, cover] of richer.covers.entries())
          expect(cover.short).toBeLessThanOrEqual(need.covers[i]!.short);
      }),
    );
  });
  test('the curve ends at what there is and comes, less all that is wanted by a day', () => {
    const lines = fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.option(fc.integer({ min: 0, max: 40 }))), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(lines, fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 9 }), (wanted, onHand, ordered) => {
        const demands = wanted.map(([n, day], i) => demand(String(i), n, day));
        const all = item({ onHand, demands, receipts: [receipt(20, 5)] });
        const dated = demands.reduce((sum, one) => sum + (one.neededDay === null ? 0 : one.quantity), 0);
        const points = stockCurve(all, 5, ordered);
        expect(points.at(-1)!.balance).toBe(onHand + 5 + ordered - dated);
        expect(points.map(({ day }) => day)).toEqual([...new Set(points.map(({ day }) => day))].sort((a, b) => a - b));
        expect(points[0]!.day).toBe(5);
      }),
    );
  });
});
