import { Link } from 'react-router';
import { orderAddress } from '../../../contract/orders.ts';
import { dayText } from '../../../wording/dates.ts';
import { ORDER_STATE_NAME } from '../../../wording/orders.ts';
import { useOfAddress } from '../../data/resources.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';

/** Kits that went, or go, to this client, and those they fit for others. */
export function OrdersOfClient({ client }: { client: string }) {
  const { data } = useOfAddress(orderAddress.list, {});
  const rows = (data ?? []).filter((row) => row.client.id === client || row.partner?.id === client);
  if (rows.length === 0) return null;
  return (
    <Panel title="Kits sent" aside={`${rows.length}`}>
      <div className="in">
        <DataTable
          label="Kits sent"
          rows={rows}
          rowKey={({ number }) => number}
          columns={({ words }) => [
            words('Order', ({ number }) => <Link to={`/kits/orders/${number}`}>{number}</Link>),
            words('Kit', ({ kitName, revision }) => `${kitName} ${revision}`),
            words('For', (row) => `${row.variantName}${row.client.id === client ? '' : ` of ${row.client.name}`}`),
            words('Promised', ({ promisedOn }) => dayText(promisedOn)),
            words('State', ({ state }) => ORDER_STATE_NAME[state]),
          ]}
        />
      </div>
    </Panel>
  );
}
