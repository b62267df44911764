import type { GradingBody } from '../contract/grading.ts';
import type { NeedRow } from '../contract/needs.ts';
import type { OwnVehicleRow } from '../contract/ownVehicles.ts';
import type { InvoiceRow } from '../contract/purchases.ts';
import type { OfferRound, SupplierRow } from '../contract/suppliers.ts';
import { atEqualCover } from '../core/buying/equalCover.ts';
import type { InvoiceFinding } from '../core/buying/purchase.ts';
import type { NeedState } from '../core/stores/needs.ts';
import { toCsv } from './csv.ts';

export const NEED_STATE_SAYS: Readonly<Record<NeedState, string>> = {
  short: 'Short',
  late: 'Comes late',
  order: 'Low',
  fine: 'Covered',
};

const NEED_HEAD = [
  ...['Part', 'Supplier', 'State', 'Unit', 'Needed', 'On hand', 'Ordered', 'First short', 'Needed on', 'Comes on'],
  ...['Missing', 'Order', 'Order by', 'Lead days', 'Days late as a rule', 'Price'],
];

/** What is wanted over all jobs; quantities in pieces or metres, prices in the workshop's currency. */
export const needTable = (rows: readonly NeedRow[]): string =>
  toCsv(
    NEED_HEAD,
    rows.map((row) => [
      ...[row.name, row.supplier, NEED_STATE_SAYS[row.state], row.unitSize > 1 ? 'm' : 'pieces'],
      ...[row.needed / row.unitSize, row.onHand / row.unitSize, row.ordered / row.unitSize],
      ...[row.first?.number, row.first?.neededOn, row.first?.comesOn, row.first && row.first.short / row.unitSize],
      ...[row.order / row.unitSize, row.orderBy, row.leadDays, row.lateDays, row.priceCents / 100],
    ]),
  );

const SUPPLIER_HEAD = [
  ...[
    'Supplier',
    'Contact',
    'Desk',
    'Parts',
    'Open orders',
    'Lines that came',
    'Of them late',
    'Days late at the median',
  ],
  ...['Pieces that came', 'Damaged or wrong', 'Open questions, promises and failures'],
];

/** Suppliers with how they keep promises. */
export const supplierTable = (rows: readonly SupplierRow[]): string =>
  toCsv(
    SUPPLIER_HEAD,
    rows.map((row) => [
      ...[row.name, row.contact, row.deskUrl, row.components, row.openOrders, row.came, row.late, row.medianLateDays],
      ...[row.pieces, row.bad, row.openNotes],
    ]),
  );

const ROUND_HEAD = [
  ...['For', 'Offer of', 'Asked', 'Currency', 'Rate', 'Rate of', 'In own currency', 'Leaves out', 'To complete'],
  ...['At equal cover', 'Days', 'Stands until', 'Note'],
];

/** Offers of all rounds, each round's in the order they come to at equal cover. */
export const roundTable = (rounds: readonly OfferRound[]): string =>
  toCsv(
    ROUND_HEAD,
    rounds.flatMap((round) =>
      atEqualCover(
        round.offers.map((offer) => ({ ...offer, priceCents: offer.ownCents })),
        round.wanted.map(({ componentId, aloneCents, leadDays }) => ({
          ...{ key: componentId, alonePriceCents: aloneCents, aloneDays: leadDays },
        })),
      ).map(({ offer: { id }, missing, completingCents, totalCents, totalDays }) => {
        const offer = round.offers.find((one) => one.id === id)!;
        const left = missing.map((key) => round.wanted.find(({ componentId }) => componentId === key)?.name ?? key);
        return [
          ...[round.name, offer.supplier, offer.priceCents / 100, offer.currency, offer.rateMillionths / 1_000_000],
          ...[offer.rateDay, offer.ownCents / 100, left.join(' and ')],
          ...[completingCents === null ? null : completingCents / 100, totalCents === null ? null : totalCents / 100],
          ...[totalDays, offer.validUntil, offer.note],
        ];
      }),
    ),
  );

export interface InvoiceOfOrder extends InvoiceRow {
  readonly order: string;
  readonly supplier: string;
  readonly currency: string;
}
const INVOICE_HEAD = [
  ...[
    'Invoice',
    'Order',
    'Supplier',
    'Day',
    'Currency',
    'Tax',
    'To pay',
    'State',
    'Does not match',
    'Why',
    'Settled by',
  ],
];
const FINDING_SAYS: Readonly<Record<InvoiceFinding['finding'], string>> = {
  notReceived: 'more than came',
  price: 'another price',
  sum: 'another sum than its lines and tax',
  unknownLine: 'a line that was not ordered',
};

/** Invoices of suppliers as they were entered and settled. */
export const invoiceTable = (rows: readonly InvoiceOfOrder[]): string =>
  toCsv(
    INVOICE_HEAD,
    rows.map((row) => [
      ...[row.number, row.order, row.supplier, row.day, row.currency, row.taxCents / 100, row.totalCents / 100],
      ...[row.state, [...new Set(row.findings.map(({ finding }) => FINDING_SAYS[finding]))].join(' and ')],
      ...[row.why, row.settledBy],
    ]),
  );

/** One capacity test as it is kept. */
export interface GradingOfNumber extends Omit<GradingBody, 'logFileId'> {
  readonly serial: string;
  readonly component: string;
  readonly batch: string;
  readonly by: string;
}
const GRADING_HEAD = [
  ...['Number', 'What', 'Batch', 'Day', 'Capacity Ah', 'Energy Wh', 'Resistance ohm', 'Temperature C', 'Current A'],
  ...['From V', 'Down to V', 'Method', 'By'],
];

/** Capacity tests of all modules, the newest first. */
export const gradingTable = (rows: readonly GradingOfNumber[]): string =>
  toCsv(
    GRADING_HEAD,
    rows.map((row) => [
      ...[row.serial, row.component, row.batch, row.day, row.capacityAh, row.energyWh, row.resistanceOhm],
      ...[row.temperatureC, row.currentA, row.fromV, row.toV, row.method, row.by],
    ]),
  );

const OWN_HEAD = [
  ...[
    'Vehicle',
    'Model',
    'Converted before',
    'Bought on',
    'Bought of',
    'Paid',
    'Work on it',
    'Would fetch',
    'Valued on',
  ],
  ...['Sold on', 'Sold to', 'Sold for', 'Left'],
];
const money = (cents: number | null) => (cents === null ? null : cents / 100);

/** The workshop's own vehicles: money before tax, in its currency. */
export const ownVehicleTable = (rows: readonly OwnVehicleRow[]): string =>
  toCsv(
    OWN_HEAD,
    rows.map((row) => [
      ...[row.name, row.variantName, row.convertedBefore ? 'yes' : 'no', row.boughtOn, row.boughtFrom],
      ...[money(row.purchaseCents), money(row.workCents), money(row.valueCents), row.valuedOn],
      ...[row.soldOn, row.soldTo, money(row.soldCents), money(row.marginCents)],
    ]),
  );
