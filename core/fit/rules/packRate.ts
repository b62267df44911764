import { FIGURES } from '../../figures/index.ts';
import { packFacts } from '../../figures/pack/packFacts.ts';
import type { Finding, FitRule } from '../finding.ts';

/** What the hardest use asks of the pack, for good and for 30 s, in multiples of its capacity, against its modules. */
export const packRate: FitRule = {
  id: 'packRate',
  judge: ({ sheet }) => {
    const pack = sheet.get(packFacts).value;
    const module = sheet.slots.pack.module;
    if (!pack || !module) return [];
    // Strings share the current; each module stands its own.
    const strings = pack.capacityAh / module.sheet.capacityAh;
    const asked = [
      ['for good', sheet.get(FIGURES.rmsCurrent), module.sheet.continuousA * strings],
      ['for 30 s', sheet.get(FIGURES.peak30sCurrent), module.sheet.peakA * strings],
    ] as const;
    return asked.map(([how, now, stands]): Finding => {
      const margin = now.value === null ? null : (stands - now.value) / pack.capacityAh;
      return {
        rule: 'packRate',
        subject: `${module.name}, ${how}`,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: now.value === null ? null : now.value / pack.capacityAh, kind: 'coefficient', source: 'design' },
        right: { value: stands / pack.capacityAh, kind: 'coefficient', source: 'sheet' },
        margin: margin === null ? null : { value: margin, kind: 'coefficient' },
        unmeasured: now.unmeasured,
        work: null,
      };
    });
  },
};
