import { Button } from 'antd';
import { useState } from 'react';
import { numbersAddress } from '../../../contract/numbers.ts';
import { numberChoice } from '../../../wording/stores.ts';
import { useLibrary, useOfAddress } from '../../data/resources.ts';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** A pack of modules that lie in bins. */
export function NewPack({ done }: { done: () => void }) {
  const { shelves } = useLibrary();
  const [componentId, setComponentId] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [note, setNote] = useState('');
  const [serials, setSerials] = useState<string[]>([]);
  const { data } = useOfAddress(numbersAddress.inBins, componentId ? { component: componentId } : null);
  const free = (data ?? []).filter(({ pack, beingRefurbished }) => pack === null && !beingRefurbished);
  const serialIds = serials.flatMap((serial) => free.find((one) => one.serial === serial)?.id ?? []);
  const form = useChecked(numbersAddress.makePack, {}, { name, note, serialIds });
  if (!shelves) return null;
  return (
    <EntryForm
      small
      save="Make it"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField label="Name" value={name} onChange={setName} fault={form.faults.name} />
      <ComponentChoice
        label="Modules of"
        shelves={shelves}
        kinds={['module']}
        value={componentId}
        onChange={(id) => {
          setComponentId(id);
          setSerials([]);
        }}
      />
      <NumbersInput
        label="Which"
        onlyKnown
        value={serials}
        onChange={setSerials}
        known={free.map(numberChoice)}
        fault={form.faults.serialIds}
      />
      <TextField label="Note" value={note} onChange={setNote} fault={form.faults.note} />
    </EntryForm>
  );
}
