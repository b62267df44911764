import { Checkbox } from 'antd';
import { useState } from 'react';
import { type OfferRound, supplierAddress } from '../../../contract/suppliers.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { CurrencyChoice, RateFields, useCurrencyEntry } from '../../widgets/CurrencyFields.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** An offer as it came: its price, in which currency, and what of the list is in it. */
export function NewOffer({ round, done }: { round: OfferRound; done: () => void }) {
  const { data: suppliers } = useOfAddress(supplierAddress.list, {});
  const [supplierId, setSupplier] = useState<string | null>(null);
  const [price, setPrice] = useState<number | null>(null);
  const entry = useCurrencyEntry(null);
  const [deliveryDays, setDays] = useState<number | null>(null);
  const [includes, setIncludes] = useState<readonly string[]>(round.wanted.map(({ componentId }) => componentId));
  const [validUntil, setValid] = useState('');
  const [note, setNote] = useState('');
  const form = useChecked(
    supplierAddress.addOffer,
    { id: round.id },
    {
      ...{ supplierId: supplierId ?? '', priceCents: price === null ? null : Math.round(price * 100) },
      ...entry.body,
      ...{ deliveryDays, includes: [...includes], validUntil: validUntil || null, note },
    },
  );
  return (
    <EntryForm
      small
      save="Note the offer"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="row" style={{ alignItems: 'start' }}>
        <div style={{ width: 170 }}>
          <Choice
            label="Offer of"
            value={supplierId}
            options={(suppliers ?? []).map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setSupplier}
            fault={form.faults.supplierId}
          />
        </div>
        <QuantityInput
          label={`For all that is in it, ${entry.currency}`}
          kind="coefficient"
          digits={2}
          width={150}
          value={price}
          onChange={setPrice}
          fault={form.faults.priceCents}
        />
        <CurrencyChoice entry={entry} faults={form.faults} />
        <QuantityInput
          label="Days to deliver"
          kind="count"
          digits={0}
          width={110}
          value={deliveryDays}
          onChange={setDays}
          fault={form.faults.deliveryDays}
        />
        <DayInput shown label="Stands until" value={validUntil} onChange={setValid} fault={form.faults.validUntil} />
      </div>
      <RateFields entry={entry} faults={form.faults} />
      <Labelled label="What is in it" fault={form.faults.includes}>
        <Checkbox.Group
          value={[...includes]}
          options={round.wanted.map(({ componentId, name, quantity }) => ({
            value: componentId,
            label: `${quantity} × ${name}`,
          }))}
          onChange={setIncludes}
        />
      </Labelled>
      <TextField label="Note" value={note} onChange={setNote} fault={form.faults.note} />
    </EntryForm>
  );
}
