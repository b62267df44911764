import { Button } from 'antd';
import { useState } from 'react';
import { numbersAddress } from '../../../contract/numbers.ts';
import type { ItemSheet } from '../../../contract/stores.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Writes numbers on pieces that lie in a bin without one. */
export function GiveNumbers({ item, done }: { item: ItemSheet; done: () => void }) {
  const open = item.places.filter(({ place, quantity, numbers }) => place.kind === 'bin' && numbers < quantity);
  const [binId, setBinId] = useState<string | null>(open[0]?.place.id ?? null);
  const [serials, setSerials] = useState<string[]>([]);
  const [batch, setBatch] = useState('');
  const form = useChecked(numbersAddress.give, { component: item.id }, { binId: binId ?? '', serials, batch });
  return (
    <EntryForm
      small
      save="Write them down"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <div className="row" style={{ flexWrap: 'nowrap', alignItems: 'start' }}>
        <Choice
          label="Bin"
          value={binId}
          options={open.map(({ place, quantity, numbers }) => ({
            value: place.id,
            label: `${place.name}, ${quantity - numbers} without number`,
          }))}
          onChange={setBinId}
          fault={form.faults.binId}
        />
        <TextField label="Batch" value={batch} onChange={setBatch} fault={form.faults.batch} />
      </div>
      <NumbersInput
        label="Numbers"
        value={serials}
        onChange={setSerials}
        fault={form.faults.serials ?? form.faults['serials.0']}
      />
    </EntryForm>
  );
}
