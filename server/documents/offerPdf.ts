import type { Content } from 'pdfmake/interfaces.js';
import type { OfferBody } from '../../core/offer/offer.ts';
import { linePrice, offerSums } from '../../core/offer/sums.ts';
import { dayText } from '../../wording/dates.ts';
import { foldedRows, GROUP_NAME, money, percent, short } from '../../wording/offers.ts';
import { inCurrency } from '../../wording/purchases.ts';
import { heading, type Print, paper, plain, SOFT, table } from './paper.ts';

/** An offer, or a counter sale, as it goes to a client. */
export interface OfferPaper {
  /** "Offer 2", "Sale S26-101". */
  readonly title: string;
  readonly to: string;
  readonly about: readonly string[];
  readonly body: OfferBody;
  readonly currency: string;
  /** Null while it was not sent. */
  readonly sentOn: string | null;
  /** Figures of what is offered, by name. */
  readonly specification: readonly { readonly name: string; readonly text: string }[];
  readonly accepted: { readonly by: string; readonly on: string } | null;
  /** An offer stands until a day and is signed; a sale is done. */
  readonly isOffer: boolean;
}

const CLIENT_CAUTION =
  'Local rules on vehicle approval, electrical work and refrigerants come first: what a conversion needs where it is registered is decided there.';

/** What the client reads: what it comes to, line by line or by group, tax by rate, until when it stands. Nothing of cost and margin. */
export async function offerPdf(offer: OfferPaper, print: Print): Promise<Buffer> {
  const set = inCurrency(print.unitSet, offer.currency);
  const { body } = offer;
  const sums = offerSums(body);
  const right = (text: string, more = {}) => ({ text: plain(text), alignment: 'right' as const, ...more });
  const amount = (cents: number, more = {}) => right(money(cents, set), more);
  const sum = (name: string, cents: number, bold = false) => [{ text: plain(name), bold }, amount(cents, { bold })];
  const lines: Content = body.open
    ? table(
        ['*', 60, 80, 80],
        ['What it is', 'Quantity', 'Each', 'Comes to'],
        [
          ...body.lines.map((line) => {
            const { netCents } = linePrice(line);
            const each = line.quantity === 0 ? 0 : Math.round(netCents / line.quantity);
            return [{ text: plain(line.text) }, right(short(line.quantity)), amount(each), amount(netCents)];
          }),
          ...(['contingency', 'rounding'] as const).flatMap((key) =>
            sums[key].netCents === 0
              ? []
              : [[{ text: GROUP_NAME[key] }, { text: '' }, { text: '' }, amount(sums[key].netCents)]],
          ),
        ],
      )
    : table(
        ['*', 90],
        ['What it is', 'Comes to'],
        foldedRows({ body }, sums, set).map((row) => [{ text: plain(row.text) }, amount(row.netCents)]),
      );
  return paper(
    offer.title,
    [
      `for ${offer.to}`,
      ...offer.about,
      `from ${print.workshop}`,
      offer.sentOn ? `of ${dayText(offer.sentOn)}` : 'not sent yet',
    ],
    [
      ...(body.note ? [{ text: plain(body.note), margin: [0, 4, 0, 6] as [number, number, number, number] }] : []),
      lines,
      {
        columns: [
          { text: '', width: '*' },
          {
            width: 'auto',
            stack: [
              table([150, 90], null, [
                sum('Before tax', sums.netCents),
                ...sums.rates.map(({ taxShare, taxCents }) => sum(`Tax ${percent(taxShare)}`, taxCents)),
                sum('To pay', sums.totalCents, true),
              ]),
            ],
          },
        ],
        margin: [0, 8, 0, 0],
      },
      ...(offer.specification.length > 0
        ? [
            heading('What it is to do'),
            table(
              ['*', 140],
              null,
              offer.specification.map(({ name, text }) => [{ text: plain(name) }, right(text)]),
            ),
          ]
        : []),
      ...(offer.isOffer
        ? [
            {
              text: offer.accepted
                ? `Accepted by ${plain(offer.accepted.by)} on ${dayText(offer.accepted.on)}.`
                : `Stands until ${dayText(body.validUntil)}. What is wished after it was accepted is priced as a change before it is built.`,
              margin: [0, 12, 0, 0] as [number, number, number, number],
            },
          ]
        : []),
      { text: CLIENT_CAUTION, color: SOFT, fontSize: 8, margin: [0, 10, 0, 0] },
    ],
    print,
  );
}
