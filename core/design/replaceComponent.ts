import { type DesignInputs, electricChoice } from './inputs.ts';

/**
 * A design with one component for another wherever it names it: the newer revision of a part, say. What the design itself
 * says of the part (how many, where, what a cable carries here) stays.
 */
export function replaceComponent(inputs: DesignInputs, from: string, to: string): DesignInputs {
  const one = (id: string | null): string | null => (id === from ? to : id);
  const { ampacity } = electricChoice(inputs);
  const changed: DesignInputs = {
    ...inputs,
    moduleId: one(inputs.moduleId),
    driveId: one(inputs.driveId),
    inverterId: one(inputs.inverterId),
    chargerId: one(inputs.chargerId),
    inletId: one(inputs.inletId),
    boxes: inputs.boxes.map((box) => (box.moduleId === from ? { ...box, moduleId: to } : box)),
    others: inputs.others.map((part) => (part.componentId === from ? { ...part, componentId: to } : part)),
  };
  if (!(from in ampacity)) return changed;
  const { [from]: carries, ...rest } = ampacity;
  return { ...changed, electric: { ...inputs.electric, ampacity: { ...rest, [to]: carries! } } };
}
