import type { Variant } from '../core/vehicle/variant.ts';
import models from './models.json' with { type: 'json' };

export interface DemoModel {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly variants: readonly Variant[];
}

/**
 * Six invented models with two variants each, which differ where it matters to a kit: the two Wrens in the place of
 * their lower mounts, the Fourteens in wheelbase, the Fells in their electrics.
 */
export const MODELS = models as unknown as readonly DemoModel[];
