import type { ActualSheet, OfferRow } from '../contract/offers.ts';
import type { TaxRule } from '../core/money/tax.ts';
import type { BracketBasis } from '../core/offer/bracket.ts';
import type { OfferDoubt } from '../core/offer/doubts.ts';
import type { WishEffect } from '../core/offer/effect.ts';
import type { AdditionState, HoursEstimate, LineGroup, OfferState } from '../core/offer/offer.ts';
import type { SaleState } from '../core/offer/sale.ts';
import type { OfferSums } from '../core/offer/sums.ts';
import { linePrice, offerSums } from '../core/offer/sums.ts';
import { CURRENCIES, type Currency } from '../core/quantity/currency.ts';
import { formatHours, formatNumber, formatQuantity } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import { toCsv } from './csv.ts';
import { dayText } from './dates.ts';

export const OFFER_STATE_NAME: Readonly<Record<OfferState, string>> = {
  draft: 'being written',
  sent: 'with the client',
  accepted: 'accepted',
  declined: 'declined',
  withdrawn: 'withdrawn',
};

export const ADDITION_STATE_NAME: Readonly<Record<AdditionState, string>> = {
  asked: 'not priced yet',
  priced: 'with the client',
  accepted: 'accepted',
  declined: 'declined',
  withdrawn: 'withdrawn',
};

export const SALE_STATE_NAME: Readonly<Record<SaleState, string>> = {
  draft: 'being written',
  sold: 'sold',
  cancelled: 'given up',
};

export const GROUP_NAME: Readonly<Record<LineGroup | 'contingency' | 'rounding', string>> = {
  main: 'Main components',
  small: 'Brackets, cables, small parts',
  work: 'Hours',
  outside: 'Outside work',
  own: 'Further',
  contingency: 'In case',
  rounding: 'Rounded',
};

export const TAX_RULE_NAME: Readonly<Record<TaxRule, string>> = { line: 'per line', total: 'per total' };

export const BASIS_NAME: Readonly<Record<BracketBasis, string>> = {
  kit: 'with this kit',
  variant: 'of this variant',
  model: 'of this model',
  all: 'of any kind',
};

/** An amount with its currency, for a history that is read in any unit set: "€ 14 744.72". */
export const inWords = (cents: number, currency: string): string =>
  `${currency in CURRENCIES ? CURRENCIES[currency as Currency].symbol : currency} ${formatNumber(cents / 100, 2)}`;

export const money = (cents: number, set: UnitSet): string => formatQuantity(cents, 'money', set, { digits: 2 });
/** With its sign, or "0": what differs. */
export const moneyChange = (cents: number, set: UnitSet): string =>
  cents === 0 ? '0' : `${cents > 0 ? '+ ' : '− '}${money(Math.abs(cents), set)}`;

/** A number with as many of two decimals as it needs. */
export const short = (value: number): string => {
  const digits = Number.isInteger(Math.round(value * 100) / 100)
    ? 0
    : Number.isInteger(Math.round(value * 100) / 10)
      ? 1
      : 2;
  return formatNumber(value, digits);
};

/** A share in per cent: "23 %", "5.5 %". */
export const percent = (share: number): string => `${short(share * 100)} %`;

/** What hours rest on: "53 h (49 to 58), the middle of 3 vehicles". */
export function hoursText({ hours, lowHours, highHours, vehicles }: HoursEstimate): string {
  const told = formatHours(hours);
  return vehicles === 0
    ? `${told} as planned: fewer than two vehicles have been clocked`
    : `${told} (${formatNumber(lowHours, 0)} to ${formatNumber(highHours, 0)}), the middle of the last ${vehicles} vehicles`;
}

/** What a change does, each in a few words; what the figures do not tell is said so. */
export function effectTexts(
  effect: WishEffect,
  set: UnitSet,
): { range: string; mass: string; hours: string; days: string } {
  const signed = (value: number | null, kind: 'distance' | 'mass') =>
    value === null ? 'not known' : formatQuantity(value, kind, set, { signed: true }).replace(/^[+−-]?0(?=\D|$)/, '0');
  const { hours, days } = effect;
  return {
    range: signed(effect.rangeKm === null ? null : effect.rangeKm, 'distance'),
    mass: signed(effect.massKg, 'mass'),
    hours: hours === 0 ? '0' : `${hours > 0 ? '+' : '−'}${formatHours(Math.abs(hours))}`,
    days:
      days === null
        ? 'not known'
        : days === 0
          ? 'same'
          : `${days > 0 ? '+' : '−'}${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`,
  };
}

/** Why a figure is hard to believe, with what it was held against. */
export function doubtText(doubt: OfferDoubt, set: UnitSet, nameOf: (key: string) => string): string {
  switch (doubt.doubt) {
    case 'labourThin':
      return `Work at ${money(doubt.cents, set)} for an estimated ${formatNumber(doubt.hours, 0)} h is ${money(doubt.hourCents, set)} an hour; an hour is sold at ${money(doubt.usualCents, set)}.`;
    case 'hoursUnder':
      return `${nameOf(doubt.key)}: ${formatNumber(doubt.hours, 1)} h is less than the quickest vehicle took, ${formatNumber(doubt.lowHours, 1)} h.`;
    case 'noPrice':
      return `${nameOf(doubt.key)} has no price: it counts as nothing.`;
    case 'underCost':
      return `${nameOf(doubt.key)} is sold ${money(doubt.cents, set)} under what it costs.`;
    case 'paidMore':
      return `${nameOf(doubt.key)} stands for ${money(doubt.cents, set)}; the last one cost ${money(doubt.paidCents, set)}.`;
    case 'farFromSimilar':
      return `${money(doubt.cents, set)} is far from what similar jobs came to, ${money(doubt.lowCents, set)} to ${money(doubt.highCents, set)}.`;
    case 'noHours':
      return 'No hours are in it: is nobody going to fit it?';
    case 'overCeiling':
      return `${money(doubt.cents, set)} over the ${doubt.firm ? 'firm ' : ''}ceiling of the brief, ${money(doubt.ceilingCents, set)}.`;
    case 'pastValid':
      return `It stands until ${dayText(doubt.day)}, which is past.`;
  }
}

