import type { StageTemplate } from './kit.ts';

/** A stage of a job as far as a template can be made of it. */
export interface StageRowFacts extends Omit<StageTemplate, 'skill' | 'appliesWhen' | 'mostPeople'> {
  readonly skill: string;
  readonly mostPeople: number | null;
  readonly hoursClocked: number;
  readonly hoursRework: number;
}
