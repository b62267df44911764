import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import { packStrings } from '../../figures/pack/packFacts.ts';
import { boxRates } from '../../pack/boxRates.ts';
import type { Finding, FitRule } from '../finding.ts';

/**
 * What each charger puts into the modules of every box, in multiples of their capacity an hour, against the charging rates
 * of their sheet; where it states none, against what they give for good, which is no less (common practice).
 */
export const chargeRate: FitRule = {
  id: 'chargeRate',
  judge: ({ sheet, parts }): Finding[] => {
    const strings = sheet.get(packStrings).value;
    const empty = sheet.get(FIGURES.packVoltageEmpty).value;
    if (!strings) return [];
    return parts.flatMap(({ component }): Finding[] => {
      const charger = componentAs(component, 'charger') ?? componentAs(component, 'combinedUnit');
      if (!charger) return [];
      const amps = empty && empty > 0 ? (charger.sheet.powerW * charger.sheet.efficiency) / empty : null;
      return boxRates(strings, sheet.slots.pack.wiring).map(({ boxes, sheet: module, capacityAh, share }) => {
        const stands = module.rates?.length
          ? Math.max(...module.rates.map(({ perHour }) => perHour))
          : module.continuousA / capacityAh;
        const asked = amps === null ? null : (amps * share) / capacityAh;
        return {
          rule: 'chargeRate',
          subject: `${charger.name} into ${boxes.join(', ')}`,
          verdict: asked === null ? 'measureFirst' : stands >= asked ? 'fits' : 'doesNotFit',
          left: { value: asked, kind: 'cRate', source: 'design' },
          right: { value: stands, kind: 'cRate', source: 'sheet' },
          margin: asked === null ? null : { value: stands - asked, kind: 'cRate' },
          unmeasured: [],
          work: null,
        };
      });
    });
  },
};
