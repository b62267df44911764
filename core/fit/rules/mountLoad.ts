import { mounts } from '../../figures/drive/mountMargin.ts';
import type { Finding, FitRule } from '../finding.ts';

/** What the drive's torque and weight put on each point its cradle picks up, against what the point bears. */
export const mountLoad: FitRule = {
  id: 'mountLoad',
  judge: ({ sheet, parts }): Finding[] => {
    const cradle = parts.find(({ component }) => component.kind === 'cradle');
    if (!cradle || !sheet.slots.drive.unit) return [];
    const base = { rule: 'mountLoad', unmeasured: [], work: null } as const;
    const loads = sheet.get(mounts).value;
    if (!loads)
      return [
        {
          ...base,
          subject: cradle.component.name,
          verdict: 'measureFirst',
          left: { value: null, kind: 'force', source: 'design' },
          right: { value: null, kind: 'force', source: 'library' },
          margin: null,
        },
      ];
    return loads.map(({ point, forceN, ratedN }) => ({
      ...base,
      subject: point,
      verdict: ratedN >= forceN ? ('fits' as const) : ('doesNotFit' as const),
      left: { value: forceN, kind: 'force' as const, source: 'design' as const },
      right: { value: ratedN, kind: 'force' as const, source: 'library' as const },
      margin: { value: ratedN - forceN, kind: 'force' as const },
    }));
  },
};
