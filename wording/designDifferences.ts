import { designInputsSchema } from '../contract/design.ts';
import { completeDesign } from '../core/design/complete.ts';
import type { DesignInputs } from '../core/design/inputs.ts';
import { type DifferenceRow, differences, type Shown } from './differences.ts';

/** The choices in which designs differ; what is left out counts as its default. */
export const designDifferences = (designs: readonly DesignInputs[], shown: Shown): DifferenceRow[] =>
  differences(designInputsSchema, designs.map(completeDesign), shown);
