import { DownloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { type VehicleBody, type VehicleRow, vehiclesAddress } from '../../../contract/clients.ts';
import { jobAddress } from '../../../contract/jobChange.ts';
import { registerAddress } from '../../../contract/register.ts';
import { hasRole } from '../../../contract/rights.ts';
import { isOpen } from '../../../core/job/states.ts';
import { rootOf } from '../../../core/vehicle/revisions.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import { fileUrl } from '../../data/client.ts';
import { useDraft } from '../../data/draft.ts';
import { type Shelves, useAtHand, useLibrary } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { FilesOf } from '../../files/FilesOf.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { History } from '../../widgets/History.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';
import { JobsOfVehicle } from './JobsOfVehicle.tsx';
import { MergeInto } from './MergeInto.tsx';
import { OwnVehiclePanel } from './OwnVehiclePanel.tsx';
import { useClientsAndVehicles } from './useClientsAndVehicles.ts';

type Lists = ReturnType<typeof useClientsAndVehicles>;

/** One vehicle for as long as it is known: what it is, every job, photographs and papers, everything done to it. */
export default function VehiclePlace() {
  const { id = '' } = useParams();
  const lists = useClientsAndVehicles();
  const { shelves } = useLibrary();
  const vehicle = lists.vehicles?.find((row) => row.id === id);
  useAtHand({ variants: vehicle ? [vehicle.variantId] : [] }, shelves);
  if (lists.error) return <p className="page stop">{lists.error.message}</p>;
  if (!lists.vehicles || !lists.clients || !shelves) return <p className="page soft">One moment …</p>;
  if (!vehicle)
    return (
      <div className="page stack">
        <h1>There is no such vehicle any more</h1>
        <Link to="/clients">Clients and vehicles</Link>
      </div>
    );
  return (
    <div className="page stack">
      <div className="spread">
        <h1>{vehicle.name}</h1>
        <span className="row">
          <Button
            size="small"
            icon={<DownloadOutlined />}
            href={fileUrl(registerAddress.wayBack, { id: vehicle.id })}
            download
          >
            Way-back sheet
          </Button>
          <Link to="/clients">Clients and vehicles</Link>
        </span>
      </div>
      <Facts key={`${vehicle.id} ${vehicle.version}`} vehicle={vehicle} lists={lists} shelves={shelves} />
      <OwnVehiclePanel vehicleId={vehicle.id} />
      <Panel title="Jobs" aside={<FurtherJob vehicle={vehicle} />}>
        <div className="in">
          <JobsOfVehicle vehicle={vehicle} />
        </div>
      </Panel>
      <Panel title="Photographs and papers">
        <div className="in">
          <FilesOf about="vehicle" of={vehicle.id} name={vehicle.name} />
        </div>
      </Panel>
      <Panel title="History" aside="of the vehicle and of all its jobs">
        <div className="in">
          <History of={vehiclesAddress.events} table={vehiclesAddress.eventTable} params={{ id: vehicle.id }} withJob />
        </div>
      </Panel>
    </div>
  );
}

/** Begins a further job of a vehicle that nothing is worked on: what is known of it goes along. */
function FurtherJob({ vehicle }: { vehicle: VehicleRow }) {
  const { role } = usePerson();
  const navigate = useNavigate();
  const [, setDraft] = useDraft<object>('new job');
  const busy = vehicle.jobs.some(({ state }) => isOpen(state));
  if (busy || !hasRole(role, jobAddress.open.may)) return <>{vehicle.jobs.length}</>;
  const { id: vehicleId, name: title, client: clientName, variantId, builtYear, chassisNumber } = vehicle;
  return (
    <Button
      size="small"
      onClick={() => {
        setDraft({
          ...{ clientId: null, vehicleId, clientName, clientContact: '', title, variantId, builtYear, chassisNumber },
          ...{ registration: vehicle.registration, colour: vehicle.colour, brief: [] },
        });
        navigate('/jobs/new');
      }}
    >
      Open a job on it
    </Button>
  );
}

const bodyOf = ({ client: _, variantName: __, jobs: ___, id: ____, ...body }: VehicleRow): VehicleBody => body;

function Facts({ vehicle, lists, shelves }: { vehicle: VehicleRow; lists: Lists; shelves: Shelves }) {
  const { role } = usePerson();
  const navigate = useNavigate();
  const may = hasRole(role, vehiclesAddress.change.may);
  const params = { id: vehicle.id };
  const [draft, setDraft] = useState(() => bodyOf(vehicle));
  const form = useChecked(vehiclesAddress.change, params, draft);
  const merging = useSend(true, { typed: false });
  const set = (change: Partial<VehicleBody>) => setDraft((now) => ({ ...now, ...change }));
  const variant = shelves.variants.get(vehicle.variantId);
  const models = shelves.data.models.map((one) =>
    rootOf(one.id) === rootOf(vehicle.variantId) && variant ? variant : one,
  );
  return (
    <Panel title="What it is" aside={<Link to={`/clients/${vehicle.clientId}`}>{vehicle.client}</Link>}>
      <div className="in stack">
        {variant && (
          <VehiclePlan
            vehicle={vehicleState(variant, {}, null)}
            parts={[]}
            perMm={0.05}
            title={`${vehicle.name} from above`}
          />
        )}
        <EntryForm
          {...(may ? { save: 'Save the vehicle' } : {})}
          disabled={!may}
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save()}
        >
          <div className="fields">
            <TextField
              label="What it is called"
              value={draft.name}
              onChange={(name) => set({ name })}
              fault={form.faults.name}
            />
            <Choice
              label="Model and variant"
              value={draft.variantId}
              options={models.map((one) => ({
                value: one.id,
                label: `${one.makerName} ${one.modelName} ${one.name}`,
              }))}
              onChange={(variantId) => variantId && set({ variantId })}
              fault={form.faults.variantId}
            />
            <QuantityInput
              label="Year built"
              kind="count"
              value={draft.builtYear}
              onChange={(year) => year !== null && set({ builtYear: Math.round(year) })}
              fault={form.faults.builtYear}
            />
            <TextField
              label="Chassis number"
              value={draft.chassisNumber}
              onChange={(chassisNumber) => set({ chassisNumber })}
              fault={form.faults.chassisNumber}
            />
            <TextField
              label="Registration"
              value={draft.registration}
              onChange={(registration) => set({ registration })}
              fault={form.faults.registration}
            />
            <TextField
              label="Colour"
              value={draft.colour}
              onChange={(colour) => set({ colour })}
              fault={form.faults.colour}
            />
            <Choice
              label="Client"
              value={draft.clientId}
              options={(lists.clients ?? [])
                .filter(({ removed, id }) => !removed || id === vehicle.clientId)
                .map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(clientId) => clientId && set({ clientId })}
              fault={form.faults.clientId}
            />
          </div>
        </EntryForm>
        {may && (
          <MergeInto
            gone={vehicle}
            others={(lists.vehicles ?? [])
              .filter(({ id, variantId }) => id !== vehicle.id && rootOf(variantId) === rootOf(vehicle.variantId))
              .map((one) => ({
                ...one,
                label: [one.name, one.registration || one.chassisNumber, one.client].filter(Boolean).join(', '),
              }))}
            moves="jobs, weighings, figures, photographs and papers"
            fault={merging.faults.into}
            busy={merging.busy}
            onMerge={async (merge) => {
              const answer = await merging.go(vehiclesAddress.merge, params, merge);
              if (answer) navigate(`/vehicles/${answer.id}`);
            }}
          />
        )}
        {merging.problem && <p className="stop">{merging.problem.detail}</p>}
      </div>
      <Conflict
        of={vehiclesAddress.change}
        params={params}
        sending={form.sending}
        theirs={(now: VehicleRow) => bodyOf(now)}
        done={() => setDraft(bodyOf(vehicle))}
      />
    </Panel>
  );
}
