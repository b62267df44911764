import { Checkbox, Drawer } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ownVehicleAddress } from '../../../contract/ownVehicles.ts';
import { useLibrary } from '../../data/resources.ts';
import { useToday } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** A vehicle the workshop has bought for itself. */
export function BuyVehicle({ onClose }: { onClose: () => void }) {
  const { shelves } = useLibrary();
  const navigate = useNavigate();
  const today = useToday();
  const [typed, setTyped] = useState({
    ...{ name: '', chassisNumber: '', registration: '', colour: '', boughtFrom: '', boughtOn: today },
    ...{ variantId: null as string | null, builtYear: null as number | null, purchaseCents: null as number | null },
    convertedBefore: false,
  });
  const change = (part: Partial<typeof typed>) => setTyped((now) => ({ ...now, ...part }));
  const form = useChecked(ownVehicleAddress.buy, {}, { ...typed, variantId: typed.variantId ?? '' });
  const { faults } = form;
  return (
    <Drawer open title="A vehicle of our own" onClose={onClose} size={460}>
      <EntryForm
        save="Enter it"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((made) => made && navigate(`/vehicles/${made.id}`))}
      >
        <TextField label="What it is" value={typed.name} onChange={(name) => change({ name })} fault={faults.name} />
        <Choice
          label="Model and variant"
          value={typed.variantId}
          options={[...(shelves?.variants.values() ?? [])].map(({ id, makerName, modelName, name }) => ({
            value: id,
            label: `${makerName} ${modelName} ${name}`,
          }))}
          onChange={(variantId) => change({ variantId })}
          fault={faults.variantId}
        />
        <div className="fields pair">
          <QuantityInput
            label="Year built"
            kind="coefficient"
            digits={0}
            value={typed.builtYear}
            onChange={(builtYear) => change({ builtYear })}
            fault={faults.builtYear}
          />
          <TextField
            label="Chassis number"
            value={typed.chassisNumber}
            onChange={(chassisNumber) => change({ chassisNumber })}
            fault={faults.chassisNumber}
          />
          <TextField
            label="Registration"
            value={typed.registration}
            onChange={(registration) => change({ registration })}
            fault={faults.registration}
          />
          <TextField
            label="Colour"
            value={typed.colour}
            onChange={(colour) => change({ colour })}
            fault={faults.colour}
          />
          <DayInput
            shown
            label="Bought on"
            value={typed.boughtOn}
            onChange={(boughtOn) => change({ boughtOn })}
            fault={faults.boughtOn}
          />
          <TextField
            label="Bought of"
            value={typed.boughtFrom}
            onChange={(boughtFrom) => change({ boughtFrom })}
            fault={faults.boughtFrom}
          />
          <QuantityInput
            label="Paid, before tax"
            kind="money"
            digits={2}
            value={typed.purchaseCents}
            onChange={(cents) => change({ purchaseCents: cents === null ? null : Math.round(cents) })}
            fault={faults.purchaseCents}
          />
        </div>
        <Checkbox
          checked={typed.convertedBefore}
          onChange={({ target }) => change({ convertedBefore: target.checked })}
        >
          It was converted before: what comes out is an older conversion, not an engine
        </Checkbox>
      </EntryForm>
    </Drawer>
  );
}
