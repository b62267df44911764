import { variantSchema } from '../../contract/variants.ts';
import { revisionOf } from '../../core/vehicle/revisions.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import { differences } from '../../wording/differences.ts';
import { VEHICLE_FIGURE_NAME } from '../../wording/figures.ts';
import { DataTable } from './DataTable.tsx';
import { useShown } from './useShown.ts';

/** The name of a difference: figures go by their keys in the schema, and by their names here. */
export const told = (name: string): string =>
  name
    .split(', ')
    .filter((part) => part !== 'figures' && part !== 'Value')
    .map((part) => (VEHICLE_FIGURE_NAME as Readonly<Record<string, string>>)[part] ?? part)
    .join(', ');

/** What one variant has otherwise than another: differences only. */
export function VariantDifferences({ variants: [a, b] }: { variants: readonly [Variant, Variant] }) {
  const shown = useShown();
  const rows = differences(variantSchema, [bare(a), bare(b)], shown);
  if (rows.length === 0) return <p className="soft">They are alike.</p>;
  return (
    <DataTable
      label="Differences of two variants"
      rows={rows}
      columns={({ words }) => [
        words('What', ({ name }) => told(name)),
        words(headOf(a, b), ({ values }) => values[0]),
        words(headOf(b, a), ({ values }) => values[1]),
      ]}
    />
  );
}

const bare = ({ id: _, version: __, ...body }: Variant) => body;

/** Two revisions of one variant are told apart by their numbers, two variants by their names. */
const headOf = (one: Variant, other: Variant): string =>
  one.name === other.name && one.modelName === other.modelName
    ? `Revision ${revisionOf(one.id)}`
    : `${one.modelName} ${one.name}`;
