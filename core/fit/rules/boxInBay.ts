import { componentAs } from '../../component/sheets.ts';
import { type Finding, type FitRule, lengthVerdict } from '../finding.ts';

/** Each box of the kit in its bay with 10 mm static clearance all round; the tightest of the three ways counts. */
export const boxInBay: FitRule = {
  id: 'boxInBay',
  judge: ({ vehicle, parts, sheet }) =>
    parts.flatMap(({ component }): Finding[] => {
      const box = componentAs(component, 'box');
      if (!box) return [];
      const bay = vehicle.variant.bays.find((candidate) => candidate.key === box.sheet.bay);
      const base = { rule: 'boxInBay', subject: component.name, unmeasured: [], work: null } as const;
      if (!bay) {
        const left = { value: box.sheet.bay, kind: null, source: 'sheet' } as const;
        return [
          { ...base, verdict: 'doesNotFit', left, right: { value: null, kind: null, source: 'library' }, margin: null },
        ];
      }
      const ways = [
        [component.lengthMm, bay.lengthMm],
        [component.widthMm, bay.widthMm],
        [component.heightMm, bay.heightMm],
      ] as const;
      const spare = ([outside, space]: readonly [number, number]) =>
        (space - outside) / 2 - sheet.slots.pack.clearanceMm;
      const tightest = ways.reduce((a, b) => (spare(b) < spare(a) ? b : a));
      const margin = spare(tightest);
      return [
        {
          ...base,
          verdict: lengthVerdict(margin, bay.source),
          left: { value: tightest[0], kind: 'length', source: 'sheet' },
          right: { value: tightest[1], kind: 'length', source: bay.source },
          margin: { value: margin, kind: 'length' },
        },
      ];
    }),
};
