import { LIKELY_ERROR } from '../../vehicle/vehicleFigures.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Lowest box against the lowest point the vehicle had: below it, it is what the road meets first. */
export const groundClearance: FitRule = {
  id: 'groundClearance',
  judge: ({ sheet, vehicle }): Finding[] => {
    const { value: before, source } = vehicle.figures.groundClearance;
    const bottoms = sheet.slots.pack.boxes.flatMap(({ bay, outer, zMm }) =>
      outer ? [{ name: bay.name, zMm: zMm - outer.heightMm / 2 }] : [],
    );
    const lowest = bottoms.reduce<(typeof bottoms)[number] | null>(
      (a, b) => (a === null || b.zMm < a.zMm ? b : a),
      null,
    );
    if (!lowest) return [];
    const margin = lowest.zMm - before;
    const doubt = source === 'measured' ? 0 : before * LIKELY_ERROR.groundClearance;
    return [
      {
        rule: 'groundClearance',
        subject: `${lowest.name} box`,
        verdict: margin >= doubt ? 'fits' : margin < -doubt ? 'doesNotFit' : 'measureFirst',
        left: { value: lowest.zMm, kind: 'length', source: 'design' },
        right: { value: before, kind: 'length', source },
        margin: { value: margin, kind: 'length' },
        unmeasured: source === 'measured' ? [] : ['groundClearance'],
        work: null,
      },
    ];
  },
};
