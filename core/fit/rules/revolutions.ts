import { gearing } from '../../figures/drive/gearing.ts';
import { isUsualUse } from '../../job/usualUse.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Revolutions a minute of the motor at a road speed, by all reductions between. */
const rpmOf = (kmh: number, ratio: number, radiusM: number) => ((kmh / 3.6 / radiusM) * ratio * 60) / (2 * Math.PI);

/** The gear that is left engaged must be one of the box; in it the motor turns at the speed asked for within its sheet. */
export const revolutions: FitRule = {
  id: 'revolutions',
  judge: ({ sheet, vehicle, revision }): Finding[] => {
    const { drive, use, wishes } = sheet.slots;
    if (!drive.unit) return [];
    const base = { rule: 'revolutions', unmeasured: [], work: null } as const;
    const findings: Finding[] = [];
    const { ratios } = vehicle.variant.gearbox;
    if (drive.unit.sheet.output === 'gearboxInput' && revision.gear !== null)
      findings.push({
        ...base,
        subject: 'gear left engaged',
        verdict: Number.isInteger(revision.gear) && ratios[revision.gear - 1] ? 'fits' : 'doesNotFit',
        left: { value: revision.gear, kind: 'count', source: 'design' },
        right: { value: ratios.length, kind: 'count', source: 'library' },
        margin: null,
      });
    const engaged = sheet.get(gearing).value;
    const kmh = Math.max(use.constantKmh, wishes.speedKmh ?? 0);
    const unasked = wishes.speedKmh === null && isUsualUse(use);
    const turns = engaged ? rpmOf(kmh, engaged.ratio, engaged.wheelRadiusM) : null;
    const most = drive.unit.sheet.maxRpm;
    findings.push({
      ...base,
      subject: `${drive.unit.name} at ${Math.round(kmh)} km/h`,
      verdict: turns === null ? 'measureFirst' : turns <= most ? 'fits' : unasked ? 'measureFirst' : 'doesNotFit',
      left: { value: turns, kind: 'rotation', source: 'design' },
      right: { value: most, kind: 'rotation', source: 'sheet' },
      margin: turns === null ? null : { value: most - turns, kind: 'rotation' },
    });
    return findings;
  },
};
