import { medianOf } from '../quantity/median.ts';
/** Where a purchase order stands. */
export const PURCHASE_STATES = ['draft', 'sent', 'confirmed', 'closed', 'cancelled'] as const;
export type PurchaseState = (typeof PURCHASE_STATES)[number];

/** What of an order decides how much of a line is still to come; ledger units. */
export interface LineProgress {
  readonly ordered: number;
  /** Taken into a bin. */
  readonly accepted: number;
  /** Sent back after it had been taken in. */
  readonly returned: number;
  /** Will not come: cut out of the order. */
  readonly dropped: number;
}

/** How much of a line is still to come. What was sent back is to be sent again, unless it was dropped. */
export const outstanding = ({ ordered, accepted, returned, dropped }: LineProgress): number =>
  Math.max(0, ordered - dropped - (accepted - returned));

/** Does a state still let goods come? */
export const isComing = (state: PurchaseState): boolean => state === 'sent' || state === 'confirmed';

/** What arrived of one line, as somebody counted it; ledger units. */
export interface Arrived {
  readonly good: number;
  readonly damaged: number;
  /** Something else was in the box. */
  readonly wrong: number;
}

export type ArrivalFinding =
  | { readonly finding: 'short'; readonly by: number }
  | { readonly finding: 'over'; readonly by: number }
  | { readonly finding: 'damaged'; readonly by: number }
  | { readonly finding: 'wrong'; readonly by: number };

/**
 * What is not as it was ordered. Short is told against what the delivery note says where there is one, else nothing is:
 * deliveries in parts are usual.
 *
 * @param open still to come before this delivery
 * @param announced by the delivery note; null without one
 */
export function arrivalFindings(
  { good, damaged, wrong }: Arrived,
  open: number,
  announced: number | null,
): ArrivalFinding[] {
  const findings: ArrivalFinding[] = [];
  const came = good + damaged + wrong;
  if (announced !== null && came < announced) findings.push({ finding: 'short', by: announced - came });
  if (good > open) findings.push({ finding: 'over', by: good - open });
  if (damaged > 0) findings.push({ finding: 'damaged', by: damaged });
  if (wrong > 0) findings.push({ finding: 'wrong', by: wrong });
  return findings;
}

/** A line of an invoice beside the order's, prices per unit of lists in minor units of the order's currency. */
export interface InvoicedLine extends LineProgress {
  readonly lineId: string;
  readonly unitSize: number;
  readonly priceCents: number;
  /** Invoiced before, by invoices that were not refused. */
  readonly invoicedBefore: number;
  readonly invoiced: number;
  readonly invoicedPriceCents: number;
}

export type InvoiceFinding =
  /** More was invoiced than has come and was kept. */
  | { readonly finding: 'notReceived'; readonly lineId: string; readonly by: number }
  | { readonly finding: 'price'; readonly lineId: string; readonly ordered: number; readonly invoiced: number }
  | { readonly finding: 'unknownLine'; readonly lineId: string }
  /** The sum of the invoice is not the sum of its lines and tax. */
  | { readonly finding: 'sum'; readonly said: number; readonly counted: number };

/** What a quantity costs: per unit of lists, rounded half up to a minor unit. */
export const lineCents = (quantity: number, unitSize: number, priceCents: number): number =>
  Math.round((quantity * priceCents) / unitSize);

/** What of an invoice does not match the order and what was received: nothing where all does. */
export function invoiceFindings(
  lines: readonly InvoicedLine[],
  said: { readonly taxCents: number; readonly totalCents: number },
): InvoiceFinding[] {
  const findings = lines.flatMap((line): InvoiceFinding[] => {
    const { lineId } = line;
    const kept = line.accepted - line.returned;
    const beyond = line.invoicedBefore + line.invoiced - kept;
    const found: InvoiceFinding[] = [];
    if (beyond > 0) found.push({ finding: 'notReceived', lineId, by: Math.min(beyond, line.invoiced) });
    if (line.invoicedPriceCents !== line.priceCents)
      found.push({ finding: 'price', lineId, ordered: line.priceCents, invoiced: line.invoicedPriceCents });
    return found;
  });
  const counted =
    lines.reduce((sum, line) => sum + lineCents(line.invoiced, line.unitSize, line.invoicedPriceCents), 0) +
    said.taxCents;
  return counted === said.totalCents ? findings : [...findings, { finding: 'sum', said: said.totalCents, counted }];
}

/** One line that has come, for the record of its supplier. */
export interface KeptPromise {
  /** The day first promised, and the day its last piece came; days since 1970-01-01. */
  readonly promisedDay: number;
  readonly cameDay: number;
}

export interface SupplierRecord {
  readonly lines: number;
  readonly late: number;
  /** Days late at the median of all that came; what came early counts as on time. Null where nothing has come. */
  readonly medianLateDays: number | null;
}

/** How a supplier keeps promises. */
export function supplierRecord(promises: readonly KeptPromise[]): SupplierRecord {
  const days = promises.map(({ promisedDay, cameDay }) => Math.max(0, cameDay - promisedDay));
  const medianLateDays = days.length === 0 ? null : medianOf(days);
  return { lines: days.length, late: days.filter((day) => day > 0).length, medianLateDays };
}
