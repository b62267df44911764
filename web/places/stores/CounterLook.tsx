import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { type SaleRow, saleAddress } from '../../../contract/sales.ts';
import { dayText } from '../../../wording/dates.ts';
import { money, SALE_STATE_NAME } from '../../../wording/offers.ts';
import { inCurrency } from '../../../wording/purchases.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { NewSale } from './NewSale.tsx';
import { SalePanel } from './SalePanel.tsx';

const what = ({ body }: SaleRow): string =>
  body.lines.length === 0
    ? 'nothing yet'
    : body.lines
        .slice(0, 3)
        .map(({ text }) => text)
        .join(', ') + (body.lines.length > 3 ? ` and ${body.lines.length - 3} more` : '');

/** What is sold over the counter, without a vehicle: parts, one box, advice. */
export function CounterLook({ picked }: { picked: string | null }) {
  const { data, error } = useOfAddress(saleAddress.list, {});
  const { role } = usePerson();
  const set = useUnitSet();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const shown = data?.find(({ number }) => number === picked) ?? data?.[0];
  return (
    <div className="stores-columns even">
      <Panel
        title="Over the counter"
        aside={
          <span className="row">
            <Button size="small" icon={<TableOutlined />} href={fileUrl(saleAddress.csv, {})} aria-label="Sales as CSV">
              CSV
            </Button>
            {hasRole(role, saleAddress.add.may) && (
              <Button size="small" onClick={() => setAdding(true)}>
                Begin a sale
              </Button>
            )}
          </span>
        }
      >
        <div className="in">
          {error && <p className="stop">{error.message}</p>}
          <DataTable
            label="Sales over the counter"
            rows={data ?? []}
            least={480}
            rowKey={({ id }) => id}
            rowMark={(row) => ({ 'data-sale': row.number, className: row.number === shown?.number ? 'picked' : '' })}
            empty={
              data
                ? 'Nothing sold over the counter yet. Parts, one box or advice without a vehicle are sold here.'
                : 'One moment …'
            }
            columns={({ words, figures }) => [
              words('Sale', (row) => (
                <>
                  <button
                    type="button"
                    className="link-like strong"
                    onClick={() => navigate(`/stores/counter/${row.number}`)}
                  >
                    {row.number}
                  </button>{' '}
                  {row.client}
                  <div className="soft small">{what(row)}</div>
                </>
              )),
              words('State', (row) =>
                row.soldAt ? `sold ${dayText(row.soldAt.slice(0, 10))}` : SALE_STATE_NAME[row.state],
              ),
              figures('To pay', (row) => money(row.totalCents, inCurrency(set, row.currency))),
            ]}
          />
        </div>
      </Panel>
      {shown && <SalePanel key={shown.id} sale={shown} />}
      {adding && <NewSale onClose={() => setAdding(false)} />}
    </div>
  );
}
