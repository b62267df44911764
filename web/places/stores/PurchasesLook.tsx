import { PlusOutlined, TableOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type PurchaseRow, purchaseAddress } from '../../../contract/purchases.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { inCurrency, PURCHASE_ASKS, PURCHASE_STATE_NAME } from '../../../wording/purchases.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { PurchaseForm } from './PurchaseForm.tsx';
import { PurchasePanel } from './PurchasePanel.tsx';

const MARK: Readonly<Record<PurchaseRow['state'], Mark>> = {
  draft: 'open',
  sent: 'waiting',
  confirmed: 'half',
  closed: 'done',
  cancelled: 'open',
};

const isOpen = ({ state, asks }: PurchaseRow) => asks.length > 0 || !['closed', 'cancelled'].includes(state);

/** What is on order, of whom, when it comes and what asks for somebody. */
export function PurchasesLook({ picked }: { picked: string | null }) {
  const { data, error } = useOfAddress(purchaseAddress.list, {});
  const { role } = usePerson();
  const set = useUnitSet();
  const navigate = useNavigate();
  const [all, setAll] = useState(false);
  const [writing, setWriting] = useState(false);
  const rows = (data ?? []).filter((row) => all || isOpen(row));
  const shown = picked ?? rows[0]?.number ?? null;
  return (
    <div className="stores-columns even">
      <Panel
        title="Orders"
        aside={
          <span className="row">
            <Segmented
              size="small"
              aria-label="Which orders"
              value={all ? 'all' : 'open'}
              options={[
                { value: 'open', label: `open ${(data ?? []).filter(isOpen).length}` },
                { value: 'all', label: `all ${data?.length ?? 0}` },
              ]}
              onChange={(which) => setAll(which === 'all')}
            />
            <Button size="small" icon={<TableOutlined />} href={fileUrl(purchaseAddress.table, {})}>
              CSV
            </Button>
            {hasRole(role, purchaseAddress.add.may) && (
              <Button size="small" icon={<PlusOutlined />} onClick={() => setWriting(true)}>
                Write one
              </Button>
            )}
          </span>
        }
      >
        <div className="in">
          {error && <p className="stop">{error.message}</p>}
          <DataTable
            label="Orders"
            rows={rows}
            least={560}
            rowKey={({ number }) => number}
            rowMark={(row) => ({
              'data-purchase': row.number,
              className: row.number === shown ? 'picked' : '',
            })}
            empty={data ? 'Nothing is on order. Needs says what to order, and writes it.' : 'One moment …'}
            columns={({ words, figures }) => [
              words('Order', (row) => (
                <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
                  <StateMark mark={MARK[row.state]} label={PURCHASE_STATE_NAME[row.state]} />
                  <span>
                    <button
                      type="button"
                      className="link-like strong"
                      onClick={() => navigate(`/stores/orders/${row.number}`)}
                    >
                      {row.number}
                    </button>
                    <div className="soft small">{row.supplier}</div>
                  </span>
                </span>
              )),
              words('Stands', (row) => (
                <>
                  {PURCHASE_STATE_NAME[row.state]}
                  {row.asks.map((ask) => (
                    <div key={ask} className={ask === 'late' || ask === 'invoice' ? 'stop small' : 'wait small'}>
                      {PURCHASE_ASKS[ask]}
                    </div>
                  ))}
                </>
              )),
              words('Comes', (row) =>
                row.promisedOn ? dayText(row.promisedOn) : row.wantedOn ? `wanted ${dayText(row.wantedOn)}` : '',
              ),
              figures('To come', (row) => (row.open > 0 ? `${row.open} of ${row.lines}` : '')),
              figures('Comes to', (row) =>
                formatQuantity(row.totalCents, 'money', inCurrency(set, row.currency), { digits: 0 }),
              ),
            ]}
          />
        </div>
      </Panel>
      <div className="stack">{shown && <PurchasePanel key={shown} number={shown} />}</div>
      {writing && <PurchaseForm stored={null} onClose={() => setWriting(false)} />}
    </div>
  );
}
