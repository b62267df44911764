import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { times } from '../money/exact.ts';
import { TAX_RULES } from '../money/tax.ts';
import { bracketOf, type FinishedJob } from './bracket.ts';
import { offerDifference } from './difference.ts';
import { type DoubtGround, offerDoubts } from './doubts.ts';
import { offerFromJob } from './fromJob.ts';
import { hoursEstimate, type StageTook } from './hours.ts';
import type { OfferBody, OfferLine } from './offer.ts';
import { LINE_GROUPS, LINE_KINDS } from './offer.ts';
import { offerSums } from './sums.ts';
import { wayCost } from './ways.ts';

const line = (more: Partial<OfferLine>): OfferLine => ({
  ...{ key: 'own 1', kind: 'own', group: 'own', text: 'something', componentId: null, skill: null },
  ...{ quantity: 1, unitCents: 100, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  ...more,
});
const body = (lines: readonly OfferLine[], more: Partial<OfferBody> = {}): OfferBody => ({
  ...{ lines, stages: [], contingencyShare: 0, roundToCents: 1, taxRule: 'line', taxShare: 0.23 },
  ...{ open: false, note: '', validUntil: '2026-12-24' },
  ...more,
});
const PARTS = line({ key: 'part a', kind: 'part', group: 'main', unitCents: 584_200, addShare: 0.18 });
const SMALL = line({ key: 'part b', kind: 'part', group: 'small', unitCents: 110_700, addShare: 0.25 });
const WORK = line({ key: 'work m', kind: 'work', group: 'work', quantity: 31, unitCents: 5200 });
const HV = line({ key: 'work e', kind: 'work', group: 'work', quantity: 22, unitCents: 5800 });
const AWAY = line({ key: 'outside 1', kind: 'outside', group: 'outside', unitCents: 24_000, addShare: 0.1 });

describe('an offer in money', () => {
  test('by hand: parts, hours, outside work, five in a hundred in case, 23 % tax', () => {
    // 6 893.56 + 1 383.75 + 1 612 + 1 276 + 264; in case 5 % of 11 165.31 = 558.27; 11 987.58; tax 2 757.14.
    const sums = offerSums(body([PARTS, SMALL, WORK, HV, AWAY], { contingencyShare: 0.05, taxRule: 'total' }));
    expect(sums.lines.map(({ netCents }) => netCents)).toEqual([689_356, 138_375, 161_200, 127_600, 26_400]);
    expect(sums.contingency.netCents).toBe(55_827);
    expect(sums).toMatchObject({ costCents: 1_007_700, netCents: 1_198_758, taxCents: 275_714, totalCents: 1_474_472 });
    expect(sums.groups.map(({ group }) => group)).toEqual(['main', 'small', 'work', 'outside']);
  });
  test('rounded to whole hundreds it is told so as a line, with its tax', () => {
    const sums = offerSums(body([PARTS], { roundToCents: 10_000 }));
    expect(sums.rounding.netCents).toBe(644);
    expect(sums).toMatchObject({ netCents: 690_000, taxCents: 158_552 + 148 });
  });
  test('sums are those of the lines, in both rules, whatever is typed', () => {
    const any = fc.record({
      kind: fc.constantFrom(...LINE_KINDS),
      group: fc.constantFrom(...LINE_GROUPS),
      quantity: fc.integer({ min: -5000, max: 100_000 }).map((n) => n / 1000),
      unitCents: fc.integer({ min: -10_000, max: 5_000_000 }),
      addShare: fc.integer({ min: 0, max: 3000 }).map((n) => n / 1000),
      taxShare: fc.constantFrom(0, 0.06, 0.13, 0.23),
    });
    fc.assert(
      fc.property(
        fc.array(any, { maxLength: 60 }),
        fc.constantFrom(...TAX_RULES),
        fc.constantFrom(1, 100, 5000),
        fc.integer({ min: 0, max: 300 }).map((n) => n / 1000),
        (lines, taxRule, roundToCents, contingencyShare) => {
          const sums = offerSums(
            body(
              lines.map((one, i) => line({ ...one, key: `own ${i}` })),
              { taxRule, roundToCents, contingencyShare },
            ),
          );
          const all = [...sums.lines, sums.contingency, sums.rounding];
          const total = (of: 'netCents' | 'taxCents') => all.reduce((sum, one) => sum + one[of], 0);
          expect(total('netCents')).toBe(sums.netCents);
          expect(total('taxCents')).toBe(sums.taxCents);
          expect(sums.netCents + sums.taxCents).toBe(sums.totalCents);
          expect(sums.netCents % roundToCents === 0).toBe(true);
          const groups = sums.groups.reduce((sum, { netCents }) => sum + netCents, 0);
          expect(groups + sums.contingency.netCents + sums.rounding.netCents).toBe(sums.netCents);
        },
      ),
    );
  });
  test('what differs between two versions adds up to the difference of their sums', () => {
    const before = body([PARTS, WORK, AWAY], { contingencyShare: 0.05 });
    const after = body([{ ...PARTS, unitCents: 600_000 }, WORK, HV], { contingencyShare: 0.04, roundToCents: 100 });
    const diff = offerDifference(before, after);
    expect(diff.lines.map(({ key }) => key)).toEqual(['part a', 'work e', 'outside 1']);
    expect(diff.lines[2]).toMatchObject({ after: null, cents: -26_400 });
    const lines = diff.lines.reduce((sum, { cents }) => sum + cents, 0);
    expect(lines + diff.contingencyCents + diff.roundingCents).toBe(diff.netCents);
    expect(diff.netCents + diff.taxCents).toBe(diff.totalCents);
    expect(offerDifference(before, before).lines).toEqual([]);
  });
});

describe('hours', () => {
  const took: StageTook[] = [
    { job: 'c', key: 'box', hours: 5 },
    { job: 'c', key: 'loom', hours: 9 },
    { job: 'b', key: 'box', hours: 4 },
    { job: 'b', key: 'loom', hours: 12 },
    { job: 'a', key: 'box', hours: 9 },
    { job: 'a', key: 'loom', hours: 8 },
  ];
  test('together they spread as whole vehicles do, not as the sum of the worst', () => {
    const stages = [
      { key: 'box', hours: 3 },
      { key: 'loom', hours: 8 },
    ];
    // Vehicles took 14, 16 and 17; the stages' worst would be 21. It is reckoned with 11 until somebody adopts more.
    expect(hoursEstimate(stages, took)).toEqual({ hours: 11, lowHours: 11, highHours: 17, vehicles: 3 });
    expect(hoursEstimate(stages, took.slice(0, 2))).toMatchObject({ hours: 11, highHours: 11, vehicles: 0 });
    expect(hoursEstimate(stages, [])).toEqual({ hours: 11, lowHours: 11, highHours: 11, vehicles: 0 });
  });
});

describe('from today’s figures', () => {
  const part = (id: string, kind: 'drive' | 'other', priceCents: number) => ({ id, name: id, kind, priceCents });
  const ground = {
    ...{ rateCents: 5800, taxShare: 0.23, taxRule: 'line' as const, validUntil: '2026-12-24', took: [], before: null },
    practice: { marginShare: 0.15, contingencyShare: 0.05, roundToCents: 100, ratesBySkill: { mechanical: 5200 } },
    parts: [
      { component: part('bolt', 'other', 10), quantity: 30 },
      { component: part('drive', 'drive', 300_000), quantity: 1 },
      { component: part('bolt', 'other', 10), quantity: 12 },
    ],
    stages: [
      { key: 'box', name: 'Box', skill: 'mechanical', hours: 3 },
      { key: 'look', name: 'Look', hours: 1 },
    ],
  };
  test('one line a part, the main ones first; hours by skill at the rate of the skill', () => {
    const made = offerFromJob(ground);
    expect(made.lines.map(({ key, quantity, unitCents }) => [key, quantity, unitCents])).toEqual([
      ['part drive', 1, 300_000],
      ['part bolt', 42, 10],
      ['work mechanical', 3, 5200],
      ['work ', 1, 5800],
    ]);
    expect(made.stages.map(({ hours }) => hours)).toEqual([3, 1]);
  });
  test('margins and what was typed go along from the offer before, prices and hours do not', () => {
    const first = offerFromJob(ground);
    const edited: OfferBody = {
      ...first,
      lines: [
        { ...first.lines[0]!, addShare: 0.3, unitCents: 1 },
        { ...AWAY, key: 'outside x' },
      ],
    };
    const next = offerFromJob({ ...ground, before: edited });
    expect(next.lines[0]).toMatchObject({ addShare: 0.3, unitCents: 300_000 });
    expect(next.lines.at(-1)).toMatchObject({ key: 'outside x', unitCents: 24_000 });
  });
});

describe('what is hard to believe', () => {
  const ground: DoubtGround = {
    ...{ estimatedHours: 0, rateCents: 5800, paidCents: new Map(), similar: null, ceiling: null, today: '2026-11-26' },
  };
  test('a fitting quote of 650 against 57 estimated hours', () => {
    const quote = body([PARTS, line({ key: 'work', kind: 'work', group: 'work', quantity: 1, unitCents: 65_000 })]);
    // 650 ÷ 57 = 11.40 an hour.
    expect(offerDoubts(quote, { ...ground, estimatedHours: 57 })).toEqual([
      { doubt: 'labourThin', cents: 65_000, hours: 57, hourCents: 1140, usualCents: 5800 },
    ]);
    expect(offerDoubts(quote, { ...ground, estimatedHours: 12 })).toEqual([]);
  });
  test('each of the others, with what it was held against', () => {
    const odd = body(
      [
        { ...PARTS, componentId: 'a' },
        { ...SMALL, unitCents: 0 },
        { ...WORK, quantity: 20, estimate: { hours: 31, lowHours: 28, highHours: 36, vehicles: 3 } },
      ],
      { validUntil: '2026-11-01' },
    );
    const doubts = offerDoubts(odd, {
      ...ground,
      estimatedHours: 31,
      paidCents: new Map([['a', 600_000]]),
      similar: { lowCents: 5_000_000, highCents: 6_000_000 },
      ceiling: { cents: 500_000, firm: true },
    });
    expect(doubts.map(({ doubt }) => doubt)).toEqual([
      ...['paidMore', 'noPrice', 'hoursUnder', 'farFromSimilar', 'overCeiling', 'pastValid'],
    ]);
    expect(offerDoubts(body([PARTS]), ground)).toEqual([{ doubt: 'noHours' }]);
    const sunk = { ...PARTS, addShare: -0.1 };
    expect(offerDoubts(body([sunk, WORK]), { ...ground, estimatedHours: 31 })).toEqual([
      { doubt: 'underCost', key: 'part a', cents: 58_420 },
    ]);
  });
});

test('a bracket rests on the jobs most like it', () => {
  const job = (number: string, kitId: string | null, variantId: string, totalCents: number): FinishedJob => ({
    ...{ number, title: number, variantId, modelId: variantId.split('-')[0]!, kitId, totalCents },
    ...{ agreed: false, hours: totalCents / 10_000, days: null },
  });
  const finished = [job('1', 'k', 'van-1', 100), job('2', 'k', 'van-1', 300), job('3', null, 'van-2', 900)];
  const asked = { kitId: 'k', variantId: 'van-2', modelId: 'van' };
  expect(bracketOf(asked, finished)).toMatchObject({
    basis: 'kit',
    cents: { low: 100, middle: 200, high: 300 },
    days: null,
  });
  expect(bracketOf({ ...asked, kitId: 'other' }, finished)).toMatchObject({ basis: 'model', cents: { middle: 300 } });
  expect(bracketOf({ kitId: null, variantId: 'bus-1', modelId: 'bus' }, finished)).toMatchObject({ basis: 'all' });
  expect(bracketOf(asked, finished.slice(2))).toBeNull();
});

test('ways: low-voltage work by the client takes its hours and what they are sold for away', () => {
  const ground = {
    ...{ partsCents: 1_000_000, labourCents: 300_000, hours: 50, lowVoltage: { hours: 10, cents: 58_000 } },
    sale: { marginShare: 0.2, contingencyShare: 0, taxShare: 0.2, roundToCents: 1 },
    energyCentsYear: 40_000,
  };
  const here = wayCost(ground, { lvByClient: false, moreCents: 0, insteadCents: 0 }, 10);
  const shared = wayCost(ground, { lvByClient: true, moreCents: 0, insteadCents: 0 }, 10);
  expect(here).toEqual({ priceCents: 1_800_000, hours: 50, keptCents: 2_200_000 });
  expect(shared).toEqual({ priceCents: 1_800_000 - times(58_000, 1.2), hours: 40, keptCents: 2_130_400 });
  // 2 500.00 made good again against 4 000.00 new: 1 500.00 less, with margin and tax on it.
  const used = wayCost(ground, { lvByClient: false, moreCents: 0, insteadCents: 250_000 - 400_000 }, 10);
  expect(used.priceCents).toBe(1_800_000 - 150_000 * 1.2 * 1.2);
  expect(
    wayCost({ ...ground, partsCents: null }, { lvByClient: false, moreCents: 0, insteadCents: 0 }, 10),
  ).toMatchObject({
    ...{ priceCents: null, keptCents: null },
  });
});
