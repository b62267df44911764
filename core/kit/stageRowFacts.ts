import type { StageTemplate } from './kit.ts';

/** A stage of a job as far as a template can be made of it. */
export interface StageRowFacts extends Omit<StageTemplate, 'skill' | 'appliesWhen'> {
  readonly skill: string;
  readonly hoursClocked: number;
  readonly hoursRework: number;
}
