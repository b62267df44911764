import type { NeedRow } from '../../../contract/needs.ts';
import { lineCents } from '../../../core/buying/purchase.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { stockText } from '../../../wording/stores.ts';
import { useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { OrderThese } from './OrderThese.tsx';

interface OfSupplier {
  readonly supplierId: string;
  readonly supplier: string;
  readonly rows: readonly NeedRow[];
  readonly cents: number;
  readonly by: string | null;
}

/** What is to be ordered, supplier by supplier: those first that press. */
function bySupplier(rows: readonly NeedRow[]): OfSupplier[] {
  const lists = new Map<string, NeedRow[]>();
  for (const row of rows) if (row.order > 0) lists.set(row.supplierId, [...(lists.get(row.supplierId) ?? []), row]);
  return [...lists]
    .map(([supplierId, of]) => ({
      supplierId,
      supplier: of[0]!.supplier,
      rows: of,
      cents: of.reduce((sum, row) => sum + lineCents(row.order, row.unitSize, row.priceCents), 0),
      by: of.reduce<string | null>(
        (first, { orderBy }) => (orderBy && (!first || orderBy < first) ? orderBy : first),
        null,
      ),
    }))
    .sort((a, b) => ((a.by ?? '9') < (b.by ?? '9') ? -1 : 1));
}

export function Suggested({ rows }: { rows: readonly NeedRow[] }) {
  const set = useUnitSet();
  const suppliers = bySupplier(rows);
  if (suppliers.length === 0) return null;
  return (
    <Panel title="To be ordered" aside="by supplier, at the prices of the catalogue">
      <div className="in">
        <DataTable
          label="To be ordered"
          rows={suppliers}
          rowKey={({ supplierId }) => supplierId}
          columns={({ words, figures, actions }) => [
            words('Supplier', ({ supplier }) => <span className="strong">{supplier}</span>),
            words('What', ({ rows: of }) =>
              of.map((row) => `${stockText(row.order, row.unitSize)} × ${row.name}`).join(' · '),
            ),
            words('First by', ({ by }) => (by ? dayText(by) : '')),
            figures('Comes to', ({ cents }) => formatQuantity(cents, 'money', set, { digits: 0 })),
            actions('Order', (one) => <OrderThese supplierId={one.supplierId} rows={one.rows} />),
          ]}
        />
      </div>
    </Panel>
  );
}
