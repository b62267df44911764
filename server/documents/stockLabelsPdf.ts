import type { Content } from 'pdfmake/interfaces.js';
import { type Print, paper, plain, SOFT } from './paper.ts';

/** What is stuck on a part, a numbered thing or a bin: read by eye and by a scanner. */
export interface StockLabel {
  readonly title: string;
  readonly says: string;
  readonly beside: string;
  /** In bold below: the jobs it is meant for. */
  readonly for: string;
  /** What a scanner reads. */
  readonly code: string;
}

/** Labels, one below the other, each with a QR code. */
export async function stockLabelsPdf(title: string, labels: readonly StockLabel[], print: Print): Promise<Buffer> {
  return paper(
    title,
    [print.workshop],
    labels.map(
      (label): Content =>
        ({
          margin: [0, 8, 0, 8],
          columns: [
            {
              width: '*',
              stack: [
                { text: plain(label.title), fontSize: 16, bold: true },
                ...(label.says ? [{ text: plain(label.says), fontSize: 12 }] : []),
                ...(label.beside ? [{ text: plain(label.beside), color: SOFT }] : []),
                ...(label.for ? [{ text: plain(label.for), bold: true }] : []),
              ],
            },
            { qr: label.code, fit: 70, width: 80 },
          ],
          unbreakable: true,
        }) as Content,
    ),
    print,
  );
}
