import { judgeShaft, USUAL_LIMIT_DEG, USUAL_MOST_DEG } from '../../drive/shafts.ts';
import { readTyreSize, rollingRadiusM } from '../../vehicle/tyre.ts';
import type { Finding, FitRule } from '../finding.ts';

/**
 * The half shafts of a drive that a cradle carries, where the common slide puts it: angle at rest against what the joint
 * turns at for good, at full droop and at full bump against the most it may turn, and the change of length against what
 * it slides; each with the millimetres that would cure it (trade §5.6).
 */
export const shaftAngles: FitRule = {
  id: 'shaftAngles',
  judge: ({ vehicle, slides }) =>
    slides.flatMap(({ cradle, slide }): Finding[] => {
      const { aim } = cradle.sheet;
      if (!aim) return [];
      const { variant, figures } = vehicle;
      const tyre = readTyreSize(variant.tyre);
      const base = { rule: 'shaftAngles', unmeasured: [], work: null } as const;
      // A joint that never turns further than so much does not turn further at rest either.
      const saidDeg = aim.limitDeg ?? USUAL_LIMIT_DEG.ball;
      const mostDeg = aim.mostDeg ?? Math.max(saidDeg, USUAL_MOST_DEG.ball);
      const limitDeg = Math.min(saidDeg, mostDeg);
      if (!tyre || !variant.travel)
        return [
          {
            ...base,
            subject: `${cradle.name}, half shafts at full droop and bump`,
            verdict: 'measureFirst',
            left: { value: null, kind: 'angle', source: 'design' },
            right: { value: mostDeg, kind: 'angle', source: 'sheet' },
            margin: null,
          },
        ];
      const along = (variant.drivenAxle === 'rear' ? figures.wheelbase.value : 0) - aim.xMm;
      const aside = along - (slide.found ? slide.slideMm : 0);
      const up = rollingRadiusM(tyre) * 1000 - aim.zMm;
      const off = (travel: number) => Math.hypot(aside, up + travel);
      const { droopMm, bumpMm } = variant.travel;
      const shaft = judgeShaft({
        ...{ name: 'half shaft', joint: 'ball', alongMm: aim.alongMm, limitDeg, travelMm: aim.travelMm ?? null },
        ...{ restMm: off(0), droopMm: off(-droopMm), bumpMm: off(bumpMm) },
      });
      const states = [
        ['at rest', shaft.restDeg, off(0), limitDeg],
        ['at full droop', shaft.droopDeg, off(-droopMm), mostDeg],
        ['at full bump', shaft.bumpDeg, off(bumpMm), mostDeg],
      ] as const;
      const angles = states.map(([state, deg, offMm, most]): Finding => {
        const spareMm = aim.alongMm * Math.tan((most * Math.PI) / 180) - offMm;
        return {
          ...base,
          subject: `${cradle.name}, half shafts ${state}`,
          verdict: spareMm >= 0 ? 'fits' : 'doesNotFit',
          left: { value: deg, kind: 'angle', source: 'sheet' },
          right: { value: most, kind: 'angle', source: 'sheet' },
          margin: { value: spareMm, kind: 'length' },
        };
      });
      const { plungeMm, travelLeftMm } = shaft;
      return [
        ...angles,
        {
          ...base,
          subject: `${cradle.name}, plunge of the half shafts`,
          verdict: travelLeftMm === null ? 'measureFirst' : travelLeftMm >= 0 ? 'fits' : 'doesNotFit',
          left: { value: plungeMm, kind: 'length', source: 'sheet' },
          right: { value: aim.travelMm ?? null, kind: 'length', source: 'sheet' },
          margin: travelLeftMm === null ? null : { value: travelLeftMm, kind: 'length' },
        },
      ];
    }),
};
