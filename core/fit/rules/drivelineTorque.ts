import { measureFirst } from '../../drive/driveline.ts';
import { drivelineWorst, keptDriveline } from '../../figures/drive/drivelineWorst.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to set and prove a torque cap in the controller, common practice. */
const CAP_HOURS = 0.5;

/**
 * Torque on the weakest kept part; over its limit the kit fits with a software cap, which is named. In a low range the same
 * motor turns harder on everything behind the transfer case. Parts nobody has rated, or only by power, are measured first.
 */
export const drivelineTorque: FitRule = {
  id: 'drivelineTorque',
  judge: ({ sheet, vehicle }): Finding[] => {
    const { unit, transferLow } = sheet.slots.drive;
    if (!unit) return [];
    const { gearbox, driveline } = vehicle.variant;
    const base = { rule: 'drivelineTorque', unmeasured: [] } as const;
    const loads = sheet.get(drivelineWorst).value ?? [];
    const findings: Finding[] = measureFirst(keptDriveline(driveline, unit.sheet.output)).map(
      ({ part, powerOnlyW }) => ({
        ...base,
        subject: part,
        verdict: 'measureFirst',
        left: { value: powerOnlyW ?? null, kind: 'shaftPower', source: 'library' },
        right: { value: null, kind: 'torque', source: 'library' },
        margin: null,
        work: null,
      }),
    );
    const [worst] = loads;
    if (!worst && findings.length === 0)
      findings.push({
        ...base,
        subject: 'driveline that stays',
        verdict: 'measureFirst',
        left: { value: null, kind: 'torque', source: 'design' },
        right: { value: null, kind: 'torque', source: 'library' },
        margin: null,
        work: null,
      });
    const told = (subject: string, torqueNm: number, limitNm: number, work: Finding['work']) =>
      findings.push({
        ...base,
        subject,
        verdict: limitNm >= torqueNm ? 'fits' : 'afterWork',
        left: { value: torqueNm, kind: 'torque', source: 'design' },
        right: { value: limitNm, kind: 'torque', source: 'library' },
        margin: { value: limitNm - torqueNm, kind: 'torque' },
        work: limitNm >= torqueNm ? null : work,
      });
    if (worst) told(worst.part, worst.torqueNm, worst.limitNm, { hours: CAP_HOURS, capNm: worst.capNm });
    const low = gearbox.transferLow;
    if (low !== undefined && !transferLow && unit.sheet.output !== 'halfShafts') {
      const more = low / (gearbox.transfer || 1);
      const behind = loads.filter(({ part }) => driveline.some((one) => one.part === part && one.after !== 'motor'));
      const [weakest] = behind;
      if (weakest) {
        const capNm = Math.floor(weakest.capNm / more + 1e-9);
        told(`${weakest.part}, in low range`, weakest.torqueNm * more, weakest.limitNm, {
          hours: CAP_HOURS,
          step: `Cap the torque at ${capNm} N·m while the low range is in, and prove it`,
        });
      }
    }
    return findings;
  },
};
