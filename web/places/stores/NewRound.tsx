import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { supplierAddress } from '../../../contract/suppliers.ts';
import { useLibrary } from '../../data/resources.ts';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** A list of what is wanted, for which offers are noted. */
export function NewRound({ done }: { done: () => void }) {
  const { shelves } = useLibrary();
  const [name, setName] = useState('');
  const [wanted, setWanted] = useState<readonly { componentId: string; quantity: number | null }[]>([]);
  const form = useChecked(supplierAddress.addRound, {}, { name, wanted: [...wanted] });
  if (!shelves) return null;
  return (
    <EntryForm
      small
      save="Keep the list"
      busy={form.busy}
      refusal={form.refusal ?? form.faults.wanted ?? null}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField label="What for" value={name} onChange={setName} fault={form.faults.name} />
      {wanted.map((one, at) => (
        <div key={one.componentId} className="row">
          <span style={{ width: 260 }}>{shelves.components.get(one.componentId)?.name ?? one.componentId}</span>
          <QuantityInput
            label={`So many of ${shelves.components.get(one.componentId)?.name ?? one.componentId}`}
            hideLabel
            kind="count"
            digits={0}
            width={80}
            value={one.quantity}
            onChange={(quantity) => setWanted((now) => now.map((each, i) => (i === at ? { ...each, quantity } : each)))}
            fault={form.faults[`wanted.${at}.quantity`]}
          />
          <Button
            type="text"
            size="small"
            icon={<DeleteOutlined />}
            aria-label={`Leave out ${one.componentId}`}
            onClick={() => setWanted((now) => now.filter((_, i) => i !== at))}
          />
        </div>
      ))}
      <ComponentChoice
        label="Wanted"
        shelves={shelves}
        value={null}
        placeholder="add what is wanted"
        without={({ id }) => wanted.some(({ componentId }) => componentId === id)}
        onChange={(componentId) => componentId && setWanted((now) => [...now, { componentId, quantity: 1 }])}
      />
    </EntryForm>
  );
}
