import type { Wishes } from '../figures/slots.ts';
import type { BriefLine } from './lines.ts';

/** What the figures have to know of a brief. */
export function wishesOf(brief: readonly BriefLine[]): Wishes {
  const amount = (kind: BriefLine['kind']) => brief.find((line) => line.kind === kind)?.amount ?? null;
  return { startGrade: amount('hillStart'), speedKmh: amount('topSpeed') };
}
