import Joi from 'joi';
import type { Learnt, StageActual } from '../core/learning/learnt.ts';
import { address, answers } from './address.ts';
import { type Made, number, slug } from './fields.ts';

/** An estimate that was adopted, with who did so and what was reckoned with before. */
export interface AdoptedRow {
  readonly hours: number;
  readonly lowHours: number;
  readonly highHours: number;
  readonly vehicles: number;
  readonly beforeHours: number;
  readonly by: string;
  readonly at: string;
}

/** A stage of a kit: what is reckoned with, what finished vehicles took, and what they speak for. */
export interface EstimateRow {
  readonly key: string;
  readonly name: string;
  /** For this variant only; null: for all of the kit's. */
  readonly variantId: string | null;
  readonly variantName: string | null;
  /** What plans and offers reckon with now. */
  readonly standing: number;
  readonly adopted: AdoptedRow | null;
  readonly learnt: Learnt | null;
  readonly worth: boolean;
  readonly actuals: readonly StageActual[];
  /** Stages that are not begun whose hours adopting would change, and the jobs they are of. */
  readonly moves: readonly string[];
}

export interface EstimateSheet {
  readonly rows: readonly EstimateRow[];
  /** Hours taken for each hour planned, over all finished vehicles of the kit; null where there are none. */
  readonly accuracy: number | null;
  readonly vehicles: number;
}

export interface AdoptBody {
  readonly key: string;
  readonly variantId: string | null;
  /** As they were seen: what is reckoned with, and what is adopted in its place. */
  readonly standing: number;
  readonly hours: number;
}
const adoptSchema = Joi.object<AdoptBody, true>({
  key: slug('Stage').required(),
  variantId: slug('Variant').allow(null).required(),
  standing: number('Reckoned with', 0, 10_000).required(),
  hours: number('Hours', 0.01, 10_000).required(),
});

export const estimateAddress = {
  ofKit: address({ method: 'get', path: '/kits/:kit/estimates', may: 'viewer', answer: answers<EstimateSheet>() }),
  adopt: address({
    method: 'post',
    path: '/kits/:kit/estimates',
    may: 'manager',
    body: adoptSchema,
    answer: answers<Made>(),
  }),
} as const;
