import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { KitFileIn } from './KitFileIn.tsx';
import { NewKit } from './NewKit.tsx';

/** Every kit: what is released, what is being drawn, who carries it, what waits at it. */
export default function KitsPlace() {
  const { role } = usePerson();
  const may = hasRole(role, kitAddress.add.may);
  const { data, error } = useOfAddress(kitAddress.list, {});
  const [adding, setAdding] = useState(false);
  const [taking, setTaking] = useState(false);
  return (
    <div className="page stack">
      <div className="spread">
        <h1>Kits</h1>
        <span className="row">
          <Link to="/kits/orders">Order book</Link>
          <Link to="/kits/stages">Lists of stages</Link>
          {may && <Button onClick={() => setTaking(true)}>Take in a file</Button>}
          {may && (
            <Button type="primary" icon={<PlusOutlined />} onClick={() => setAdding(true)}>
              Begin a kit
            </Button>
          )}
        </span>
      </div>
      {taking && <KitFileIn done={() => setTaking(false)} />}
      {adding && <NewKit from={null} done={() => setAdding(false)} />}
      {error && <p className="stop">{error.message}</p>}
      <Panel title="All kits" aside={data ? `${data.length} kits` : undefined}>
        <div className="in">
          {data?.length === 0 ? (
            <p className="soft">
              None yet. Begin one here, or make a draft from a design that has proved itself, in Match of its job.
            </p>
          ) : (
            <DataTable
              label="Kits"
              rows={data ?? []}
              rowKey={(kit) => kit.id}
              columns={({ words, figures }) => [
                words('Kit', (kit) => <Link to={`/kits/${kit.id}`}>{kit.name}</Link>, {
                  order: (a, b) => a.name.localeCompare(b.name),
                }),
                words('Model', (kit) => kit.modelName, { order: (a, b) => a.modelName.localeCompare(b.modelName) }),
                words('Released', (kit) => kit.released ?? <span className="soft">none yet</span>),
                words('Draft', (kit) =>
                  kit.draft ? <Link to={`/kits/${kit.id}?rev=${kit.draft}`}>{kit.draft}</Link> : '',
                ),
                figures('Jobs', (kit) => kit.jobs || '', { order: (a, b) => a.jobs - b.jobs }),
                figures('Being worked on', (kit) => kit.openJobs || '', { order: (a, b) => a.openJobs - b.openJobs }),
                figures('To be sent', (kit) => kit.orders || '', { order: (a, b) => a.orders - b.orders }),
                figures('Clients waiting', (kit) => kit.waiting || '', { order: (a, b) => a.waiting - b.waiting }),
                figures(
                  'Lessons waiting',
                  (kit) => (kit.lessons ? <span className="wait strong">{kit.lessons}</span> : ''),
                  {
                    order: (a, b) => a.lessons - b.lessons,
                  },
                ),
              ]}
            />
          )}
        </div>
      </Panel>
    </div>
  );
}
