import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { ownVehicleAddress } from '../../../contract/ownVehicles.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { BuyVehicle } from './BuyVehicle.tsx';

/** Vehicles of the workshop's own: what each has cost, what it would fetch or was sold for, and what is left. */
export function OwnVehicles() {
  const { data } = useOfAddress(ownVehicleAddress.list, {});
  const { role } = usePerson();
  const set = useUnitSet();
  const [buying, setBuying] = useState(false);
  const may = hasRole(role, ownVehicleAddress.buy.may);
  const money = (cents: number | null) => (cents === null ? '–' : formatQuantity(cents, 'money', set));
  if (!data || (data.length === 0 && !may)) return null;
  return (
    <Panel
      title="The workshop’s own vehicles"
      aside={
        <span className="row">
          {data.length > 0 && <TableFile href={fileUrl(ownVehicleAddress.table, {})} what="Own vehicles" />}
          {may && (
            <Button size="small" onClick={() => setBuying(true)}>
              Enter a vehicle of our own
            </Button>
          )}
        </span>
      }
    >
      <div className="in">
        <DataTable
          label="Own vehicles"
          rows={data}
          rowKey={({ id }) => id}
          rowMark={({ name }) => ({ 'data-own': name })}
          empty="None: a mule, or one that is converted to be sold, is entered here."
          columns={({ words, figures }) => [
            words('Vehicle', (row) => (
              <>
                <Link to={`/vehicles/${row.id}`} className="strong">
                  {row.name}
                </Link>{' '}
                <span className="soft small">
                  {row.variantName}
                  {row.convertedBefore && ', converted before'}
                </span>
              </>
            )),
            words('Since', (row) =>
              row.soldOn ? `sold ${dayText(row.soldOn)} to ${row.soldTo}` : dayText(row.boughtOn),
            ),
            figures('Paid', (row) => money(row.purchaseCents)),
            figures('Work on it', (row) => money(row.workCents)),
            figures('Brings', (row) => money(row.soldCents ?? row.valueCents)),
            figures('Left', (row) => (
              <span className={row.marginCents === null ? 'soft' : row.marginCents < 0 ? 'stop' : 'pass'}>
                {row.marginCents === null ? 'not valued' : money(row.marginCents)}
              </span>
            )),
          ]}
        />
        {buying && <BuyVehicle onClose={() => setBuying(false)} />}
      </div>
    </Panel>
  );
}
