import type { Finding, FitRule } from '../finding.ts';

/** What goes with every engine; without it masses, room and what it drove are not known. */
const GOES = /engine|motor/i;

/** The engine and what comes out with it, by name and mass: balance, lift and kept parts rest on it. */
export const takenOut: FitRule = {
  id: 'takenOut',
  judge: ({ vehicle }): Finding[] => {
    const { removed } = vehicle.variant;
    if (removed.some(({ name }) => GOES.test(name))) return [];
    return [
      {
        rule: 'takenOut',
        subject: 'engine',
        verdict: 'measureFirst',
        left: { value: removed.length, kind: 'count', source: 'library' },
        right: { value: null, kind: 'count', source: 'library' },
        margin: null,
        unmeasured: [],
        work: null,
      },
    ];
  },
};