/** One row of an offer for people: what a group or a skill comes to. */
export interface OfferRowText {
  readonly key: string;
  readonly group: LineGroup | 'contingency' | 'rounding';
  readonly text: string;
  readonly costCents: number | null;
  readonly addShare: number | null;
  readonly netCents: number;
}

const many = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** An offer folded: parts by group, hours by skill, what was typed by itself. */
export function foldedRows({ body }: Pick<OfferRow, 'body'>, sums: OfferSums, set: UnitSet): OfferRowText[] {
  const rows = sums.groups.flatMap((group): OfferRowText[] => {
    if (group.group === 'main' || group.group === 'small')
      return [
        {
          ...{ key: group.group, group: group.group, text: `${GROUP_NAME[group.group]}, ${many(group.lines, 'line')}` },
          ...{ costCents: group.costCents, netCents: group.netCents },
          addShare: group.costCents > 0 ? group.netCents / group.costCents - 1 : null,
        },
      ];
    return body.lines.flatMap((line, i): OfferRowText[] => {
      if (line.group !== group.group) return [];
      const sum = sums.lines[i]!;
      const hours = line.kind === 'work';
      return [
        {
          ...{ key: line.key, group: line.group, netCents: sum.netCents, addShare: line.addShare || null },
          text: hours
            ? `Hours${line.skill ? `: ${line.skill}` : ''} ${short(line.quantity)} at ${money(line.unitCents, set)}`
            : `${line.kind === 'outside' ? 'Outside: ' : ''}${line.text}`,
          costCents: line.kind === 'own' ? null : sum.costCents,
        },
      ];
    });
  });
  const more = (key: 'contingency' | 'rounding', text: string): OfferRowText[] =>
    sums[key].netCents === 0
      ? []
      : [{ key, group: key, text, costCents: null, addShare: null, netCents: sums[key].netCents }];
  return [
    ...rows,
    ...more('contingency', `In case, ${percent(body.contingencyShare)} of hours and parts`),
    ...more('rounding', `Rounded to ${money(body.roundToCents, set)}`),
  ];
}

const amount = (cents: number) => cents / 100;

/** An offer as a table: every line with what it costs, what is put on it, tax; its sums below. */
export function offerTable({ number, body }: Pick<OfferRow, 'number' | 'body'>): string {
  const sums = offerSums(body);
  const row = (group: LineGroup | 'contingency' | 'rounding', text: string, i: number | null) => {
    const line = i === null ? null : body.lines[i]!;
    const sum = i === null ? sums[group as 'contingency' | 'rounding'] : sums.lines[i]!;
    return [
      ...[number, GROUP_NAME[group], text, line?.componentId, line?.quantity, line && amount(line.unitCents)],
      ...[line && amount(linePrice(line).costCents), line?.addShare, amount(sum.netCents)],
      ...[line?.taxShare ?? body.taxShare, amount(sum.taxCents)],
    ];
  };
  return toCsv(
    ['offer', 'group', 'line', 'part', 'quantity', 'each', 'cost', 'added', 'before tax', 'tax share', 'tax'],
    [
      ...body.lines.map((line, i) => row(line.group, line.text, i)),
      row('contingency', GROUP_NAME.contingency, null),
      row('rounding', GROUP_NAME.rounding, null),
      [number, 'Sum', '', '', '', '', amount(sums.costCents), '', amount(sums.netCents), '', amount(sums.taxCents)],
      [number, 'To pay', '', '', '', '', '', '', amount(sums.totalCents), '', ''],
    ],
  );
}

/** What a job takes against what was sold, as a table. */
export function actualTable({ actual, costs }: ActualSheet): string {
  const head = ['kind', 'what', 'quoted', 'so far', 'at completion', 'unit'];
  if (!actual)
    return toCsv(
      head,
      costs.map((cost) => ['cost', cost.text, '', amount(cost.cents), '', 'money']),
    );
  return toCsv(head, [
    ...actual.stages.map((stage) => [
      ...['stage', stage.name, stage.quotedHours, stage.tookHours, stage.forecastHours, 'h'],
    ]),
    ...actual.parts.map((part) => [
      ...['part', part.name, amount(part.quotedCents), amount(part.spentCents), amount(part.forecastCents), 'money'],
    ]),
    ...costs.map((cost) => ['cost', cost.text, '', amount(cost.cents), '', 'money']),
    ...actual.rework.map(({ cause, hours }) => ['rework', cause, '', hours, '', 'h']),
    ...(
      [
        ['work', actual.work],
        ['parts', actual.partsCost],
        ['outside', actual.outside],
        ['all', actual.cost],
      ] as const
    ).map(([what, sum]) => [
      'sum',
      what,
      amount(sum.quotedCents),
      amount(sum.spentCents),
      amount(sum.forecastCents),
      'money',
    ]),
    ['sum', 'sold before tax', amount(actual.soldCents), '', '', 'money'],
    ['sum', 'margin', amount(actual.marginCents.quoted), '', amount(actual.marginCents.forecast), 'money'],
  ]);
}
