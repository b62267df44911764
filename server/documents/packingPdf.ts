import type { TableCell } from 'pdfmake/interfaces.js';
import type { OrderSheet } from '../../contract/orders.ts';
import type { OrderCount } from '../../core/order/order.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { crateLoads } from '../../core/order/packing.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import { dayText, dayTimeAndYear } from '../../wording/dates.ts';
import { LITHIUM_CAUTION, ORDER_PAPER_NAME } from '../../wording/orders.ts';
import { heading, type Print, paper, plain, RED, SOFT, table } from './paper.ts';

/** The pick list by crate with both counts, the papers, what is not included, and how it left. */
export async function packingPdf(order: OrderSheet, print: Print): Promise<Buffer> {
  const lithium = order.lines.some(({ kind }) => kind === 'module');
  const loads = crateLoads(order.lines, order.crates);
  const mass = (kg: number) => plain(formatQuantity(kg, 'mass', print.unitSet));
  return paper(
    `Packing list ${order.number}`,
    [
      `${order.kitName}, revision ${order.revision}`,
      order.variantName,
      `for ${order.client.name}`,
      `promised for ${dayText(order.promisedOn)}`,
      print.workshop,
    ],
    [
      ...(order.optionNames.length > 0 ? [{ text: plain(`With ${order.optionNames.join(', ')}`) }] : []),
      ...loads.flatMap(({ name, massKg, unknown, weighed }) => [
        heading(name),
        {
          text: plain(
            `Contents ${mass(massKg)}${unknown.length > 0 ? ` without ${unknown.join(', ')}` : ''}; ${
              weighed
                ? `${weighed.lengthMm} × ${weighed.widthMm} × ${weighed.heightMm} mm, weighed ${mass(weighed.massKg)}`
                : 'not weighed yet'
            }`,
          ),
          color: SOFT,
          fontSize: 8,
        },
        table(
          ['*', 40, 100, 100],
          ['Component', 'Pieces', 'First count', 'Second count'],
          order.lines
            .filter(({ crate }) => crate === name)
            .map((line): TableCell[] => [
              {
                stack: [
                  { text: plain(line.name) },
                  ...(wantsSerials(line.kind)
                    ? [
                        {
                          text: plain(
                            line.serials.length > 0 ? `numbers ${line.serials.join(', ')}` : 'numbers: ______________',
                          ),
                          fontSize: 7.5,
                          color: SOFT,
                        },
                      ]
                    : []),
                ],
              },
              { text: String(line.pieces), alignment: 'right' },
              counted(line.first, line.pieces, print),
              counted(line.second, line.pieces, print),
            ]),
        ),
      ]),
      heading('Papers'),
      table(
        ['*', 130, 100, 60],
        ['Paper', 'Number or title', 'Given by', 'Day'],
        (['lithium', 'instructions', 'notIncluded'] as const)
          .filter((kind) => kind !== 'lithium' || lithium)
          .map((kind) => {
            const own = order.papers.find((one) => one.kind === kind);
            return [
              { text: ORDER_PAPER_NAME[kind] },
              own ? { text: plain(own.reference) } : { text: 'not in', color: RED },
              { text: plain(own?.givenBy ?? '') },
              { text: own ? dayText(own.day) : '' },
            ];
          }),
      ),
      ...(order.loanTool
        ? [{ text: plain(`On loan: ${order.loanTool}, due back ${order.loanDue ? dayText(order.loanDue) : ''}`) }]
        : []),
      heading('Not included'),
      order.exclusions.length === 0
        ? { text: 'Nothing is named.', color: SOFT }
        : { ul: order.exclusions.map((one) => plain(one)) },
      ...(order.dispatch && order.dispatch.missing.length > 0
        ? [
            heading('Sent although this was missing'),
            { ul: order.dispatch.missing.map((one) => plain(one)), color: RED },
            {
              text: plain(
                `${order.dispatch.why} (${order.dispatch.by}, ${dayTimeAndYear(order.dispatch.at, print.timeZone)})`,
              ),
            },
          ]
        : []),
      ...(lithium ? [{ text: LITHIUM_CAUTION, fontSize: 8.5, color: SOFT, margin: [0, 12, 0, 0] as never }] : []),
    ],
    print,
  );
}

function counted(count: OrderCount | null, pieces: number, print: Print): TableCell {
  if (!count) return { text: '______', color: SOFT };
  return {
    text: plain(`${count.pieces}, ${count.by}, ${dayTimeAndYear(count.at, print.timeZone)}`),
    fontSize: 7.5,
    ...(count.pieces === pieces ? {} : { color: RED }),
  };
}
