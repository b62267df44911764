import { componentAs } from '../../component/sheets.ts';
import { loopOhm, mainFuseDuty } from '../../figures/electric/cable.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Voltage that fuses and cables are made for against the full pack, and what a fault feeds against what a fuse can break. */
export const linkVoltage: FitRule = {
  id: 'linkVoltage',
  judge: ({ sheet, parts }) => {
    const full = sheet.get(FIGURES.packVoltageFull).value;
    const duty = sheet.get(mainFuseDuty).value;
    const { electric } = sheet.slots;
    const fault =
      duty && electric.cable
        ? duty.fullV / loopOhm(duty.packOhm, electric.cable.sheet.sectionMm2, electric.cableLengthM)
        : sheet.get(FIGURES.fuseBreaking).value;
    const held = (subject: string, kind: 'voltage' | 'current', asked: number | null, stands: number | undefined) => {
      const margin = asked === null || stands === undefined ? null : stands - asked;
      const finding: Finding = {
        rule: 'linkVoltage',
        subject,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: asked, kind, source: 'design' },
        right: { value: stands ?? null, kind, source: 'sheet' },
        margin: margin === null ? null : { value: margin, kind },
        unmeasured: [],
        work: null,
      };
      return finding;
    };
    return parts.flatMap(({ component }): Finding[] => {
      const cable = componentAs(component, 'cable');
      if (cable) return [held(cable.name, 'voltage', full, cable.sheet.maxV)];
      const fuse = componentAs(component, 'fuse');
      if (!fuse) return [];
      return [
        held(fuse.name, 'voltage', full, fuse.sheet.maxV),
        held(`${fuse.name}, breaks`, 'current', fault, fuse.sheet.breakingA),
      ];
    });
  },
};
