import type { Sent } from '../../../contract/address.ts';
import { clientAddress, vehiclesAddress } from '../../../contract/clients.ts';
import type { NewJob } from '../../../contract/jobChange.ts';
import { isOpen } from '../../../core/job/states.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { Panel } from '../../widgets/Panel.tsx';

type Draft = Sent<NewJob>;
interface Props {
  readonly body: Draft;
  readonly set: (change: Partial<Draft>) => void;
  readonly faults: Readonly<Record<string, string>>;
}

/** A vehicle that has been here before: a further job of it, with what is known. Not shown while there is none. */
export function KnownVehicle({ body, set, faults }: Props) {
  const { data: vehicles } = useOfAddress(vehiclesAddress.list, {});
  const free = (vehicles ?? []).filter(({ jobs }) => !jobs.some(({ state }) => isOpen(state)));
  if (free.length === 0) return null;
  const choose = (id: string | null) => {
    const known = free.find((one) => one.id === id);
    if (!known) {
      set({ vehicleId: null });
      return;
    }
    const { name: title, variantId, builtYear, chassisNumber, registration, colour, client: clientName } = known;
    set({ vehicleId: id, title, variantId, builtYear, chassisNumber, registration, colour, clientName });
  };
  return (
    <Panel title="Has it been here before?" aside="a further job of a vehicle that is known">
      <div className="in fields">
        <Choice
          label="Vehicle"
          mayBeEmpty
          placeholder="no, it is new here"
          value={body.vehicleId ?? null}
          options={free.map((one) => ({
            value: one.id,
            label: [one.name, one.registration || one.chassisNumber, one.client].filter(Boolean).join(', '),
          }))}
          onChange={choose}
          fault={faults.vehicleId}
        />
      </div>
    </Panel>
  );
}

/** A client who is known; their name and contact are then left as they are. */
export function KnownClient({ body, set, faults }: Props) {
  const { data: clients } = useOfAddress(clientAddress.list, {});
  const known = (clients ?? []).filter(({ removed }) => !removed);
  if (known.length === 0) return null;
  return (
    <Choice
      label="Known client"
      mayBeEmpty
      placeholder="somebody new"
      value={body.clientId ?? null}
      options={known.map(({ id, name, contact }) => ({ value: id, label: contact ? `${name}, ${contact}` : name }))}
      onChange={(clientId) =>
        set({
          clientId,
          clientName: known.find(({ id }) => id === clientId)?.name ?? '',
          clientContact: '',
        })
      }
      fault={faults.clientId}
    />
  );
}
