import { componentAs } from '../../component/sheets.ts';
import type { PlacedBox } from '../../figures/slots.ts';
import type { Bay } from '../../vehicle/variant.ts';
import type { Finding, FitContext, FitRule } from '../finding.ts';

/** Boxes in the cabin are sealed against it; every box has a vent that equalises and relieves; fuse and management are reached. */
export const boxSafety: FitRule = {
  id: 'boxSafety',
  judge: ({ vehicle, parts, sheet }) => [
    ...parts.flatMap(({ component }): Finding[] => {
      const box = componentAs(component, 'box');
      if (!box) return [];
      const inside = vehicle.variant.bays.find(({ key }) => key === box.sheet.bay)?.inside ?? false;
      const asked = [
        ...(inside ? ([['sealed against the cabin', box.sheet.sealed]] as const) : []),
        ['vented outside', box.sheet.vented] as const,
        ['fuse and management reached in place', box.sheet.reach] as const,
      ];
      return asked.map(
        ([what, so]): Finding => ({
          rule: 'boxSafety',
          subject: `${component.name}, ${what}`,
          // Reaching the fuse is a day's work more; a box that does not vent or seal is not fitted.
          verdict:
            so === undefined ? 'measureFirst' : so ? 'fits' : what.startsWith('fuse') ? 'afterWork' : 'doesNotFit',
          left: { value: so === undefined ? 'its sheet does not say' : so ? 'yes' : 'no', kind: null, source: 'sheet' },
          right: { value: inside ? 'inside the cabin' : 'outside the cabin', kind: null, source: 'library' },
          margin: null,
          unmeasured: [],
          work:
            so === false && what.startsWith('fuse')
              ? { hours: 2, step: 'Hatch or flap to reach fuse and management' }
              : null,
        }),
      );
    }),
    ...madeHere(parts, sheet.slots.pack.boxes).map(
      (bay): Finding => ({
        rule: 'boxSafety',
        subject: `${bay.name} box, made here`,
        verdict: 'measureFirst',
        left: { value: 'its sheet does not say', kind: null, source: 'design' },
        right: { value: bay.inside ? 'inside the cabin' : 'outside the cabin', kind: null, source: 'library' },
        margin: null,
        unmeasured: [],
        work: null,
      }),
    ),
  ],
};

/** Bays whose box nothing in the kit is: it is made here, and nobody has written how. */
const madeHere = (parts: FitContext['parts'], boxes: readonly PlacedBox[]): Bay[] =>
  boxes
    .map(({ bay }) => bay)
    .filter(({ key }) => !parts.some(({ component }) => componentAs(component, 'box')?.sheet.bay === key));
