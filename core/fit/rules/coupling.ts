import { type ComponentOf, componentAs } from '../../component/sheets.ts';
import { findCoupling } from '../couples.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to true up and fit an adapter, common practice. */
const ADAPTER_HOURS = 1;

/** Spline and, at a gearbox, bolt pattern of the drive against what the vehicle has, directly or through an adapter of the kit. */
export const coupling: FitRule = {
  id: 'coupling',
  judge: ({ vehicle, parts }): Finding[] => {
    const drive = parts.map((part) => componentAs(part.component, 'drive')).find((found) => found !== null);
    if (!drive) return [];
    const adapters = parts
      .map((part) => componentAs(part.component, 'adapter'))
      .filter((found): found is ComponentOf<'adapter'> => found !== null);
    const { wanted, brought, known, direct, adapter } = findCoupling(drive.sheet, vehicle.variant.gearbox, adapters);
    return [
      {
        rule: 'coupling',
        subject: adapter && !direct ? `${drive.name} by ${adapter.name}` : drive.name,
        verdict: !known ? 'measureFirst' : direct ? 'fits' : adapter ? 'afterWork' : 'doesNotFit',
        left: { value: brought || null, kind: null, source: 'sheet' },
        right: { value: wanted || null, kind: null, source: 'library' },
        margin: null,
        unmeasured: [],
        work: adapter && !direct ? { hours: ADAPTER_HOURS } : null,
      },
    ];
  },
};
