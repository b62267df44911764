import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** A litre less is within what a drawing of a load room tells; common practice. */
const SAME_L = 1;

/** Luggage room left with the boxes in against what the maker left: what is lost, the client is shown. */
export const luggageKept: FitRule = {
  id: 'luggageKept',
  judge: ({ sheet }): Finding[] => {
    const before = sheet.get(FIGURES.luggageBefore);
    const now = sheet.get(FIGURES.luggage);
    if (sheet.slots.pack.boxes.length === 0) return [];
    const known = before.value !== null && now.value !== null;
    const margin = known ? now.value - before.value : null;
    const lost = margin !== null && margin < -SAME_L;
    return [
      {
        rule: 'luggageKept',
        subject: 'luggage room',
        verdict: margin === null ? 'measureFirst' : lost ? 'afterWork' : 'fits',
        left: { value: now.value, kind: 'volume', source: 'design' },
        right: { value: before.value, kind: 'volume', source: 'library' },
        margin: margin === null ? null : { value: margin, kind: 'volume' },
        unmeasured: [],
        work: lost ? { hours: 0, step: 'Show the client what is left of the luggage room' } : null,
      },
    ];
  },
};
