import { Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ClientRow, VehicleRow } from '../../../contract/clients.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { OwnVehicles } from './OwnVehicles.tsx';
import { useClientsAndVehicles } from './useClientsAndVehicles.ts';

/** Every client and every vehicle that was ever here; each opens to all that is kept of it. */
export default function ClientsPlace() {
  const { clients, vehicles, error } = useClientsAndVehicles();
  const [word, setWord] = useState('');
  const wanted = word.trim().toLowerCase();
  const has = (...texts: string[]) => texts.join(' ').toLowerCase().includes(wanted);
  const shownClients = (clients ?? []).filter((one) => has(one.name, one.contact));
  const shownVehicles = (vehicles ?? []).filter((one) =>
    has(one.name, one.variantName, one.registration, one.chassisNumber, one.client),
  );
  return (
    <div className="page stack">
      <div className="spread">
        <h1>Clients and vehicles</h1>
        <Input
          style={{ width: 280 }}
          aria-label="Find a client or vehicle"
          placeholder="Name, registration, chassis number"
          value={word}
          onChange={({ target }) => setWord(target.value)}
          allowClear
        />
      </div>
      {error && <p className="stop">{error.message}</p>}
      <Panel title="Vehicles" aside={`${shownVehicles.length}`}>
        <div className="in">
          <DataTable
            label="Vehicles"
            rows={shownVehicles}
            rowKey={({ id }) => id}
            empty={wanted ? 'No vehicle is like that.' : 'None yet: they come with their first job.'}
            columns={({ words, figures }) => [
              words(
                'Vehicle',
                (row) => (
                  <Link to={`/vehicles/${row.id}`} className="strong">
                    {row.name}
                  </Link>
                ),
                { order: (a, b) => a.name.localeCompare(b.name) },
              ),
              words('Model', (row) => `${row.variantName}, ${row.builtYear}`),
              words('Registration', (row) => row.registration || '–'),
              words('Chassis number', (row) => row.chassisNumber || '–'),
              words('Client', (row) => <Link to={`/clients/${row.clientId}`}>{row.client}</Link>, {
                order: (a, b) => a.client.localeCompare(b.client),
              }),
              words('Newest job', lastJob),
              figures('Jobs', (row) => row.jobs.length),
            ]}
          />
        </div>
      </Panel>
      <OwnVehicles />
      <Panel title="Clients" aside={`${shownClients.length}`}>
        <div className="in">
          <DataTable
            label="Clients"
            rows={shownClients}
            rowKey={({ id }) => id}
            empty={wanted ? 'No client is like that.' : 'None yet: they come with their first job.'}
            columns={({ words, figures }) => [
              words('Client', (row: ClientRow) => (
                <Link to={`/clients/${row.id}`} className={row.removed ? 'soft' : 'strong'}>
                  {row.name}
                </Link>
              )),
              words('Contact', (row) => row.contact || '–'),
              figures('Vehicles', (row) => row.vehicles),
              figures('Jobs', (row) => row.jobs),
              figures('In hand', (row) => row.open || '–'),
            ]}
          />
        </div>
      </Panel>
    </div>
  );
}

function lastJob({ jobs: [newest] }: VehicleRow) {
  if (!newest) return '–';
  return (
    <>
      <Link className="in-text" to={`/jobs/${newest.number}/brief`}>
        {newest.number}
      </Link>{' '}
      <span className="soft">{JOB_STATE_NAME[newest.state].toLowerCase()}</span>
    </>
  );
}
