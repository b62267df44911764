import { coverOf } from '../cover.ts';
import type { FitRule } from '../finding.ts';

/** Cover of functions: any gap is shown before something is ordered. */
export const functionCover: FitRule = {
  id: 'functionCover',
  judge: ({ parts, cover, library }) => {
    const lines = coverOf(parts, cover, library);
    const gaps = lines.filter((line) => line.by === 'gap');
    const all = lines.length;
    return [
      {
        rule: 'functionCover',
        subject: 'functions',
        verdict: gaps.length === 0 ? 'fits' : 'afterWork',
        left: { value: all - gaps.length, kind: 'count', source: 'design' },
        right: { value: all, kind: 'count', source: 'sheet' },
        margin: { value: gaps.length === 0 ? 0 : -gaps.length, kind: 'count' },
        unmeasured: [],
        work: gaps.length === 0 ? null : { hours: 0, functions: gaps.map((gap) => gap.function) },
      },
    ];
  },
};
