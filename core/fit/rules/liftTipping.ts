import { tipping, tippingByStage } from '../../figures/balance/tipping.ts';
import { kitStages } from '../../kit/kit.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to strap or prop the far end; common practice. */
const STRAP_HOURS = 0.5;

/** Where the mass centre lies on the lift after each stage, in the kit's own order. */
export const liftTipping: FitRule = {
  id: 'liftTipping',
  judge: ({ sheet, revision, vehicle, options }): Finding[] => {
    const found = sheet.get(tipping).value;
    if (!found) return [];
    const stages = kitStages(revision, vehicle.variant.id, options);
    const states = tippingByStage(found, stages);
    const worst = states.reduce((a, b) => (b.insideMm < a.insideMm ? b : a), states[0]!);
    if (!worst) return [];
    return [
      {
        rule: 'liftTipping',
        subject: worst.step.name,
        verdict: worst.state === 'safe' ? 'fits' : 'afterWork',
        left: { value: worst.centreXMm, kind: 'length', source: 'design' },
        right: {
          value: found.pads.frontMm,
          to: found.pads.rearMm,
          kind: 'length',
          source: vehicle.variant.liftPads ? 'library' : 'assumed',
        },
        margin: { value: worst.insideMm, kind: 'length' },
        unmeasured: [],
        work:
          worst.state === 'safe'
            ? null
            : { hours: STRAP_HOURS, step: `Support the far end before “${worst.step.name}”` },
      },
    ];
  },
};
