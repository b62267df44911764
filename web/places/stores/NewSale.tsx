import { Drawer } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { clientAddress } from '../../../contract/clients.ts';
import { saleAddress } from '../../../contract/sales.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Begins a sale: to whom. What is sold is written next. */
export function NewSale({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const { data: clients } = useOfAddress(clientAddress.list, {});
  const [clientId, setClientId] = useState<string | null>(null);
  const [clientName, setName] = useState('');
  const [clientContact, setContact] = useState('');
  const form = useChecked(saleAddress.add, {}, { clientId, clientName, clientContact });
  return (
    <Drawer open title="Begin a sale" onClose={onClose} size={420}>
      <EntryForm
        save="Begin it"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() =>
          void form.save().then((made) => {
            if (!made) return;
            onClose();
            navigate(`/stores/counter/${made.number}`);
          })
        }
      >
        <Choice
          label="Client who is known"
          mayBeEmpty
          placeholder="somebody new"
          value={clientId}
          options={(clients ?? [])
            .filter(({ removed }) => !removed)
            .map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setClientId}
          fault={form.faults.clientId}
        />
        {clientId === null && (
          <>
            <TextField label="Name" value={clientName} onChange={setName} fault={form.faults.clientName} />
            <TextField
              label="How to reach them"
              value={clientContact}
              onChange={setContact}
              fault={form.faults.clientContact}
            />
          </>
        )}
      </EntryForm>
    </Drawer>
  );
}
