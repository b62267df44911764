import type { TipState } from '../core/balance/tipping.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';

export const TIP_SAY: Readonly<Record<TipState['state'], string>> = {
  safe: 'safe',
  near: 'near a pad',
  tips: 'tips off the lift',
};

/** Where the mass centre lies after a step, and what to do about it where that is too near a pad or beyond it. */
export function tipSentence({ step, insideMm, state }: TipState, set: UnitSet): string {
  const mm = formatQuantity(Math.abs(insideMm), 'length', set);
  const lies = `After ${step.name} the mass centre lies ${mm} ${insideMm < 0 ? 'outside' : 'from'} a pad`;
  return state === 'safe' ? `${lies}.` : `${lies}: stand the vehicle under both ends, or take another order.`;
}
