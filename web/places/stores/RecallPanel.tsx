import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { numbersAddress } from '../../../contract/numbers.ts';
import { placeSays } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';

const FOUND_NAME = {
  serial: 'a number',
  batch: 'a batch',
  kitRevision: 'a kit revision',
  component: 'a part',
} as const;

const MOST_NUMBERS = 8;
const numbersText = (serials: readonly string[]) =>
  serials.length > MOST_NUMBERS
    ? `${serials.slice(0, MOST_NUMBERS).join(', ')} and ${serials.length - MOST_NUMBERS} more`
    : serials.join(', ');

/** Who has to be told: every vehicle and kit that carries this number, batch, part or kit revision, with its client. */
export function RecallPanel({ word }: { word: string }) {
  const asked = useDeferredValue(word);
  const { data, error } = useOfAddress(numbersAddress.recall, asked ? { word: asked } : null);
  if (!asked)
    return (
      <Panel title="Which vehicles carry it">
        <p className="in soft">
          Type a whole serial number, a batch, the name or number of a part, or a kit revision (“Wren front-drive
          bolt-in C”). Every vehicle that carries it is listed with its client.
        </p>
      </Panel>
    );
  return (
    <Panel
      title="Which vehicles carry it"
      aside={
        data && (
          <span className="row">
            {data.found.length > 0 && `${asked} is ${data.found.map((what) => FOUND_NAME[what]).join(' and ')}`}
            {data.rows.length > 0 && (
              <Button size="small" icon={<TableOutlined />} href={fileUrl(numbersAddress.recallTable, { word: asked })}>
                CSV
              </Button>
            )}
          </span>
        )
      }
    >
      <div className="in stack">
        {error && <p className="stop">{error.message}</p>}
        <DataTable
          label="Vehicles and kits that carry it"
          rows={data?.rows ?? []}
          empty={data ? `No vehicle carries ${asked}.` : 'One moment …'}
          columns={({ words }) => [
            words('Client', (row) => (
              <>
                {row.client}
                <div className="soft small">{row.contact}</div>
              </>
            )),
            words('Vehicle', (row) => row.vehicle),
            words('Job or order', (row) =>
              row.jobNumber ? (
                <Link to={`/jobs/${row.jobNumber}/parts`}>{row.jobNumber}</Link>
              ) : row.orderNumber ? (
                <Link to={`/kits/orders/${row.orderNumber}`}>{row.orderNumber}</Link>
              ) : (
                ''
              ),
            ),
            words('Where', (row) => (row.where === 'house' ? 'here' : 'with the client')),
            words('What', (row) => (
              <>
                {row.component}
                {row.serials.length > 0 && <div className="soft small">{numbersText(row.serials)}</div>}
              </>
            )),
          ]}
        />
        {data && data.elsewhere.length > 0 && (
          <DataTable
            label="In no vehicle"
            rows={data.elsewhere}
            rowKey={({ id }) => id}
            columns={({ words }) => [
              words('In no vehicle', (row) => <Link to={`/stores/numbers/${row.id}`}>{row.serial}</Link>),
              words('What', (row) => row.component),
              words('Batch', (row) => row.batch),
              words('Where', (row) => placeSays(row.place)),
            ]}
          />
        )}
      </div>
    </Panel>
  );
}
