import type { OfferBody } from './offer.ts';
import { linePrice, offerSums } from './sums.ts';

/** What makes a figure of an offer hard to believe, with what it was held against. */
export type OfferDoubt =
  /** Hours are sold for less than half of what an hour costs at the rates: a fitting quote of 650 against 57 hours. */
  | {
      readonly doubt: 'labourThin';
      readonly cents: number;
      readonly hours: number;
      readonly hourCents: number;
      readonly usualCents: number;
    }
  /** Fewer hours than the quickest vehicle so far took. */
  | { readonly doubt: 'hoursUnder'; readonly key: string; readonly hours: number; readonly lowHours: number }
  | { readonly doubt: 'noPrice'; readonly key: string }
  | { readonly doubt: 'underCost'; readonly key: string; readonly cents: number }
  /** It stands for less than was last paid for it. */
  | { readonly doubt: 'paidMore'; readonly key: string; readonly cents: number; readonly paidCents: number }
  | { readonly doubt: 'farFromSimilar'; readonly cents: number; readonly lowCents: number; readonly highCents: number }
  | { readonly doubt: 'noHours' }
  | { readonly doubt: 'overCeiling'; readonly cents: number; readonly ceilingCents: number; readonly firm: boolean }
  | { readonly doubt: 'pastValid'; readonly day: string };

export interface DoubtGround {
  /** Hours that the stages are reckoned at, whatever the lines say; 0 where there are none. */
  readonly estimatedHours: number;
  readonly rateCents: number;
  /** Last paid for one unit of lists, own currency, by component. */
  readonly paidCents: ReadonlyMap<string, number>;
  /** With tax, of similar finished jobs; null where there are none. */
  readonly similar: { readonly lowCents: number; readonly highCents: number } | null;
  readonly ceiling: { readonly cents: number; readonly firm: boolean } | null;
  readonly today: string;
}

/** Less than this share of the rate is no price for an hour; twice or half of similar jobs is another job. Common practice. */
const THIN = 0.5;
const FAR = 2;

/** What a person should look at before an offer goes out, the gravest first. Nothing of it forbids to send it. */
export function offerDoubts(body: OfferBody, ground: DoubtGround): OfferDoubt[] {
  const doubts: OfferDoubt[] = [];
  const { estimatedHours: hours, rateCents, paidCents, similar, ceiling, today } = ground;
  const sums = offerSums(body);
  const work = body.lines.flatMap((line, i) => (line.group === 'work' ? [sums.lines[i]!.netCents] : []));
  const cents = work.reduce((sum, one) => sum + one, 0);
  if (hours > 0 && cents < hours * rateCents * THIN)
    doubts.push({ doubt: 'labourThin', cents, hours, hourCents: Math.round(cents / hours), usualCents: rateCents });
  else if (hours === 0 && cents === 0 && body.lines.length > 0) doubts.push({ doubt: 'noHours' });
  body.lines.forEach((line) => {
    const { key, estimate, componentId } = line;
    const { costCents, netCents } = linePrice(line);
    if (line.unitCents === 0) doubts.push({ doubt: 'noPrice', key });
    else if (line.kind !== 'own' && netCents < costCents)
      doubts.push({ doubt: 'underCost', key, cents: costCents - netCents });
    if (line.kind === 'work' && estimate && estimate.vehicles > 0 && line.quantity < estimate.lowHours)
      doubts.push({ doubt: 'hoursUnder', key, hours: line.quantity, lowHours: estimate.lowHours });
    const paid = componentId === null ? undefined : paidCents.get(componentId);
    if (paid !== undefined && paid > line.unitCents && line.unitCents > 0)
      doubts.push({ doubt: 'paidMore', key, cents: line.unitCents, paidCents: paid });
  });
  const { totalCents } = sums;
  if (similar && (totalCents * FAR < similar.lowCents || totalCents > similar.highCents * FAR))
    doubts.push({ doubt: 'farFromSimilar', cents: totalCents, ...similar });
  if (ceiling && totalCents > ceiling.cents)
    doubts.push({
      doubt: 'overCeiling',
      cents: totalCents - ceiling.cents,
      ceilingCents: ceiling.cents,
      firm: ceiling.firm,
    });
  if (body.validUntil < today) doubts.push({ doubt: 'pastValid', day: body.validUntil });
  return doubts;
}
