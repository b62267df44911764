import type { LineGroup, OfferBody, OfferLine } from './offer.ts';
import { LINE_GROUPS } from './offer.ts';
import { linePrice, type OfferSums, offerSums } from './sums.ts';

export interface LineDifference {
  readonly key: string;
  readonly text: string;
  /** Null: not in it. */
  readonly before: Pick<OfferLine, 'quantity' | 'unitCents' | 'addShare'> | null;
  readonly after: Pick<OfferLine, 'quantity' | 'unitCents' | 'addShare'> | null;
  /** Before tax. */
  readonly cents: number;
}

export interface OfferDifference {
  /** Lines that are new, gone or have another price, in the order of the later offer, what is gone last. */
  readonly lines: readonly LineDifference[];
  readonly groups: Readonly<Record<LineGroup, number>>;
  readonly contingencyCents: number;
  readonly roundingCents: number;
  readonly netCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

const netOf = (line: OfferLine | undefined): number => (line ? linePrice(line).netCents : 0);
const factsOf = (line: OfferLine | undefined) =>
  line ? { quantity: line.quantity, unitCents: line.unitCents, addShare: line.addShare } : null;

const groupNet = (sums: OfferSums, group: LineGroup): number =>
  sums.groups.find((one) => one.group === group)?.netCents ?? 0;

/** What a later offer has otherwise than an earlier one; what differs adds up to the difference of the sums. */
export function offerDifference(before: OfferBody, after: OfferBody): OfferDifference {
  const [a, b] = [offerSums(before), offerSums(after)];
  const old = new Map(before.lines.map((line) => [line.key, line]));
  const now = new Map(after.lines.map((line) => [line.key, line]));
  const keys = [...now.keys(), ...[...old.keys()].filter((key) => !now.has(key))];
  return {
    lines: keys.flatMap((key): LineDifference[] => {
      const [was, is] = [old.get(key), now.get(key)];
      const cents = netOf(is) - netOf(was);
      const same = was && is && cents === 0 && was.quantity === is.quantity;
      return same ? [] : [{ key, text: (is ?? was)!.text, before: factsOf(was), after: factsOf(is), cents }];
    }),
    groups: Object.fromEntries(
      LINE_GROUPS.map((group) => [group, groupNet(b, group) - groupNet(a, group)]),
    ) as OfferDifference['groups'],
    contingencyCents: b.contingency.netCents - a.contingency.netCents,
    roundingCents: b.rounding.netCents - a.rounding.netCents,
    netCents: b.netCents - a.netCents,
    taxCents: b.taxCents - a.taxCents,
    totalCents: b.totalCents - a.totalCents,
  };
}
