import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Pumps and radiators of the kit against the heat of the drive over the hardest ten minutes: the largest of each is its loop's. */
export const coolant: FitRule = {
  id: 'coolant',
  judge: ({ sheet, parts }): Finding[] => {
    const asked = (subject: string, kind: 'flow' | 'watts', need: number | null, gives: number): Finding => {
      const margin = need === null ? null : gives - need;
      return {
        rule: 'coolant',
        subject,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: gives, kind, source: 'sheet' },
        right: { value: need, kind, source: 'design' },
        margin: margin === null ? null : { value: margin, kind },
        unmeasured: [],
        work: null,
      };
    };
    const pumps = parts.flatMap(({ component }) => componentAs(component, 'coolantPump') ?? []);
    const radiators = parts.flatMap(({ component }) => componentAs(component, 'radiator') ?? []);
    const [pump, ...others] = pumps.toSorted((a, b) => b.sheet.litresPerMin - a.sheet.litresPerMin);
    const flow = sheet.get(FIGURES.driveFlow).value;
    const packFlow = sheet.get(FIGURES.packFlow).value;
    return [
      ...(pump ? [asked(`${pump.name}, drive loop`, 'flow', flow, pump.sheet.litresPerMin)] : []),
      ...others.map((one) => asked(`${one.name}, battery loop`, 'flow', packFlow, one.sheet.litresPerMin)),
      ...radiators.map((one) => asked(one.name, 'watts', sheet.get(FIGURES.driveHeatWorst).value, one.sheet.heatW)),
    ];
  },
};
