import { Button } from 'antd';
import { useState } from 'react';
import { numbersAddress } from '../../../contract/numbers.ts';
import { type ItemSheet, storesAddress } from '../../../contract/stores.ts';
import { numberChoice } from '../../../wording/stores.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';
import { useBins } from './useBins.ts';

/** Stands for the scrap among the bins to choose from. */
const SCRAP = 'scrap';

/** Moves some of a part to another bin, or scraps it with a reason. */
export function MoveForm({ item, done }: { item: ItemSheet; done: () => void }) {
  const bins = useBins();
  const here = item.places.filter(({ place }) => place.kind === 'bin');
  const [fromBinId, setFrom] = useState<string | null>(here[0]?.place.id ?? null);
  const [to, setTo] = useState<string | null>(null);
  const [quantity, setQuantity] = useState<number | null>(null);
  const [serials, setSerials] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const { data } = useOfAddress(numbersAddress.inBins, item.numbered ? { component: item.id } : null);
  const there = (data ?? []).filter(({ place }) => place.id === fromBinId);
  const form = useChecked(
    storesAddress.move,
    { component: item.id },
    {
      fromBinId: fromBinId ?? '',
      toBinId: to === SCRAP ? null : (to ?? ''),
      quantity: item.numbered && serials.length > 0 ? serials.length : quantity,
      serials,
      note,
    },
  );
  return (
    <EntryForm
      small
      save={to === SCRAP ? 'Scrap it' : 'Move'}
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
          label="From"
          value={fromBinId}
          options={here.map(({ place }) => ({ value: place.id, label: place.name }))}
          onChange={setFrom}
          fault={form.faults.fromBinId}
        />
        <Choice
          label="To"
          value={to}
          options={[
            ...bins.filter(({ value }) => value !== fromBinId),
            { value: SCRAP, label: 'nowhere: it is scrapped' },
          ]}
          onChange={setTo}
          fault={form.faults.toBinId}
        />
      </div>
      {item.numbered && there.length > 0 && (
        <NumbersInput
          label="Which"
          onlyKnown
          value={serials}
          onChange={setSerials}
          known={there.map(numberChoice)}
          fault={form.faults.serials}
        />
      )}
      {serials.length === 0 && (
        <StockInput
          label="So many"
          value={quantity}
          unitSize={item.unitSize}
          onChange={setQuantity}
          fault={form.faults.quantity ?? (there.length === 0 ? form.faults.serials : undefined)}
        />
      )}
      <TextField label="Why" value={note} onChange={setNote} fault={form.faults.note} />
    </EntryForm>
  );
}
