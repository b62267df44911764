import { boxHolding } from '../../figures/pack/boxHolding.ts';
import type { Finding, FitRule } from '../finding.ts';

/** What holds the boxes against the accelerations the workshop reckons with; boxes nobody has said it of are measured first. */
export const boxRetention: FitRule = {
  id: 'boxRetention',
  judge: ({ sheet }): Finding[] => {
    const { boxes } = sheet.slots.pack;
    if (boxes.length === 0) return [];
    const unsaid = boxes.filter(({ hold }) => hold === null).map(({ bay }) => bay.name);
    const spare = sheet.get(boxHolding);
    const findings: Finding[] = [];
    if (unsaid.length > 0)
      findings.push({
        rule: 'boxRetention',
        subject: unsaid.join(', '),
        verdict: 'measureFirst',
        left: { value: 'nobody has said what holds it', kind: null, source: 'design' },
        right: { value: null, kind: 'share', source: 'design' },
        margin: null,
        unmeasured: [],
        work: null,
      });
    if (spare.value !== null)
      findings.push({
        rule: 'boxRetention',
        subject: 'the weakest of what holds the boxes',
        verdict: spare.value >= 0 ? 'fits' : 'doesNotFit',
        left: { value: spare.value + 1, kind: 'share', source: 'design' },
        right: { value: 1, kind: 'share', source: 'design' },
        margin: { value: spare.value, kind: 'share' },
        unmeasured: [],
        work: null,
      });
    return findings;
  },
};
