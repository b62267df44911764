import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to true up and fit an adapter, common practice. */
const ADAPTER_HOURS = 1;

/** Spline and, at a gearbox, bolt pattern of the drive against what the vehicle has, directly or through an adapter of the kit. */
export const coupling: FitRule = {
  id: 'coupling',
  judge: ({ vehicle, parts }): Finding[] => {
    const drive = parts.map((part) => componentAs(part.component, 'drive')).find((found) => found !== null);
    if (!drive) return [];
    const { gearbox } = vehicle.variant;
    const toGearbox = drive.sheet.output === 'gearboxInput';
    const wanted = toGearbox ? `${gearbox.spline}, ${gearbox.boltPattern}` : gearbox.shaftSpline;
    const brought = toGearbox ? `${drive.sheet.spline}, ${drive.sheet.boltPattern}` : drive.sheet.spline;
    const adapter = parts
      .map((part) => componentAs(part.component, 'adapter'))
      .find((found) => {
        if (!found) return false;
        const { fromSpline, toSpline, fromBoltPattern, toBoltPattern } = found.sheet;
        const splines =
          fromSpline === drive.sheet.spline && toSpline === (toGearbox ? gearbox.spline : gearbox.shaftSpline);
        return (
          splines &&
          (!toGearbox || (fromBoltPattern === drive.sheet.boltPattern && toBoltPattern === gearbox.boltPattern))
        );
      });
    const direct = wanted === brought;
    return [
      {
        rule: 'coupling',
        subject: adapter && !direct ? `${drive.name} by ${adapter.name}` : drive.name,
        verdict: direct ? 'fits' : adapter ? 'afterWork' : 'doesNotFit',
        left: { value: brought, kind: null, source: 'sheet' },
        right: { value: wanted, kind: null, source: 'library' },
        margin: null,
        unmeasured: [],
        work: adapter && !direct ? { hours: ADAPTER_HOURS } : null,
      },
    ];
  },
};
