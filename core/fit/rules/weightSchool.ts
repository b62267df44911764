import { judgeLine } from '../../brief/judgeLine.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Front axle share against the school of the brief: equal shares, or as the maker had it, within its tolerance (trade §5.7). */
export const weightSchool: FitRule = {
  id: 'weightSchool',
  judge: ({ sheet, axleShare }): Finding[] => {
    if (!axleShare) return [];
    const now = sheet.get(FIGURES.frontShare);
    const wanted = axleShare.school === 'equal' ? 0.5 : sheet.get(FIGURES.frontShareBefore).value;
    const { state } = judgeLine(axleShare, sheet);
    const off = now.value === null || wanted === null ? null : Math.abs(now.value - wanted);
    return [
      {
        rule: 'weightSchool',
        subject: axleShare.school === 'equal' ? 'equal shares' : 'as the maker had it',
        verdict:
          state === 'met'
            ? 'fits'
            : state === 'broken'
              ? axleShare.firm
                ? 'doesNotFit'
                : 'afterWork'
              : 'measureFirst',
        left: { value: now.value, kind: 'share', source: 'design' },
        right: { value: wanted, kind: 'share', source: axleShare.school === 'equal' ? 'design' : 'library' },
        margin: off === null ? null : { value: (axleShare.tolerance ?? 0) - off, kind: 'share' },
        unmeasured: now.unmeasured,
        work:
          state === 'broken' && !axleShare.firm ? { hours: 0, step: 'Show the client where the weight lies' } : null,
      },
    ];
  },
};
