import { Checkbox } from 'antd';
import { useState } from 'react';
import { type OfferRound, supplierAddress } from '../../../contract/suppliers.ts';
import { CURRENCIES, CURRENCY_IDS, type Currency } from '../../../core/quantity/currency.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

const MILLION = 1_000_000;

/** An offer as it came: its price, in which currency, and what of the list is in it. */
export function NewOffer({ round, done }: { round: OfferRound; done: () => void }) {
  const { currency: own } = useWorkshop();
  const { data: suppliers } = useOfAddress(supplierAddress.list, {});
  const [supplierId, setSupplier] = useState<string | null>(null);
  const [price, setPrice] = useState<number | null>(null);
  const [currency, setCurrency] = useState<Currency>(own);
  const [rate, setRate] = useState<number | null>(null);
  const [rateDay, setRateDay] = useState('');
  const [deliveryDays, setDays] = useState<number | null>(null);
  const [includes, setIncludes] = useState<readonly string[]>(round.wanted.map(({ componentId }) => componentId));
  const [validUntil, setValid] = useState('');
  const [note, setNote] = useState('');
  const foreign = currency !== own;
  const form = useChecked(
    supplierAddress.addOffer,
    { id: round.id },
    {
      ...{ supplierId: supplierId ?? '', priceCents: price === null ? null : Math.round(price * 100), currency },
      rateMillionths: foreign ? rate && Math.round(rate * MILLION) : MILLION,
      ...{ rateDay: foreign ? rateDay || null : null, deliveryDays, includes: [...includes] },
      ...{ validUntil: validUntil || null, note },
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
          label="For all that is in it"
          kind="coefficient"
          digits={2}
          width={130}
          value={price}
          onChange={setPrice}
          fault={form.faults.priceCents}
        />
        <div style={{ width: 130 }}>
          <Choice
            label="Currency"
            value={currency}
            options={CURRENCY_IDS.map((id) => ({ value: id, label: CURRENCIES[id].name }))}
            onChange={(next) => next && setCurrency(next)}
            fault={form.faults.currency}
          />
        </div>
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
      {foreign && (
        <div className="row" style={{ alignItems: 'start' }}>
          <QuantityInput
            label={`One ${currency} in ${own}`}
            kind="coefficient"
            digits={6}
            width={150}
            value={rate}
            onChange={setRate}
            fault={form.faults.rateMillionths}
          />
          <DayInput shown label="Rate of" value={rateDay} onChange={setRateDay} fault={form.faults.rateDay} />
        </div>
      )}
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
