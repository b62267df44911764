import { DeleteOutlined, DownloadOutlined } from '@ant-design/icons';
import { App, Button } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { type ClientRow, clientAddress, type VehicleRow } from '../../../contract/clients.ts';
import { hasRole } from '../../../contract/rights.ts';
import { fileUrl } from '../../data/client.ts';
import { usePerson } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';
import { Approvals } from './Approvals.tsx';
import { JobsOfVehicle } from './JobsOfVehicle.tsx';
import { MergeInto } from './MergeInto.tsx';
import { OrdersOfClient } from './OrdersOfClient.tsx';
import { useClientsAndVehicles } from './useClientsAndVehicles.ts';

/** One client: how to reach them, their vehicles with every job, their data. */
export default function ClientPlace() {
  const { id = '' } = useParams();
  const { clients, vehicles, error } = useClientsAndVehicles();
  if (error) return <p className="page stop">{error.message}</p>;
  if (!clients || !vehicles) return <p className="page soft">One moment …</p>;
  const client = clients.find((row) => row.id === id);
  if (!client)
    return (
      <div className="page stack">
        <h1>There is no such client any more</h1>
        <Link to="/clients">Clients and vehicles</Link>
      </div>
    );
  const own = vehicles.filter((row) => row.clientId === id);
  return <Client key={`${client.id} ${client.version}`} client={client} own={own} all={clients} />;
}

function Client({ client, own, all }: { client: ClientRow; own: readonly VehicleRow[]; all: readonly ClientRow[] }) {
  const { role } = usePerson();
  const may = hasRole(role, clientAddress.change.may) && !client.removed;
  const [draft, setDraft] = useState({ name: client.name, contact: client.contact });
  const body = { ...draft, version: client.version };
  const form = useChecked(clientAddress.change, { id: client.id }, body);
  return (
    <div className="page stack">
      <div className="spread">
        <h1>{client.name}</h1>
        <Link to="/clients">Clients and vehicles</Link>
      </div>
      {client.removed && <p className="note">The data of this client was removed; the figures of their jobs stay.</p>}
      <Panel title="How to reach them">
        <div className="in">
          <EntryForm
            {...(may ? { save: 'Save' } : {})}
            disabled={!may}
            busy={form.busy}
            refusal={form.refusal}
            onSave={() => void form.save()}
          >
            <div className="fields">
              <TextField
                label="Client"
                value={draft.name}
                onChange={(name) => setDraft((now) => ({ ...now, name }))}
                fault={form.faults.name}
              />
              <TextField
                label="Contact"
                value={draft.contact}
                onChange={(contact) => setDraft((now) => ({ ...now, contact }))}
                fault={form.faults.contact}
              />
            </div>
          </EntryForm>
        </div>
      </Panel>
      {own.map((vehicle) => (
        <Panel
          key={vehicle.id}
          title={<Link to={`/vehicles/${vehicle.id}`}>{vehicle.name}</Link>}
          aside={`${vehicle.variantName}, ${vehicle.builtYear}`}
        >
          <div className="in">
            <JobsOfVehicle vehicle={vehicle} />
          </div>
        </Panel>
      ))}
      <OrdersOfClient client={client.id} />
      <Approvals client={client} may={may} />
      {may && <Ending client={client} all={all} />}
      <Conflict
        of={clientAddress.change}
        params={{ id: client.id }}
        sending={form.sending}
        theirs={({ name, contact, version }: ClientRow) => ({ name, contact, version })}
        done={() => setDraft({ name: client.name, contact: client.contact })}
      />
    </div>
  );
}

/** Merging two, handing out what is kept, removing it. */
function Ending({ client, all }: { client: ClientRow; all: readonly ClientRow[] }) {
  const navigate = useNavigate();
  const { modal, message } = App.useApp();
  const sending = useSend(true, { typed: false });
  const params = { id: client.id };
  const remove = () =>
    modal.confirm({
      title: `Remove the data of ${client.name}?`,
      content:
        'Name, contact, registrations, chassis numbers, photographs and papers go, the history too; figures of the jobs stay. A name that is one plain word goes from what is theirs, and stays where it may be a model’s or somebody else’s. It cannot be taken back. Backups made before still hold it until they are thrown away.',
      okText: 'Remove it',
      okButtonProps: { danger: true },
      cancelText: 'Keep it',
      onOk: async () => {
        const answer = await sending.go(clientAddress.remove, params, { version: client.version });
        if (answer) void message.success(`Removed in ${answer.places} places.`);
      },
    });
  return (
    <Panel title="Their data" aside="merge, hand out, remove">
      <div className="in stack">
        <MergeInto
          gone={client}
          others={all
            .filter(({ id, removed }) => id !== client.id && !removed)
            .map((one) => ({ ...one, label: one.contact ? `${one.name}, ${one.contact}` : one.name }))}
          moves="vehicles and jobs"
          fault={sending.faults.into}
          busy={sending.busy}
          onMerge={async (merge) => {
            const answer = await sending.go(clientAddress.merge, params, merge);
            if (answer) navigate(`/clients/${answer.id}`);
          }}
        />
        <div className="row">
          <Button icon={<DownloadOutlined />} href={fileUrl(clientAddress.data, params)}>
            Everything kept of them (JSON)
          </Button>
          <Button danger icon={<DeleteOutlined />} disabled={client.open > 0} onClick={remove}>
            Remove their data
          </Button>
          {client.open > 0 && (
            <span className="soft small">
              {client.open} {client.open === 1 ? 'job is' : 'jobs are'} still worked on: removed after that.
            </span>
          )}
        </div>
        {sending.problem && <p className="stop">{sending.problem.detail}</p>}
      </div>
    </Panel>
  );
}
