import { MOVING_CLEARANCE_MM, statesOf } from '../cradleSlide.ts';
import type { Finding, FitRule } from '../finding.ts';

const apart = (a: number, sizeA: number, b: number, sizeB: number) => Math.abs(a - b) - (sizeA + sizeB) / 2;

/** Every box against what moves with the suspension, at rest, full droop and full bump, where its cradle is slid to. */
export const movingParts: FitRule = {
  id: 'movingParts',
  judge: ({ vehicle, sheet, slides }) =>
    sheet.slots.pack.boxes.flatMap(({ bay, outer, xMm, yMm, zMm }): Finding[] => {
      if (!outer) return [];
      // Nobody has said what moves: none near it is not known.
      if (!vehicle.variant.moving)
        return [
          {
            rule: 'movingParts',
            subject: `${bay.name} box to what moves`,
            verdict: 'measureFirst',
            left: { value: null, kind: 'length', source: 'design' },
            right: { value: MOVING_CLEARANCE_MM, kind: 'length', source: 'library' },
            margin: null,
            unmeasured: [],
            work: null,
          },
        ];
      const carrier = slides.find(({ cradle }) => cradle.sheet.carries === bay.key)?.slide;
      const x = xMm + (carrier?.found ? carrier.slideMm : 0);
      return vehicle.variant.moving.flatMap((part): Finding[] => {
        const states = statesOf(part).map(([state, z]) => ({
          state,
          gapMm: Math.max(
            apart(x, outer.lengthMm, part.xMm, part.lengthMm),
            apart(yMm, outer.widthMm, part.yMm, part.widthMm),
            apart(zMm, outer.heightMm, z, part.heightMm),
          ),
        }));
        const tightest = states.reduce((worst, one) => (one.gapMm < worst.gapMm ? one : worst));
        // What is nowhere near is not told.
        if (tightest.gapMm > FAR_MM) return [];
        const margin = tightest.gapMm - MOVING_CLEARANCE_MM;
        return [
          {
            rule: 'movingParts',
            subject: `${bay.name} box to ${part.name} ${tightest.state}`,
            verdict: margin >= 0 ? 'fits' : 'doesNotFit',
            left: { value: tightest.gapMm, kind: 'length', source: 'design' },
            right: { value: MOVING_CLEARANCE_MM, kind: 'length', source: 'library' },
            margin: { value: margin, kind: 'length' },
            unmeasured: [],
            work: null,
          },
        ];
      });
    }),
};

const FAR_MM = 150;
