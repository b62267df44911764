import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to place a satellite and lead it to its main unit; common practice. */
const SET_HOURS = 0.5;

/** Satellites the boxes need, counted per box, against those in the kit; and all of them against what the main unit leads. */
export const satellites: FitRule = {
  id: 'satellites',
  judge: ({ sheet, parts }): Finding[] => {
    const mine = parts.filter(({ component }) => component.kind === 'bmsSatellite');
    const [first] = mine;
    const main = parts.map(({ component }) => componentAs(component, 'bmsMain')).find((one) => one !== null);
    if (!first && !main) return [];
    const need = sheet.get(FIGURES.bmsSatellites).value;
    if (!first && main && need !== null && need > 0)
      return [
        {
          rule: 'satellites',
          subject: `${main.name} without satellites`,
          verdict: 'afterWork',
          left: { value: 0, kind: 'count', source: 'sheet' },
          right: { value: need, kind: 'count', source: 'design' },
          margin: { value: -need, kind: 'count' },
          unmeasured: [],
          work: { hours: SET_HOURS * need, step: `Add ${need} satellites to ${main.name}, and their leads` },
        },
      ];
    const have = mine.reduce((sum, { quantity }) => sum + quantity, 0);
    const findings: Finding[] = [];
    if (first) {
      const margin = need === null ? null : have - need;
      findings.push({
        rule: 'satellites',
        subject: first.component.name,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'afterWork',
        left: { value: have, kind: 'count', source: 'sheet' },
        right: { value: need, kind: 'count', source: 'design' },
        margin: margin === null ? null : { value: margin, kind: 'count' },
        unmeasured: [],
        work:
          margin !== null && margin < 0
            ? { hours: 0.5, parts: [{ componentId: first.component.id, quantity: -margin }] }
            : null,
      });
    }
    if (main && need !== null) {
      const margin = main.sheet.maxSatellites - need;
      findings.push({
        rule: 'satellites',
        subject: main.name,
        verdict: margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: need, kind: 'count', source: 'design' },
        right: { value: main.sheet.maxSatellites, kind: 'count', source: 'sheet' },
        margin: { value: margin, kind: 'count' },
        unmeasured: [],
        work: null,
      });
    }
    return findings;
  },
};
