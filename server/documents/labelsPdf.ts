import type { Content } from 'pdfmake/interfaces.js';
import type { OrderSheet } from '../../contract/orders.ts';
import { crateLoads } from '../../core/order/packing.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import { type Print, paper, plain, SOFT } from './paper.ts';

/** What the code on a crate says when it is read: order, crate, and how many there are. */
export const crateCode = (number: string, crate: string, at: number, of: number): string =>
  `${number} ${crate} ${at}/${of}`;

/** Labels for the crates, one below the other to be cut apart, each with a QR code (ISO/IEC 18004, by pdfmake). */
export async function labelsPdf(order: OrderSheet, print: Print): Promise<Buffer> {
  const loads = crateLoads(order.lines, order.crates);
  const lithium = new Set(order.lines.filter(({ kind }) => kind === 'module').map(({ crate }) => crate));
  return paper(
    `Labels ${order.number}`,
    [print.workshop],
    loads.map(({ name, weighed }, i): Content => {
      const crate = `${i + 1} of ${loads.length}`;
      return {
        margin: [0, 10, 0, 10],
        columns: [
          {
            width: '*',
            stack: [
              { text: plain(`${order.number}: ${name}`), fontSize: 26, bold: true },
              { text: plain(`Crate ${crate}, ${order.kitName} ${order.revision}`), fontSize: 12 },
              { text: plain(`For ${order.client.name}`), fontSize: 14, margin: [0, 6, 0, 0] },
              {
                text: weighed
                  ? plain(
                      `${formatQuantity(weighed.massKg, 'mass', print.unitSet)}, ${weighed.lengthMm} × ${weighed.widthMm} × ${weighed.heightMm} mm`,
                    )
                  : 'mass and size: ______________',
                fontSize: 12,
              },
              ...(lithium.has(name)
                ? [
                    {
                      text: 'Holds lithium batteries: the marks of the transport papers go beside this label.',
                      fontSize: 9,
                      color: SOFT,
                    },
                  ]
                : []),
            ],
          },
          { qr: crateCode(order.number, name, i + 1, loads.length), fit: 100, width: 110 },
        ],
        unbreakable: true,
      } as Content;
    }),
    print,
  );
}
