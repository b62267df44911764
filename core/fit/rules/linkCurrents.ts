import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { KitPart } from '../../kit/kit.ts';
import type { Finding, FitRule } from '../finding.ts';

/** A fuse is rated this much over what flows for good; common practice. */
const FUSE_OVER = 1.25;

/** What each link carries: for good, and for half a minute. Null where its sheet does not say. */
function linksOf({ component }: KitPart): { forGoodA: number | null; for30sA: number | null } | null {
  const contactor = componentAs(component, 'contactorBox');
  if (contactor) return { forGoodA: contactor.sheet.continuousA, for30sA: contactor.sheet.peakA };
  const cable = componentAs(component, 'cable');
  if (cable) return { forGoodA: cable.sheet.continuousA, for30sA: null };
  const fuse = componentAs(component, 'fuse');
  if (fuse) return { forGoodA: fuse.sheet.ratedA / FUSE_OVER, for30sA: null };
  const inverter = componentAs(component, 'inverter');
  if (inverter) return { forGoodA: null, for30sA: inverter.sheet.maxCurrentA };
  return null;
}

/** Current of the hardest use, for good and for 30 s, against contactor box, cable, fuse and inverter of the kit. */
export const linkCurrents: FitRule = {
  id: 'linkCurrents',
  judge: ({ sheet, parts }) => {
    const forGood = sheet.get(FIGURES.rmsCurrent);
    const peak = sheet.get(FIGURES.peak30sCurrent);
    return parts.flatMap((part): Finding[] => {
      const link = linksOf(part);
      if (!link) return [];
      const asked = [
        ['for good', forGood, link.forGoodA],
        ['for 30 s', peak, link.for30sA],
      ] as const;
      return asked.flatMap(([how, now, stands]): Finding[] => {
        if (stands === null) return [];
        const margin = now.value === null ? null : stands - now.value;
        return [
          {
            rule: 'linkCurrents',
            subject: `${part.component.name}, ${how}`,
            verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
            left: { value: now.value, kind: 'current', source: 'design' },
            right: { value: stands, kind: 'current', source: 'sheet' },
            margin: margin === null ? null : { value: margin, kind: 'current' },
            unmeasured: now.unmeasured,
            work: null,
          },
        ];
      });
    });
  },
};
