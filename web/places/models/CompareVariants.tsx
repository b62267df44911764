import type { Variant } from '../../../core/vehicle/variant.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { VariantDifferences } from '../../widgets/VariantDifferences.tsx';

/** Two variants beside each other. */
export function CompareVariants({ variants }: { variants: readonly [Variant, Variant] }) {
  return (
    <Panel title="What differs" aside="only that">
      <div className="in">
        <VariantDifferences variants={variants} />
      </div>
    </Panel>
  );
}
