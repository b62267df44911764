import { mountLoads } from '../../drive/mounts.ts';
import { figure, interim, interimAnswer, missing } from '../figure.ts';
import { gearing } from './gearing.ts';
import { motorNow } from './motorNow.ts';

/** Load on each mounting point the cradle picks up, worst first. */
export const mounts = interim({
  id: 'mounts',
  needs: { motorNow, gearing },
  reads: ['electric', 'vehicle', 'drive'],
  compute: ({ motorNow: motor, gearing: g }, { electric, vehicle, drive }) => {
    const points = vehicle.variant.mountingPoints.filter((point) => electric.cradlePoints.includes(point.key));
    if (points.length === 0) return missing('noCradle');
    // What turns inside the casing reacts on its mounts: reducer or gear, never the hubs' reduction out at the wheels.
    const massKg = (drive.unit?.massKg ?? 0) * drive.motors;
    const loads = mountLoads(points, motor.peak.peakTorqueNm * g.reducer * g.efficiency, massKg);
    return loads ? interimAnswer(loads, 'moments about the mounts') : missing('mountsInLine');
  },
});

/** Spare strength of the hardest pressed mounting point: rating ÷ load − 1. */
export const mountMargin = figure({
  id: 'mountMargin',
  name: 'Spare strength of the mounts',
  group: 'driveline',
  kind: 'share',
  needs: { mounts },
  compute: ({ mounts: loads }) => {
    const worst = loads[0]!;
    return {
      value: worst.margin - 1,
      formula: `rating of ${worst.point} ÷ (torque ÷ lever ÷ points in line + share of weight) − 1`,
      terms: loads.map((load) => ({ symbol: load.point, value: load.forceN, kind: 'force' as const })),
      source: 'moments; the points in line take the reaction, forward and in reverse',
    };
  },
});
