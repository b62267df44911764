/**
 * The steps of a job in the order of work. Each keeps the key of its place among the eleven steps of the whole trade
 * (Brief 1 … Hand over −), so that keys do not move when a step in between comes into use.
 */
export const STEPS = [
  { id: 'brief', name: 'Brief', key: '1' },
  { id: 'vehicle', name: 'Vehicle', key: '2' },
  { id: 'size', name: 'Size', key: '3' },
  { id: 'match', name: 'Match', key: '4' },
  { id: 'price', name: 'Price', key: '5' },
  { id: 'parts', name: 'Parts', key: '6' },
  { id: 'plan', name: 'Plan', key: '7' },
  { id: 'build', name: 'Build', key: '9' },
  { id: 'prove', name: 'Prove', key: '0' },
] as const;

export type StepId = (typeof STEPS)[number]['id'];

export const stepByKey = (key: string) => STEPS.find((step) => step.key === key);
export const isStep = (id: string | undefined): id is StepId => STEPS.some((step) => step.id === id);
