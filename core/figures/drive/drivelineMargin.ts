import { figure } from '../figure.ts';
import { drivelineWorst } from './drivelineWorst.ts';

/** Spare strength of the weakest kept part: limit ÷ torque − 1. Negative: it can be broken. */
export const drivelineMargin = figure({
  id: 'drivelineMargin',
  name: 'Spare strength of driveline',
  group: 'driveline',
  kind: 'share',
  needs: { drivelineWorst },
  compute: ({ drivelineWorst: loads }) => {
    const worst = loads[0]!;
    return {
      value: worst.margin - 1,
      formula: `limit of ${worst.part}${worst.mode ? ` in ${worst.mode}` : ''} ÷ torque on it − 1`,
      terms: [
        { symbol: 'limit', value: worst.limitNm, kind: 'torque' },
        { symbol: 'torque on it', value: worst.torqueNm, kind: 'torque' },
        { symbol: 'motor torque that stays within it', value: worst.capNm, kind: 'torque' },
      ],
      source: `library limits of the variant, ${worst.lasts === 'good' ? 'for good' : 'for a moment'}`,
    };
  },
});
