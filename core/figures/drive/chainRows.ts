import { type ChainRow, chainRows } from '../../chain/rows.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';
import { chainPeak } from './chain.ts';
import { drivelineWorst } from './drivelineWorst.ts';
import { pull } from './pull.ts';

/** Every link from cell to road with what it allows and what full throttle asks of it. */
export const chainLinks: Entry<readonly ChainRow[]> = interim({
  id: 'chainLinks',
  needs: { chainPeak, pull },
  maybe: { drivelineWorst },
  compute: ({ chainPeak: chain, pull: p, drivelineWorst: parts }) => {
    const weakest = parts?.[0];
    return interimAnswer(
      chainRows(chain, [
        ...(weakest
          ? [
              {
                name: 'Driveline, weakest part',
                part: weakest.mode ? `${weakest.part}, ${weakest.mode}` : weakest.part,
                kind: 'torque' as const,
                limit: weakest.limitNm,
                asked: weakest.torqueNm,
                holds: false,
              },
            ]
          : []),
        {
          name: 'Grip of the tyres, dry',
          part: null,
          kind: 'force' as const,
          limit: p.gripDryN,
          asked: p.motorN(0),
          holds: p.heldBy(0).link === 'grip',
        },
      ]),
      'sheets of the parts, library limits, grip 0.8',
    );
  },
});
