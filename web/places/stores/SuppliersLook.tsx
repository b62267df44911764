import { useNavigate } from 'react-router';
import { supplierAddress } from '../../../contract/suppliers.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { OfferRounds } from './OfferRounds.tsx';
import { SupplierPanel } from './SupplierPanel.tsx';

const days = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`;

/** Suppliers by how they keep promises, what was asked of them, and what they offer at equal cover. */
export function SuppliersLook({ picked }: { picked: string | null }) {
  const { data, error } = useOfAddress(supplierAddress.list, {});
  const navigate = useNavigate();
  const shown = picked ?? data?.find(({ openNotes }) => openNotes > 0)?.id ?? data?.[0]?.id ?? null;
  return (
    <div className="stores-columns">
      <div className="stack">
        <Panel
          title="Suppliers"
          aside={
            <span className="row">
              by what has come
              <TableFile href={fileUrl(supplierAddress.table, {})} what="Suppliers" />
            </span>
          }
        >
          <div className="in">
            {error && <p className="stop">{error.message}</p>}
            <DataTable
              label="Suppliers"
              rows={data ?? []}
              least={620}
              rowKey={({ id }) => id}
              rowMark={(row) => ({ 'data-supplier': row.id, className: row.id === shown ? 'picked' : '' })}
              empty={data ? 'None yet: a supplier comes with the first component of theirs.' : 'One moment …'}
              columns={({ words, figures }) => [
                words('Supplier', (row) => (
                  <>
                    <button
                      type="button"
                      className="link-like strong"
                      onClick={() => navigate(`/stores/suppliers/${row.id}`)}
                    >
                      {row.name}
                    </button>
                    <div className="soft small">{row.contact}</div>
                  </>
                )),
                figures('Parts', (row) => row.components),
                figures('On order', (row) => row.openOrders || ''),
                words('Promises', (row) =>
                  row.came === 0 ? (
                    <span className="soft">nothing has come yet</span>
                  ) : (
                    <>
                      <span className={row.late * 2 > row.came ? 'stop' : ''}>
                        {row.late === 0
                          ? row.came === 1
                            ? 'the one kept'
                            : `all ${row.came} kept`
                          : `late ${row.late} of ${row.came}`}
                      </span>
                      {row.late > 0 && (
                        <span className="soft">{`, ${days(row.medianLateDays ?? 0)} at the median`}</span>
                      )}
                    </>
                  ),
                ),
                figures('Damaged or wrong', (row) =>
                  row.bad > 0 ? <span className="wait">{`${row.bad} of ${row.pieces}`}</span> : '',
                ),
                figures('Open', (row) => (row.openNotes > 0 ? <span className="wait">{row.openNotes}</span> : '')),
              ]}
            />
          </div>
        </Panel>
        <OfferRounds />
      </div>
      <div className="stack">{shown && <SupplierPanel key={shown} id={shown} />}</div>
    </div>
  );
}
