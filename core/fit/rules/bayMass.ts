import type { FitRule } from '../finding.ts';

/** Mass of each filled box against what its bay may carry. */
export const bayMass: FitRule = {
  id: 'bayMass',
  judge: ({ sheet }) =>
    sheet.slots.pack.boxes.map(({ bay, massKg }) => {
      const margin = bay.maxMassKg - massKg;
      return {
        rule: 'bayMass',
        subject: bay.name,
        verdict: margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: massKg, kind: 'mass', source: 'design' },
        right: { value: bay.maxMassKg, kind: 'mass', source: bay.source },
        margin: { value: margin, kind: 'mass' },
        unmeasured: [],
        work: null,
      };
    }),
};
