/** The steps of a part that is made in the house, in the order of work (trade: design → cut → bend → weld → test fit → coat). */
export const FABRICATION_STEPS = ['design', 'cut', 'bend', 'weld', 'testFit', 'coat'] as const;
export type FabricationStep = (typeof FABRICATION_STEPS)[number];
/** Where a made part stands: at a step, or made. */
export const FABRICATION_STATES = [...FABRICATION_STEPS, 'made'] as const;
export type FabricationState = (typeof FABRICATION_STATES)[number];

export type FabricationRefusal = 'same' | 'reasonNeeded' | 'noDrawing';

const at = (state: FabricationState): number => FABRICATION_STATES.indexOf(state);

/** Is this going back? */
export const goesBack = (from: FabricationState, to: FabricationState): boolean => at(to) < at(from);

/** Steps that are passed over on the way. */
export const passedOver = (from: FabricationState, to: FabricationState): readonly FabricationStep[] =>
  goesBack(from, to) ? [] : FABRICATION_STEPS.slice(at(from) + 1, at(to));

/**
 * Why a made part cannot go from one step to another, or null. Every step may come back, and a flat bracket is not bent: both
 * are told with a reason. Nothing is cut without a drawing.
 *
 * @param drawings attached to it
 */
export function fabricationRefusal(
  from: FabricationState,
  to: FabricationState,
  reason: string,
  drawings: number,
): FabricationRefusal | null {
  if (from === to) return 'same';
  if (from === 'design' && !goesBack(from, to) && drawings === 0) return 'noDrawing';
  const told = reason.trim().length >= 3;
  return (goesBack(from, to) || passedOver(from, to).length > 0) && !told ? 'reasonNeeded' : null;
}
