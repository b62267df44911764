import type { FabricationRefusal, FabricationState } from '../core/fabrication/fabrication.ts';

export const FABRICATION_NAME: Readonly<Record<FabricationState, string>> = {
  design: 'Design',
  cut: 'Cut',
  bend: 'Bend',
  weld: 'Weld',
  testFit: 'Test fit',
  coat: 'Coat',
  made: 'Made',
};

export function fabricationSentence(refusal: FabricationRefusal): string {
  if (refusal === 'same') return 'it is at this step already.';
  if (refusal === 'noDrawing') return 'nothing is cut without a drawing. Attach it first.';
  return 'Say why it comes back, or why a step is passed over.';
}
