import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import type { OfferDoubt } from '../core/offer/doubts.ts';
import type { OfferBody, OfferLine } from '../core/offer/offer.ts';
import { offerSums } from '../core/offer/sums.ts';
import {
  doubtText,
  effectTexts,
  foldedRows,
  hoursText,
  inWords,
  moneyChange,
  offerTable,
  percent,
  short,
} from './offers.ts';

const plain = (text: string) => text.replace(/[\u202f\u00a0]/g, ' ');
const line = (more: Partial<OfferLine>): OfferLine => ({
  ...{ key: 'own a', kind: 'own', group: 'own', text: 'Ferry', componentId: null, skill: null, quantity: 1 },
  ...{ unitCents: 18_000, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  ...more,
});
const body: OfferBody = {
  lines: [
    line({
      key: 'part a',
      kind: 'part',
      group: 'main',
      text: 'Drive',
      componentId: 'a',
      unitCents: 100_000,
      addShare: 0.2,
    }),
    line({
      key: 'part b',
      kind: 'part',
      group: 'main',
      text: 'Charger',
      componentId: 'b',
      unitCents: 50_000,
      addShare: 0.1,
    }),
    line({
      key: 'work m',
      kind: 'work',
      group: 'work',
      text: 'Work',
      skill: 'mechanical',
      quantity: 29.5,
      unitCents: 5200,
    }),
    line({ key: 'outside x', kind: 'outside', group: 'outside', text: 'Alignment', unitCents: 24_000, addShare: 0.1 }),
    line({}),
  ],
  ...{ stages: [], contingencyShare: 0.055, roundToCents: 100, taxRule: 'line', taxShare: 0.23 },
  ...{ open: false, note: '', validUntil: '2026-12-24' },
};

describe('numbers as people read them', () => {
  test('no more decimals than they need', () => {
    expect([29, 29.5, 2.26, 0.1 + 0.2].map(short)).toEqual(['29', '29.5', '2.26', '0.3']);
    expect([0.23, 0.055, 0].map(percent)).toEqual(['23 %', '5.5 %', '0 %']);
  });
  test('what differs has its sign', () => {
    expect([48_000, -2835, 0].map((cents) => plain(moneyChange(cents, 'metric')))).toEqual([
      '+ € 480.00',
      '− € 28.35',
      '0',
    ]);
    expect(plain(inWords(1_474_472, 'EUR'))).toBe('€ 14 744.72');
    expect(plain(inWords(100, 'GBP'))).toBe('£ 1.00');
  });
  test('hours say what they rest on', () => {
    expect(plain(hoursText({ hours: 53, lowHours: 49, highHours: 58, vehicles: 3 }))).toBe(
      '53 h 00 (49 to 58), the middle of the last 3 vehicles',
    );
    expect(hoursText({ hours: 8, lowHours: 8, highHours: 8, vehicles: 0 })).toMatch(/as planned/);
  });
  test('what a change does; nothing known is said so', () => {
    const told = effectTexts({ rangeKm: -5, massKg: 34, hours: 4, days: 2 }, 'metric');
    expect(Object.fromEntries(Object.entries(told).map(([key, text]) => [key, plain(text)]))).toEqual({
      ...{ range: '−5 km', mass: '+34 kg', hours: '+4 h 00', days: '+2 days' },
    });
    expect(effectTexts({ rangeKm: null, massKg: 0, hours: 0, days: 0 }, 'metric')).toMatchObject({
      ...{ range: 'not known', hours: '0', days: 'same' },
    });
    expect(effectTexts({ rangeKm: 0, massKg: -3, hours: -1.5, days: -1 }, 'metric')).toMatchObject({ days: '−1 day' });
  });
});

describe('an offer', () => {
  test('folded: parts by group, hours by skill, the rest each by itself; it adds up', () => {
    const sums = offerSums(body);
    const rows = foldedRows({ body }, sums, 'metric');
    expect(rows.map(({ text }) => plain(text))).toEqual([
      'Main components, 2 lines',
      'Hours: mechanical 29.5 at € 52.00',
      'Outside: Alignment',
      'Ferry',
      'In case, 5.5 % of hours and parts',
      expect.stringMatching(/^Rounded to/),
    ]);
    expect(rows.reduce((sum, { netCents }) => sum + netCents, 0)).toBe(sums.netCents);
    // 150 000 at cost for 175 000.
    expect(rows[0]!.addShare).toBeCloseTo(25 / 150, 9);
  });
  test('as a table that adds up, with what each line costs', () => {
    const [head, ...rows] = Papa.parse<string[]>(offerTable({ number: 2, body }).trim()).data;
    const at = (name: string) => head!.indexOf(name);
    const lines = rows.filter(([, group]) => group !== 'Sum' && group !== 'To pay');
    const sum = (name: string) => lines.reduce((all, row) => all + Math.round(Number(row[at(name)]) * 100), 0);
    const sums = offerSums(body);
    expect(sum('before tax')).toBe(sums.netCents);
    expect(sum('tax')).toBe(sums.taxCents);
    expect(rows.at(-1)![at('before tax')]).toBe(String(sums.totalCents / 100));
  });
});

test('every doubt is a sentence that names what it was held against', () => {
  const doubts: readonly (readonly [OfferDoubt, RegExp])[] = [
    [
      { doubt: 'labourThin', cents: 65_000, hours: 57, hourCents: 1140, usualCents: 5800 },
      /€ 650\.00 .* 57 h .*€ 11\.40 an hour.*€ 58\.00/,
    ],
    [{ doubt: 'hoursUnder', key: 'work m', hours: 20, lowHours: 28 }, /^Work: 20\.0 h .*28\.0 h/],
    [{ doubt: 'noPrice', key: 'part a' }, /^Drive has no price/],
    [{ doubt: 'underCost', key: 'part a', cents: 500 }, /^Drive is sold € 5\.00 under/],
    [{ doubt: 'paidMore', key: 'part a', cents: 100, paidCents: 200 }, /€ 1\.00; the last one cost € 2\.00/],
    [{ doubt: 'farFromSimilar', cents: 100, lowCents: 500, highCents: 900 }, /€ 5\.00 to € 9\.00/],
    [{ doubt: 'noHours' }, /nobody/],
    [{ doubt: 'overCeiling', cents: 24_472, ceilingCents: 1_450_000, firm: true }, /€ 244\.72 over the firm ceiling/],
    [{ doubt: 'pastValid', day: '2026-11-01' }, /1 Nov/],
  ];
  const nameOf = (key: string) => body.lines.find((one) => one.key === key)?.text ?? key;
  for (const [doubt, said] of doubts) {
    const text = plain(doubtText(doubt, 'metric', nameOf));
    expect(text).toMatch(said);
    expect(text).toMatch(/[.?]$/);
  }
});
