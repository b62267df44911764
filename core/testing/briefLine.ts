import type { BriefLine } from '../brief/lines.ts';

/** A firm line of a brief, of a kind, without amount or words unless they are given. */
export const briefLine = (change: Partial<BriefLine> & Pick<BriefLine, 'kind'>): BriefLine => ({
  id: change.kind,
  firm: true,
  amount: null,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...change,
});

/** "Reversible" as a firm line. */
export const REVERSIBLE_FIRM = briefLine({ kind: 'reversible' });
