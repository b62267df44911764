import { describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { EMPTY_DESIGN } from '../design/inputs.ts';
import { type ResolveInput, resolveDesign } from '../design/resolve.ts';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { fitting, LV_BATTERY, shelfMap } from '../testing/shelf.ts';
import { CHARGER, DRIVE, MODULE, slots, VEHICLE } from '../testing/wren.ts';
import { type Wish, wishEffect } from './effect.ts';
import type { OfferLine } from './offer.ts';

const BRACKET = { ...fitting('other', 'Bracket', {}), id: 'bracket', massKg: 3.5, leadDays: 12 };
const agreed: ResolveInput = {
  design: {
    ...EMPTY_DESIGN,
    moduleId: MODULE.id,
    driveId: DRIVE.id,
    chargerId: CHARGER.id,
    boxes: [{ bay: 'rear', modules: 8, shiftMm: 0 }],
  },
  library: new Map<string, Component>([
    ...shelfMap(),
    ...[MODULE, DRIVE, CHARGER, LV_BATTERY, BRACKET].map((part) => [part.id, part as Component] as const),
  ]),
  vehicle: VEHICLE,
  ...{ use: slots().use, newHoles: null, work: slots().work },
};
const line = (more: Partial<OfferLine>): OfferLine => ({
  ...{ key: 'x', kind: 'own', group: 'own', text: 'something', componentId: null, skill: null, quantity: 1 },
  ...{ unitCents: 100, addShare: 0, taxShare: 0.2, foreign: null, estimate: null },
  ...more,
});
const wish = (more: Partial<Wish> = {}): Wish => ({ lines: [], design: null, massKg: 0, xMm: null, ...more });
const figure = (input: ResolveInput, id: 'rangeRound' | 'rangeConstant' | 'unladenMass') =>
  createSheet(resolveDesign(input)).get(FIGURES[id]).value!;

describe('what a wish does', () => {
  test('one that brings nothing changes nothing', () => {
    expect(wishEffect(agreed, wish())).toMatchObject({ massKg: 0, hours: 0 });
    const { rangeKm, days } = wishEffect(agreed, wish());
    expect([rangeKm ?? 0, days ?? 0]).toEqual([0, 0]);
  });
  test('mass put in is that much heavier and goes less far, as the figures of such a design say', () => {
    const effect = wishEffect(agreed, wish({ massKg: 80, xMm: 1500 }));
    expect(effect.massKg).toBeCloseTo(80, 6);
    expect(effect.rangeKm).toBeLessThan(0);
    const heavier = { ...agreed, design: { ...agreed.design, items: [{ name: 'w', massKg: 80, xMm: 1500, yMm: 0 }] } };
    expect(figure(heavier, 'unladenMass') - figure(agreed, 'unladenMass')).toBeCloseTo(effect.massKg!, 6);
  });
  test('two modules more go into a box: they bring energy, so it goes further', () => {
    const more = wishEffect(agreed, wish({ lines: [line({ kind: 'part', componentId: MODULE.id, quantity: 2 })] }));
    const boxes = [{ bay: 'rear', modules: 10, shiftMm: 0 }];
    const such = { ...agreed, design: { ...agreed.design, boxes } };
    expect(more.rangeKm).toBeCloseTo(figure(such, 'rangeRound') - figure(agreed, 'rangeRound'), 9);
    expect(more.rangeKm).toBeGreaterThan(0);
    expect(more.massKg).toBeCloseTo(figure(such, 'unladenMass') - figure(agreed, 'unladenMass'), 9);
  });
  test('taken out it is lighter', () => {
    expect(wishEffect(agreed, wish({ massKg: -25 })).massKg).toBeCloseTo(-25, 6);
  });
  test('parts bring their own mass, and those left out take theirs away', () => {
    const part = BRACKET;
    const put = (quantity: number) =>
      wishEffect(agreed, wish({ lines: [line({ kind: 'part', componentId: part.id, quantity })] })).massKg!;
    expect(put(2)).toBeCloseTo(2 * part.massKg, 6);
    const there = {
      ...agreed,
      design: { ...agreed.design, others: [{ componentId: part.id, quantity: 2, xMm: null }] },
    };
    const out = wishEffect(there, wish({ lines: [line({ kind: 'part', componentId: part.id, quantity: -1 })] }));
    expect(out.massKg).toBeCloseTo(-part.massKg, 6);
  });
  test('hours and lead times move the day, unless something else is waited for longer', () => {
    const work = { ...agreed.work, remainingHours: 26, hoursPerDay: 13, latestPartDay: null };
    const now = { ...agreed, work, free: new Map<string, number>() };
    const hours = (quantity: number) =>
      wishEffect(now, wish({ lines: [line({ kind: 'work', group: 'work', skill: '', quantity })] }));
    expect(hours(13)).toMatchObject({ hours: 13 });
    expect(hours(13).days).toBeGreaterThanOrEqual(1);
    const part = BRACKET;
    const awaited = wishEffect(now, wish({ lines: [line({ kind: 'part', componentId: part.id })] }));
    // Over a weekend that the work would have met anyway, two days fewer.
    expect(awaited.days).toBeGreaterThanOrEqual(part.leadDays - 2);
    const shelf = { ...now, free: new Map([[part.id, 3]]) };
    expect(wishEffect(shelf, wish({ lines: [line({ kind: 'part', componentId: part.id })] })).days).toBe(0);
    const late = { ...now, work: { ...work, latestPartDay: work.todayDay + part.leadDays + 30 } };
    expect(wishEffect(late, wish({ lines: [line({ kind: 'part', componentId: part.id })] })).days).toBe(0);
  });
  test('where the figures do not tell it is said so, not guessed', () => {
    const bare = { ...agreed, design: { ...agreed.design, moduleId: null, boxes: [] } };
    expect(wishEffect(bare, wish({ massKg: 10 })).rangeKm).toBeNull();
  });
});
