import type { DeskMessage } from '../contract/supplierDesk.ts';
import type { ArrivalFinding, PurchaseState } from '../core/buying/purchase.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import { dayText } from './dates.ts';
import { stockText } from './stores.ts';

export const PURCHASE_STATE_NAME: Readonly<Record<PurchaseState, string>> = {
  draft: 'being written',
  sent: 'sent',
  confirmed: 'confirmed',
  closed: 'all here',
  cancelled: 'cancelled',
};

/** What asks for somebody on an order. */
export const PURCHASE_ASKS = {
  announced: 'a delivery to count in',
  invoice: 'an invoice to settle',
  price: 'another price to agree',
  late: 'late',
  notTaken: 'not taken by the desk yet',
} as const;

/** What a supplier said, in a sentence. */
export function deskMessageText(message: DeskMessage, nameOf: (line: number) => string): string {
  switch (message.kind) {
    case 'confirmed':
      return `Confirmed: ${message.lines.map(({ line, promisedOn }) => `${nameOf(line)} for ${dayText(promisedOn)}`).join(', ')}`;
    case 'delayed':
      return `Delayed: ${message.lines.map(({ line, promisedOn }) => `${nameOf(line)} to ${dayText(promisedOn)}`).join(', ')}${message.why ? `; ${message.why}` : ''}`;
    case 'refused':
      return `Refused: ${message.why}`;
    case 'dispatched':
      return `Sent off, note ${message.note}${message.arrivesOn ? `, here ${dayText(message.arrivesOn)}` : ''}`;
    case 'invoiced':
      return `Invoice ${message.number}`;
  }
}

/** What is not as it was ordered, in words. */
export function arrivalText({ finding, by }: ArrivalFinding, unitSize: number): string {
  const many = stockText(by, unitSize);
  if (finding === 'short') return `${many} short of the note`;
  if (finding === 'over') return `${many} more than ordered`;
  return finding === 'damaged' ? `${many} damaged` : `${many} wrong`;
}

/** A person's unit set with amounts in another currency than the workshop's own. */
export const inCurrency = (set: UnitSet, currency: string): UnitSet => `${set.split(' ')[0]} ${currency}` as UnitSet;
