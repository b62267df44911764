import { cradleMatches } from '../cradle.ts';
import { type FitRule, lengthVerdict } from '../finding.ts';

/** Each pick of a cradle against the mounting point of this variant, within the slot's travel, where the cradle is slid to. */
export const mountingPoints: FitRule = {
  id: 'mountingPoints',
  judge: ({ vehicle, parts, slides }) =>
    cradleMatches(vehicle.variant, parts, slides).map(({ pick, point, spareMm, xMm }) => ({
      rule: 'mountingPoints',
      subject: point?.name ?? pick.point,
      verdict: point && spareMm !== null ? lengthVerdict(spareMm, point.source) : 'doesNotFit',
      left: { value: xMm - pick.slotMm, to: xMm + pick.slotMm, kind: 'length', source: 'sheet' },
      right: point
        ? { value: point.xMm, kind: 'length', source: point.source }
        : { value: null, kind: 'length', source: 'library' },
      margin: spareMm === null ? null : { value: spareMm, kind: 'length' },
      unmeasured: [],
      work: null,
    })),
};
