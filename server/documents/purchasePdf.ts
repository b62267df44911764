import type { PurchaseSheet } from '../../contract/purchases.ts';
import { lineCents } from '../../core/buying/purchase.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import { dayText } from '../../wording/dates.ts';
import { inCurrency } from '../../wording/purchases.ts';
import { stockText } from '../../wording/stores.ts';
import { type Print, paper, plain, SOFT, table } from './paper.ts';

/** An order as it goes to its supplier: parts by their own numbers, quantities, prices, the day they are wanted. */
export async function purchasePdf(order: PurchaseSheet, print: Print): Promise<Buffer> {
  // In the currency it is ordered in, whoever prints it.
  const set = inCurrency(print.unitSet, order.currency);
  const money = (cents: number) => ({
    text: plain(formatQuantity(cents, 'money', set, { digits: 2 })),
    alignment: 'right' as const,
  });
  return paper(
    `Order ${order.number}`,
    [
      `to ${order.supplier}`,
      `from ${print.workshop}`,
      order.wantedOn ? `wanted by ${dayText(order.wantedOn)}` : 'wanted as soon as it can be',
      order.state === 'draft' ? 'not sent yet' : `sent ${order.sentOn ? dayText(order.sentOn) : ''}`,
    ],
    [
      table(
        [20, '*', 80, 60, 70, 70],
        ['', 'Part', 'Number', 'Quantity', 'Each', 'Comes to'],
        order.lines.map((line, i) => [
          { text: String(i + 1), color: SOFT },
          { text: plain(line.name) },
          { text: plain(line.partNumber) },
          { text: plain(stockText(line.quantity - line.dropped, line.unitSize)), alignment: 'right' },
          money(line.priceCents),
          money(lineCents(line.quantity - line.dropped, line.unitSize, line.priceCents)),
        ]),
      ),
      {
        columns: [
          { text: '', width: '*' },
          { text: 'All together, before tax', width: 150, bold: true },
          { ...money(order.totalCents), width: 80, bold: true },
        ],
        margin: [0, 8, 0, 0],
      },
      ...(order.note ? [{ text: plain(order.note), margin: [0, 10, 0, 0] as [number, number, number, number] }] : []),
      {
        text: `Please state our order number ${order.number} on the delivery note and the invoice.`,
        color: SOFT,
        fontSize: 8,
        margin: [0, 12, 0, 0],
      },
    ],
    print,
  );
}
