import type { Library } from '../../../core/design/resolve.ts';
import { type KitRevision, kitParts } from '../../../core/kit/kit.ts';

/** What the parts of a kit cost on a variant as it is, with no option. */
export const partsCents = (revision: KitRevision, library: Library, variantId: string): number =>
  kitParts(revision, library, variantId, []).reduce(
    (sum, { component, quantity }) => sum + component.priceCents * quantity,
    0,
  );
