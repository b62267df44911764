import { cradleMatches } from '../cradle.ts';
import { type FitRule, lengthVerdict } from '../finding.ts';

/** Each pick of a cradle against the mounting point of this variant, within the slot's travel. */
export const mountingPoints: FitRule = {
  id: 'mountingPoints',
  judge: ({ vehicle, parts }) =>
    cradleMatches(vehicle.variant, parts).map(({ pick, point, spareMm }) => ({
      rule: 'mountingPoints',
      subject: point?.name ?? pick.point,
      verdict: point && spareMm !== null ? lengthVerdict(spareMm, point.source) : 'doesNotFit',
      left: { value: pick.xMm - pick.slotMm, to: pick.xMm + pick.slotMm, kind: 'length', source: 'sheet' },
      right: point
        ? { value: point.xMm, kind: 'length', source: point.source }
        : { value: null, kind: 'length', source: 'library' },
      margin: spareMm === null ? null : { value: spareMm, kind: 'length' },
      unmeasured: [],
      work: null,
    })),
};
