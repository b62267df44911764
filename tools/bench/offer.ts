import { LINE_GROUPS, type OfferBody, type OfferLine } from '../../core/offer/offer.ts';
import { offerSums } from '../../core/offer/sums.ts';
import { median, type Row } from './row.ts';

const LINES = 200;

/** An offer of so many lines, three rates of tax, contingency and rounding. */
const offer: OfferBody = {
  lines: Array.from(
    { length: LINES },
    (_, i): OfferLine => ({
      ...{ key: `own ${i}`, kind: 'own', group: LINE_GROUPS[i % LINE_GROUPS.length]!, text: `Line ${i}` },
      ...{ componentId: null, skill: null, quantity: 1 + (i % 7) / 4, unitCents: 1999 + 137 * i, addShare: 0.15 },
      ...{ taxShare: [0.23, 0.13, 0.06][i % 3]!, foreign: null, estimate: null },
    }),
  ),
  ...{ stages: [], contingencyShare: 0.05, roundToCents: 100, taxRule: 'total', taxShare: 0.23 },
  ...{ open: false, note: '', validUntil: '2026-12-24' },
};

/** What every key typed into an offer of two hundred lines asks for. */
export function offerOf200(): Row {
  const times: number[] = [];
  for (let i = 0; i < 200; i++) {
    const lines = offer.lines.map((line, n) => (n === i % LINES ? { ...line, unitCents: line.unitCents + i } : line));
    const start = performance.now();
    offerSums({ ...offer, lines });
    times.push(performance.now() - start);
  }
  const ms = median(times.slice(20));
  return {
    what: `An offer of ${LINES} lines reckoned anew`,
    figure: `${ms.toFixed(2)} ms median`,
    aim: '≤ 8 ms',
    held: ms <= 8,
  };
}
