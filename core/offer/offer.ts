import type { ComponentKind } from '../component/sheets.ts';
import type { TaxRule } from '../money/tax.ts';
import type { Currency } from '../quantity/currency.ts';

/** What a line of an offer sells: a part, hours of a skill, work of another firm, or what somebody typed. */
export const LINE_KINDS = ['part', 'work', 'outside', 'own'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** What lines are added up under, in the order of the paper. */
export const LINE_GROUPS = ['main', 'small', 'work', 'outside', 'own'] as const;
export type LineGroup = (typeof LINE_GROUPS)[number];

/** What hours rest on: the middle of what earlier vehicles took, and the least and most of them. */
export interface HoursEstimate {
  readonly hours: number;
  readonly lowHours: number;
  readonly highHours: number;
  /** 0: nobody has clocked such work yet, the hours are as planned. */
  readonly vehicles: number;
}

/** An amount as it was asked in another currency, and the rate of its day. */
export interface ForeignPrice {
  readonly currency: Currency;
  readonly cents: number;
  /** One unit of it in millionths of the own one. */
  readonly rateMillionths: number;
  readonly rateDay: string;
}

export interface OfferLine {
  /** Stays with the line from version to version, so that two can be compared. */
  readonly key: string;
  readonly kind: LineKind;
  readonly group: LineGroup;
  /** As the client reads it. */
  readonly text: string;
  readonly componentId: string | null;
  readonly skill: string | null;
  /** Units of lists of a part, hours of work; at most three places. */
  readonly quantity: number;
  /** Parts and outside work: what one costs. Hours and own lines: what one is sold for. */
  readonly unitCents: number;
  /** Put on the cost of parts and outside work; 0 for the others. */
  readonly addShare: number;
  readonly taxShare: number;
  readonly foreign: ForeignPrice | null;
  readonly estimate: HoursEstimate | null;
}

/** A stage as it was reckoned with, to hold what it took against. */
export interface QuotedStage {
  readonly key: string;
  readonly name: string;
  readonly skill: string;
  readonly hours: number;
}

/** What an offer says; it never changes once it was sent. */
export interface OfferBody {
  readonly lines: readonly OfferLine[];
  readonly stages: readonly QuotedStage[];
  /** On parts and hours, for what nobody foresaw. */
  readonly contingencyShare: number;
  /** The sum before tax is told in multiples of this; 1 leaves it as it comes. */
  readonly roundToCents: number;
  readonly taxRule: TaxRule;
  /** Of contingency and rounding. */
  readonly taxShare: number;
  /** The client sees each line, not only what they come to. */
  readonly open: boolean;
  /** Words to the client. */
  readonly note: string;
  readonly validUntil: string;
}

export const OFFER_STATES = ['draft', 'sent', 'accepted', 'declined', 'withdrawn'] as const;
export type OfferState = (typeof OFFER_STATES)[number];

/** A wish after something was agreed: asked, priced and laid before the client, then taken or not. */
export const ADDITION_STATES = ['asked', 'priced', 'accepted', 'declined', 'withdrawn'] as const;
export type AdditionState = (typeof ADDITION_STATES)[number];

const MAIN: ReadonlySet<ComponentKind> = new Set([
  'module',
  'drive',
  'inverter',
  'charger',
  'combinedUnit',
  'dcdc',
  'bmsMain',
  'bmsSatellite',
  'contactorBox',
  'heater',
  'hvPump',
] as const);

/** Main components, or brackets, cables and small parts. Common practice. */
export const groupOfPart = (kind: ComponentKind): LineGroup => (MAIN.has(kind) ? 'main' : 'small');
