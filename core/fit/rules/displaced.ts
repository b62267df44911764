import type { Finding, FitRule } from '../finding.ts';

/** Hours to find another place for an original and make its bracket; common practice. */
const REHOUSE_HOURS = 1;
/** Hours to put an inflator in the place of a spare wheel; common practice. */
const INFLATOR_HOURS = 0.5;

/**
 * Originals that stand where a box goes: each gets another place, or somebody waives it with a reason. Where nobody has
 * said what stands in the bays, it is to be looked at.
 */
export const displaced: FitRule = {
  id: 'displaced',
  judge: ({ vehicle, sheet }): Finding[] => {
    const { displaced: originals } = vehicle.variant;
    const boxes = sheet.slots.pack.boxes.filter(({ modules }) => modules > 0);
    if (boxes.length === 0) return [];
    const base = { rule: 'displaced', margin: null, unmeasured: [] } as const;
    const bays = boxes.map(({ bay }) => bay.name).join(', ');
    if (!originals)
      return [
        {
          ...base,
          subject: bays,
          verdict: 'measureFirst',
          left: { value: bays, kind: null, source: 'design' },
          right: { value: null, kind: null, source: 'library' },
          work: null,
        },
      ];
    return originals.flatMap(({ name, bay: key, spareWheel }): Finding[] => {
      const box = boxes.find(({ bay }) => bay.key === key);
      if (!box) return [];
      return [
        {
          ...base,
          subject: name,
          verdict: 'afterWork',
          left: { value: box.bay.name, kind: null, source: 'design' },
          right: { value: name, kind: null, source: 'library' },
          work: spareWheel
            ? { hours: INFLATOR_HOURS, step: `${name}: another place, or inflator and sealant in the vehicle` }
            : { hours: REHOUSE_HOURS, step: `Rehouse: ${name}` },
        },
      ];
    });
  },
};
