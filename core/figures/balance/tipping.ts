import type { MassItem } from '../../balance/axleLoads.ts';
import { type LiftStage, stageSteps } from '../../balance/liftStages.ts';
import { type LiftPads, onTheLift, safestOrder, type TipState, usualPads } from '../../balance/tipping.ts';
import { interim, interimAnswer, missing } from '../figure.ts';
import { massItems } from './massItems.ts';

export interface Tipping {
  /** The vehicle as it comes, what the work moves, and where it stands: for whoever knows the order of the stages. */
  readonly before: { readonly massKg: number; readonly centreXMm: number };
  readonly changes: readonly MassItem[];
  readonly wheelbaseMm: number;
  readonly pads: LiftPads;
  readonly steps: readonly TipState[];
}

/** The mass centre on the lift after everything that is taken out, then everything that goes in. */
export const tipping = interim({
  id: 'tipping',
  needs: { massItems },
  reads: ['vehicle'],
  compute: ({ massItems: items }, { vehicle }, read) => {
    const [front, rear, ...changes] = items;
    if (!front || !rear || changes.length === 0) return missing('noModules');
    const wheelbase = read('wheelbase');
    const massKg = front.massKg + rear.massKg;
    const before = { massKg, centreXMm: (rear.massKg * wheelbase) / massKg };
    const pads = vehicle.variant.liftPads ?? usualPads(wheelbase);
    const order = [...changes.filter((one) => one.massKg < 0), ...changes.filter((one) => one.massKg >= 0)];
    const steps = onTheLift(before, order, pads);
    return interimAnswer<Tipping>({ before, changes, wheelbaseMm: wheelbase, pads, steps }, 'moments');
  },
});

/** The same steps in an order that keeps more room; null where the first is as good. */
export const saferOrder = interim({
  id: 'saferOrder',
  needs: { tipping },
  reads: [],
  compute: ({ tipping: { before, steps, pads } }) => {
    const order = steps.map(({ step }) => step);
    const least = (states: readonly TipState[]) => Math.min(...states.map((one) => one.insideMm));
    const safer = onTheLift(before, safestOrder(before, order, pads), pads);
    return interimAnswer<readonly TipState[] | null>(least(safer) > least(steps) + 1 ? safer : null, 'moments');
  },
});

/** The mass centre after every stage, in the order the job has them; the trade's usual order without stages. */
export const tippingByStage = (
  { before, changes, wheelbaseMm, pads }: Tipping,
  stages?: readonly LiftStage[],
): TipState[] => onTheLift(before, stageSteps(changes, wheelbaseMm, stages), pads);
