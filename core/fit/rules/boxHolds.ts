import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Modules of each box against what the box in the kit is made to hold; one that nothing brings is made here, and measured first. */
export const boxHolds: FitRule = {
  id: 'boxHolds',
  judge: ({ sheet, parts }) =>
    sheet.slots.pack.boxes.map(({ bay, modules }): Finding => {
      const made = parts.flatMap(({ component, quantity }) => {
        const box = componentAs(component, 'box');
        return box?.sheet.bay === bay.key ? [{ name: box.name, holds: box.sheet.holds * quantity }] : [];
      });
      const holds = made.reduce((sum, one) => sum + one.holds, 0);
      const there = made.length > 0;
      return {
        rule: 'boxHolds',
        subject: there ? made.map(({ name }) => name).join(', ') : `${bay.name} box, made here`,
        verdict: !there ? 'measureFirst' : holds >= modules ? 'fits' : 'doesNotFit',
        left: { value: modules, kind: 'count', source: 'design' },
        right: { value: there ? holds : null, kind: 'count', source: 'sheet' },
        margin: there ? { value: holds - modules, kind: 'count' } : null,
        unmeasured: [],
        work: null,
      };
    }),
};
