import type { Content } from 'pdfmake/interfaces.js';
import type { PurchaseSheet } from '../../contract/purchases.ts';
import { dayText } from '../../wording/dates.ts';
import { stockText } from '../../wording/stores.ts';
import { type Print, paper, plain, SOFT } from './paper.ts';

/** Labels of what came with an order, one a line of each delivery, with a QR code of part and order to be scanned. */
export async function stockLabelsPdf(order: PurchaseSheet, print: Print): Promise<Buffer> {
  const labels = order.receipts.flatMap((receipt) =>
    receipt.lines
      .filter(({ good }) => good > 0)
      .map((line) => ({ receipt, line, of: order.lines.find(({ id }) => id === line.lineId)! })),
  );
  return paper(
    `Labels ${order.number}`,
    [print.workshop],
    labels.map(
      ({ receipt, line, of }): Content =>
        ({
          margin: [0, 8, 0, 8],
          columns: [
            {
              width: '*',
              stack: [
                { text: plain(line.name), fontSize: 16, bold: true },
                {
                  text: plain(`${stockText(line.good, line.unitSize)} · ${of.partNumber || of.componentId}`),
                  fontSize: 12,
                },
                {
                  text: plain(
                    `${order.supplier}, ${order.number}, note ${receipt.note}, ${dayText(receipt.at.slice(0, 10))}`,
                  ),
                  color: SOFT,
                },
                ...(of.forJobs.length > 0 ? [{ text: plain(`for ${of.forJobs.join(', ')}`), bold: true }] : []),
              ],
            },
            { qr: `${of.componentId} ${order.number}`, fit: 70, width: 80 },
          ],
          unbreakable: true,
        }) as Content,
    ),
    print,
  );
}
