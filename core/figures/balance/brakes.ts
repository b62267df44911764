import {
  type BrakeStance,
  idealFrontShare,
  REVIEW_G,
  rearLiftsAtG,
  rearLocksFromG,
  regenShareOfStop,
  stopEnergyWh,
} from '../../balance/brakes.ts';
import { topSpeed } from '../drive/topSpeed.ts';
import { figure, interim, interimAnswer } from '../figure.ts';
import { driveLine } from '../road/driveLine.ts';
import { ROTATION_FACTOR } from '../road/roadVehicle.ts';
import { ladenLoads } from './ladenLoads.ts';
import { unladenLoads } from './unladenLoads.ts';

/** An ordinary stop in traffic, in g: common practice. */
const ORDINARY_STOP_G = 0.3;

export interface BrakesReview {
  readonly rows: readonly {
    readonly g: number;
    readonly before: number;
    readonly now: number;
    readonly laden: number;
  }[];
  /** Decelerations at which the rear wheels lift, in g. */
  readonly liftsBefore: number;
  readonly liftsLaden: number;
  /** The share the brakes are built for, and from where on the rear wheels lock first with it, in g; null: not known. */
  readonly installed: {
    readonly frontShare: number;
    readonly locksBefore: number;
    readonly locksNow: number;
    readonly locksLaden: number;
  } | null;
}

/** Ideal front shares at several decelerations, before the conversion and after it. */
export const brakesReview = interim({
  id: 'brakesReview',
  needs: { unladenLoads, ladenLoads },
  reads: ['vehicle'],
  compute: ({ unladenLoads: now, ladenLoads: laden }, { vehicle }, read) => {
    const stance = (frontKg: number, rearKg: number): BrakeStance => ({
      frontKg,
      rearKg,
      wheelbaseMm: read('wheelbase'),
      massCentreHeightMm: read('massCentreHeight'),
    });
    const was = stance(read('frontAxleMass'), read('rearAxleMass'));
    const is = stance(now.frontKg, now.rearKg);
    const full = stance(laden.frontKg, laden.rearKg);
    const frontShare = vehicle.variant.frontBrakeShare;
    const review: BrakesReview = {
      rows: REVIEW_G.map((g) => ({
        g,
        before: idealFrontShare(was, g),
        now: idealFrontShare(is, g),
        laden: idealFrontShare(full, g),
      })),
      liftsBefore: rearLiftsAtG(was),
      liftsLaden: rearLiftsAtG(full),
      installed:
        frontShare === undefined
          ? null
          : {
              frontShare,
              locksBefore: rearLocksFromG(was, frontShare),
              locksNow: rearLocksFromG(is, frontShare),
              locksLaden: rearLocksFromG(full, frontShare),
            },
    };
    return interimAnswer(review, 'moments with the transfer of load');
  },
});

export const stopEnergy = figure({
  id: 'stopEnergy',
  name: 'One stop from top speed, laden',
  group: 'weight',
  kind: 'energy',
  needs: { ladenLoads, topSpeed },
  compute: ({ ladenLoads: loads, topSpeed: kmh }) => ({
    value: stopEnergyWh(loads.totalKg, ROTATION_FACTOR, kmh / 3.6),
    formula: 'E = ½·m·k·v²',
    terms: [
      { symbol: 'm, laden', value: loads.totalKg, kind: 'mass' },
      { symbol: 'v', value: kmh, kind: 'speed' },
    ],
    source: 'mechanics; for a brake specialist, not a verdict',
  }),
});

export const stopRegen = figure({
  id: 'stopRegen',
  name: 'Of an ordinary stop, regeneration takes',
  group: 'weight',
  kind: 'share',
  needs: { ladenLoads, topSpeed, driveLine },
  compute: ({ ladenLoads: loads, topSpeed: kmh, driveLine: line }) => ({
    value: regenShareOfStop(loads.totalKg, ROTATION_FACTOR, kmh / 3.6, ORDINARY_STOP_G, line.regenPowerW),
    formula: 'P put back ÷ (m·k·0.3·g·v ÷ 2), from top speed',
    terms: [
      { symbol: 'P put back, most', value: line.regenPowerW, kind: 'electricPower' },
      { symbol: 'm, laden', value: loads.totalKg, kind: 'mass' },
      { symbol: 'v', value: kmh, kind: 'speed' },
    ],
    source: '0.3 g common practice; a full or cold pack takes less',
  }),
});
