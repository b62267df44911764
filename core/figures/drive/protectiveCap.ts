import { solveChain } from '../../chain/solve.ts';
import { accelerate } from '../../drive/accelerate.ts';
import type { GearWay } from '../../drive/gears.ts';
import { motorPull } from '../../drive/pull.ts';
import { figure, missing } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { chainPeak } from './chain.ts';
import { drivelineWorst } from './drivelineWorst.ts';
import { pull } from './pull.ts';
import { runUp } from './runUp.ts';

/** Motor torque that keeps the weakest kept part within its limit, as it is set: whole newton-metres. */
export const protectiveCap = figure({
  id: 'protectiveCap',
  name: 'Cap that protects the driveline',
  group: 'driveline',
  kind: 'torque',
  needs: { drivelineWorst },
  compute: ({ drivelineWorst: loads }) => {
    const worst = loads[0]!;
    return {
      value: worst.capNm,
      formula: `limit of ${worst.part} ÷ reductions before it, down to a whole N·m`,
      terms: [
        { symbol: 'limit', value: worst.limitNm, kind: 'torque' },
        { symbol: 'torque on it now', value: worst.torqueNm, kind: 'torque' },
      ],
      source: 'library limits of the variant',
    };
  },
});

/** Seconds that the protective cap adds to 0–50 km/h; none where nothing is overloaded. */
export const capCost = figure({
  id: 'capCost',
  name: 'That cap costs, 0 to 50 km/h',
  group: 'driveline',
  kind: 'duration',
  needs: { protectiveCap, chainPeak, pull, runUp, roadVehicle },
  reads: ['drive'],
  compute: ({ protectiveCap: cap, chainPeak: chain, pull: p, runUp: run, roadVehicle: vehicle }, { drive }) => {
    const now = run.secondsTo.get(50) ?? null;
    if (now === null) return missing('neverReached');
    const terms = [
      { symbol: 'cap', value: cap, kind: 'torque' as const },
      { symbol: '0–50 km/h without it', value: now, kind: 'duration' as const },
    ];
    const answer = { formula: '0–50 km/h with the cap − without it', source: 'the same run with less torque' };
    if (cap >= chain.motor.peakTorqueNm) return { ...answer, value: 0, terms };
    // Less torque lets the voltage stand higher: the chain is solved anew.
    const { motor: capped } = solveChain({ ...chain.ask, motor: { ...chain.ask.motor, torqueCapNm: cap } });
    const at = (way: GearWay) => (v: number) => Math.min(motorPull(capped, way, v), p.gripDryN);
    const slower =
      accelerate(vehicle, at(p.engaged.way), [50], {
        upper: p.upper.map((gear) => at(gear.way)),
        shiftTimeS: drive.shiftTimeS,
      }).secondsTo.get(50) ?? null;
    if (slower === null) return missing('neverReached');
    return { ...answer, value: Math.max(0, slower - now), terms };
  },
});
