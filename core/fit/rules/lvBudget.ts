import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** What the converters of the kit give, against what everything on asks of them; without one the cover says so. */
export const lvBudget: FitRule = {
  id: 'lvBudget',
  judge: ({ parts, sheet }): Finding[] => {
    const amps = parts.flatMap(({ component, quantity }) => {
      const each = componentAs(component, 'dcdc')?.sheet.outputA ?? componentAs(component, 'combinedUnit')?.sheet.dcdcA;
      return each === undefined ? [] : [each * quantity];
    });
    if (amps.length === 0) return [];
    const have = amps.reduce((sum, one) => sum + one, 0);
    const { value: need } = sheet.get(FIGURES.converterNeed);
    const margin = need === null ? null : have - need;
    // Loads that nobody has listed are usual ones: short of those is looked at before it is believed.
    const listed = sheet.slots.electric.lvLoads !== null;
    return [
      {
        rule: 'lvBudget',
        subject: 'everything on',
        verdict: margin !== null && margin >= 0 ? 'fits' : margin !== null && listed ? 'doesNotFit' : 'measureFirst',
        left: { value: have, kind: 'current', source: 'sheet' },
        right: { value: need, kind: 'current', source: 'design' },
        margin: margin === null ? null : { value: margin, kind: 'current' },
        unmeasured: [],
        work: null,
      },
    ];
  },
};
