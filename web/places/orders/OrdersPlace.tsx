import { PlusOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type OrderRow, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayText } from '../../../wording/dates.ts';
import { ORDER_STATE_NAME } from '../../../wording/orders.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { NewOrder } from './NewOrder.tsx';

const isOpen = ({ state }: OrderRow) => state === 'ordered' || state === 'sent';
const today = () => new Date().toISOString().slice(0, 10);

/** The order book: every kit that goes out, by the day it is promised for. */
export default function OrdersPlace() {
  const { role } = usePerson();
  const may = hasRole(role, orderAddress.add.may);
  const { data, error } = useOfAddress(orderAddress.list, {});
  const [all, setAll] = useState(false);
  const [adding, setAdding] = useState(false);
  const rows = (data ?? []).filter((row) => all || isOpen(row));
  const late = rows.filter((row) => row.state === 'ordered' && row.promisedOn < today()).length;
  return (
    <div className="page stack">
      <div className="spread">
        <h1>Order book</h1>
        <span className="row">
          <Link to="/kits">Kits</Link>
          {may && (
            <Button type="primary" icon={<PlusOutlined />} onClick={() => setAdding(true)}>
              Take an order
            </Button>
          )}
        </span>
      </div>
      {adding && <NewOrder done={() => setAdding(false)} />}
      {error && <p className="stop">{error.message}</p>}
      <Panel
        title="Kits that go out"
        aside={
          <span className="row">
            {late > 0 && <span className="stop">{late} overdue</span>}
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
          </span>
        }
      >
        <div className="in">
          {rows.length === 0 ? (
            <p className="soft">
              No kit is on order. Take an order for a released kit; jobs with the vehicle in the house are in Jobs.
            </p>
          ) : (
            <DataTable
              label="Order book"
              rows={rows}
              rowKey={({ number }) => number}
              columns={({ words, figures }) => [
                words('Order', (row) => <Link to={`/kits/orders/${row.number}`}>{row.number}</Link>, {
                  order: (a, b) => a.number.localeCompare(b.number),
                }),
                words(
                  'Promised',
                  (row) => (
                    <span className={row.state === 'ordered' && row.promisedOn < today() ? 'stop strong' : ''}>
                      {dayText(row.promisedOn)}
                    </span>
                  ),
                  { order: (a, b) => a.promisedOn.localeCompare(b.promisedOn) },
                ),
                words('Client', (row) => <Link to={`/clients/${row.client.id}`}>{row.client.name}</Link>, {
                  order: (a, b) => a.client.name.localeCompare(b.client.name),
                }),
                words('Kit', (row) => `${row.kitName} ${row.revision}`, {
                  order: (a, b) => a.kitName.localeCompare(b.kitName),
                }),
                words('For', (row) => row.variantName),
                words('Fitted by', (row) => (
                  <>
                    {row.partner?.name ?? 'client'}
                    {row.kind === 'sentThenHere' && (
                      <div className="soft small">
                        comes for HV{row.comesOn ? ` ${dayText(row.comesOn)}` : ', no day yet'}
                      </div>
                    )}
                  </>
                )),
                words('Where it is', (row) => <Progress row={row} />),
                figures('Questions', (row) =>
                  row.questions > 0 ? <span className="wait strong">{row.questions}</span> : '',
                ),
              ]}
            />
          )}
        </div>
      </Panel>
    </div>
  );
}

function Progress({ row }: { row: OrderRow }) {
  const said =
    row.state === 'ordered'
      ? row.countedOnce === 0
        ? 'to pack'
        : `packing, ${row.countedTwice} of ${row.lines} counted twice`
      : row.state === 'sent'
        ? `sent ${dayText((row.sentAt ?? '').slice(0, 10))}${row.stagesDone > 0 ? `, ${row.stagesDone} stages done` : ''}`
        : row.state === 'signed'
          ? `signed back ${dayText((row.signedAt ?? '').slice(0, 10))}`
          : ORDER_STATE_NAME[row.state];
  const mark: Mark =
    row.state === 'signed'
      ? 'pass'
      : row.state === 'sent'
        ? 'done'
        : row.state === 'cancelled'
          ? 'stop'
          : row.countedOnce > 0
            ? 'half'
            : 'open';
  return (
    <span className="row" style={{ flexWrap: 'nowrap' }}>
      <StateMark mark={mark} label={ORDER_STATE_NAME[row.state]} /> {said}
    </span>
  );
}
