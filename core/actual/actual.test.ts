import { describe, expect, test } from 'vitest';
import type { OfferBody, OfferLine } from '../offer/offer.ts';
import { type ActualGround, actualOf, type StageGoing } from './actual.ts';

const line = (more: Partial<OfferLine>): OfferLine => ({
  ...{ key: 'x', kind: 'part', group: 'main', text: 'drive', componentId: 'drive', skill: null },
  ...{ quantity: 1, unitCents: 100_000, addShare: 0.2, taxShare: 0.23, foreign: null, estimate: null },
  ...more,
});
const sold: OfferBody = {
  lines: [
    line({}),
    line({ key: 'w', kind: 'work', group: 'work', componentId: null, quantity: 20, unitCents: 5000, addShare: 0 }),
    line({ key: 'o', kind: 'outside', group: 'outside', componentId: null, unitCents: 24_000, addShare: 0.1 }),
  ],
  stages: [
    { key: 'box', name: 'Box', skill: '', hours: 12 },
    { key: 'loom', name: 'Loom', skill: '', hours: 8 },
  ],
  ...{ contingencyShare: 0, roundToCents: 1, taxRule: 'line', taxShare: 0.23 },
  ...{ open: false, note: '', validUntil: '2026-12-24' },
};
const stage = (more: Partial<StageGoing>): StageGoing => ({
  ...{ key: 'box', name: 'Box', skill: '', state: 'waiting', hours: 12, work: 0, rework: 0, waiting: 0, learning: 0 },
  ...more,
});
const ground: ActualGround = {
  ...{ sold: [sold], spent: [], rework: [], hourCostCents: null, rateCents: 5000, practice: { ratesBySkill: {} } },
  stages: [stage({}), stage({ key: 'loom', name: 'Loom', hours: 8 })],
  parts: [{ componentId: 'drive', name: 'drive', quantity: 1, unitCents: 100_000, bought: false }],
};

describe('actual against quoted', () => {
  test('before anything is done the forecast is what was sold', () => {
    const actual = actualOf(ground);
    expect(actual.cost).toEqual({ quotedCents: 224_000, spentCents: 0, forecastCents: 224_000 });
    // 120 000 + 100 000 + 26 400 before tax.
    expect(actual.soldCents).toBe(246_400);
    expect(actual.marginCents).toEqual({ quoted: 22_400, forecast: 22_400 });
  });
  test('by hand: one stage over, a dearer part, an outside firm dearer than quoted', () => {
    const actual = actualOf({
      ...ground,
      stages: [
        stage({ state: 'done', work: 13, rework: 2, waiting: 1 }),
        stage({ key: 'loom', name: 'Loom', state: 'inHand', work: 3, rework: 1 }),
      ],
      parts: [{ componentId: 'drive', name: 'drive', quantity: 1, unitCents: 110_000, bought: true }],
      spent: [{ text: 'alignment', cents: 30_000 }],
      rework: [{ cause: 'wrongDrawing', skill: '', hours: 3 }],
    });
    // Box took 16; the loom's eight hours stand and its hour of rework comes on top.
    expect(actual.stages.map(({ tookHours, forecastHours }) => [tookHours, forecastHours])).toEqual([
      [16, 16],
      [4, 9],
    ]);
    expect(actual.hours).toEqual({ quoted: 20, took: 20, forecast: 25 });
    expect(actual.work).toEqual({ quotedCents: 100_000, spentCents: 100_000, forecastCents: 125_000 });
    expect(actual.cost.forecastCents).toBe(125_000 + 110_000 + 30_000);
    expect(actual.marginCents.forecast).toBe(246_400 - 265_000);
    expect(actual.rework).toEqual([{ cause: 'wrongDrawing', hours: 3, cents: 15_000 }]);
  });
  test('a stage in hand that has taken more than it should is reckoned at what it took', () => {
    const actual = actualOf({ ...ground, stages: [stage({ state: 'inHand', work: 14 })] });
    expect(actual.stages[0]!.forecastHours).toBe(14);
  });
  test('what was sold and is not in the job yet is still to come; what nobody sold is a cost', () => {
    const actual = actualOf({
      ...ground,
      stages: [stage({ key: 'more', name: 'More', hours: 5 })],
      parts: [{ componentId: 'pump', name: 'pump', quantity: 2, unitCents: 4000, bought: true }],
    });
    expect(actual.stages.map(({ key, quotedHours, forecastHours }) => [key, quotedHours, forecastHours])).toEqual([
      ['more', null, 5],
      ['box', 12, 12],
      ['loom', 8, 8],
    ]);
    expect(
      actual.parts.map(({ componentId, quotedCents, forecastCents }) => [componentId, quotedCents, forecastCents]),
    ).toEqual([
      ['drive', 100_000, 100_000],
      ['pump', 0, 8000],
    ]);
  });
  test('once everything is done nothing that was sold is still to come', () => {
    const done = { ...ground, stages: [stage({ state: 'done', work: 19 })] };
    expect(actualOf(done).stages.find(({ key }) => key === 'loom')).toMatchObject({
      quotedHours: 8,
      forecastHours: 0,
      done: true,
    });
    expect(actualOf(done).hours).toEqual({ quoted: 20, took: 19, forecast: 19 });
  });
  test('an accepted change is sold with its own lines and stages', () => {
    const more: OfferBody = {
      ...sold,
      lines: [line({ componentId: 'outlet', key: 'y' })],
      stages: [{ key: 'addition-1', name: 'Outlet', skill: '', hours: 4 }],
    };
    const actual = actualOf({ ...ground, sold: [sold, more] });
    expect(actual.soldCents).toBe(246_400 + 120_000);
    expect(actual.hours.quoted).toBe(24);
  });
  test('with the cost of an hour set, hours cost that and what they are sold for is margin', () => {
    const actual = actualOf({ ...ground, hourCostCents: 3000 });
    expect(actual.work.quotedCents).toBe(60_000);
    expect(actual.marginCents.quoted).toBe(62_400);
  });
  test('work done again costs what an hour of its skill does, under its cause, the longest first', () => {
    const rework = [
      { cause: 'damaged', skill: '', hours: 1 },
      { cause: 'wrongDrawing', skill: 'welding', hours: 1.5 },
      { cause: 'wrongDrawing', skill: '', hours: 0.5 },
    ];
    const practice = { ratesBySkill: { welding: 8000 } };
    expect(actualOf({ ...ground, practice, rework }).rework).toEqual([
      { cause: 'wrongDrawing', hours: 2, cents: 12_000 + 2500 },
      { cause: 'damaged', hours: 1, cents: 5000 },
    ]);
    expect(actualOf({ ...ground, practice, rework, hourCostCents: 3000 }).rework[0]!.cents).toBe(6000);
  });
});
