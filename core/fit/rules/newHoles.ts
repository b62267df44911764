import { FIGURES } from '../../figures/index.ts';
import type { FitRule } from '../finding.ts';

/** Hours to mark out, drill, deburr and protect one hole, common practice. */
const HOURS_PER_HOLE = 0.75;

/** New holes against the brief: none allowed where reversible is firm, else work. */
export const newHoles: FitRule = {
  id: 'newHoles',
  judge: ({ sheet, reversibleFirm }) => {
    const { value } = sheet.get(FIGURES.newHoles);
    if (value === null) return [];
    return [
      {
        rule: 'newHoles',
        subject: reversibleFirm ? 'reversible, firm' : 'reversible, not asked',
        verdict: value === 0 ? 'fits' : reversibleFirm ? 'doesNotFit' : 'afterWork',
        left: { value, kind: 'count', source: 'design' },
        right: { value: 0, kind: 'count', source: 'design' },
        margin: { value: value === 0 ? 0 : -value, kind: 'count' },
        unmeasured: [],
        work: value > 0 && !reversibleFirm ? { hours: value * HOURS_PER_HOLE } : null,
      },
    ];
  },
};
