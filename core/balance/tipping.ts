/** Where the lift bears the vehicle, mm behind the front axle line. */
export interface LiftPads {
  readonly frontMm: number;
  readonly rearMm: number;
}

/** One step of the work that moves the mass centre: something taken out (negative) or put in. */
export interface TipStep {
  readonly name: string;
  readonly massKg: number;
  readonly xMm: number;
}

export interface TipState {
  readonly step: TipStep;
  readonly massKg: number;
  readonly centreXMm: number;
  /** Distance to the nearer pad, inside positive, mm. */
  readonly insideMm: number;
  /** `tips`: outside the pads; `near`: closer to a pad than the margin; `safe`. */
  readonly state: 'safe' | 'near' | 'tips';
}

/** The mass centre keeps this part of the distance between the pads away from either; common practice. */
export const PAD_MARGIN = 0.1;

/** Pads under the sills of an ordinary vehicle, as shares of the wheelbase; common practice, measure the lift's own. */
export const usualPads = (wheelbaseMm: number): LiftPads => ({
  frontMm: Math.round(wheelbaseMm * 0.15),
  rearMm: Math.round(wheelbaseMm * 0.85),
});

/** The mass centre on the lift after every step in the order given (moments; trade §5.17). */
export function onTheLift(
  before: { readonly massKg: number; readonly centreXMm: number },
  steps: readonly TipStep[],
  pads: LiftPads,
): TipState[] {
  let massKg = before.massKg;
  let moment = before.massKg * before.centreXMm;
  return steps.map((step) => {
    massKg += step.massKg;
    moment += step.massKg * step.xMm;
    return stateOf(step, massKg, moment / massKg, pads);
  });
}

function stateOf(step: TipStep, massKg: number, centreXMm: number, { frontMm, rearMm }: LiftPads): TipState {
  const insideMm = Math.min(centreXMm - frontMm, rearMm - centreXMm);
  const state = insideMm < 0 ? 'tips' : insideMm < PAD_MARGIN * (rearMm - frontMm) ? 'near' : 'safe';
  return { step, massKg, centreXMm, insideMm, state };
}

/**
 * An order of the same steps that keeps the mass centre as far inside as it can: at each step the one that leaves most
 * room, what is taken out not having to come first. A proposal, for whoever knows what can be reached when.
 */
export function safestOrder(
  before: { readonly massKg: number; readonly centreXMm: number },
  steps: readonly TipStep[],
  pads: LiftPads,
): TipStep[] {
  const left = [...steps];
  const order: TipStep[] = [];
  let { massKg } = before;
  let moment = before.massKg * before.centreXMm;
  while (left.length > 0) {
    let best = 0;
    let most = Number.NEGATIVE_INFINITY;
    for (const [i, step] of left.entries()) {
      const centreXMm = (moment + step.massKg * step.xMm) / (massKg + step.massKg);
      const insideMm = Math.min(centreXMm - pads.frontMm, pads.rearMm - centreXMm);
      if (insideMm > most) [best, most] = [i, insideMm];
    }
    const [next] = left.splice(best, 1) as [TipStep];
    order.push(next);
    massKg += next.massKg;
    moment += next.massKg * next.xMm;
  }
  return order;
}
