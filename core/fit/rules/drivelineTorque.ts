import { drivelineWorst } from '../../figures/drive/drivelineWorst.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to set and prove a torque cap in the controller, common practice. */
const CAP_HOURS = 0.5;

/** Torque on the weakest kept part; over its limit the kit fits with a software cap, which is named. */
export const drivelineTorque: FitRule = {
  id: 'drivelineTorque',
  judge: ({ sheet }): Finding[] => {
    const worst = sheet.get(drivelineWorst).value?.[0];
    if (!worst) return [];
    return [
      {
        rule: 'drivelineTorque',
        subject: worst.part,
        verdict: worst.margin >= 1 ? 'fits' : 'afterWork',
        left: { value: worst.torqueNm, kind: 'torque', source: 'design' },
        right: { value: worst.limitNm, kind: 'torque', source: 'library' },
        margin: { value: worst.limitNm - worst.torqueNm, kind: 'torque' },
        unmeasured: [],
        work: worst.margin >= 1 ? null : { hours: CAP_HOURS, capNm: worst.capNm },
      },
    ];
  },
};
