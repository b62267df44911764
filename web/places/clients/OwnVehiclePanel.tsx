import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { type OwnVehicleRow, ownVehicleAddress } from '../../../contract/ownVehicles.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useToday, useUnitSet } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** What a vehicle of the workshop's own has cost and would bring; nothing for a client's. */
export function OwnVehiclePanel({ vehicleId }: { vehicleId: string }) {
  const { data } = useOfAddress(ownVehicleAddress.list, {});
  const { role } = usePerson();
  const set = useUnitSet();
  const [doing, setDoing] = useState<'value' | 'sell' | null>(null);
  const row = data?.find(({ id }) => id === vehicleId);
  if (!row) return null;
  const may = hasRole(role, ownVehicleAddress.change.may) && row.soldOn === null;
  const money = (cents: number) => formatQuantity(cents, 'money', set);
  return (
    <Panel title="The workshop’s own" aside={row.soldOn ? `sold ${dayText(row.soldOn)} to ${row.soldTo}` : 'ours'}>
      <div className="in stack" data-own-vehicle>
        <p>
          Paid {money(row.purchaseCents)}
          {row.boughtFrom && ` to ${row.boughtFrom}`} on {dayText(row.boughtOn)}, {money(row.workCents)} of work on it
          since: <strong>{money(row.costCents)}</strong>.{' '}
          {row.soldCents !== null
            ? `Sold for ${money(row.soldCents)}.`
            : row.valueCents !== null
              ? `Would fetch ${money(row.valueCents)} as of ${dayText(row.valuedOn!)}.`
              : 'Nobody has said what it would fetch.'}{' '}
          {row.marginCents !== null && (
            <strong className={row.marginCents < 0 ? 'stop' : 'pass'}>
              {money(row.marginCents)} {row.soldOn ? 'were left' : 'would be left'}.
            </strong>
          )}
        </p>
        {row.convertedBefore && (
          <p className="note wait">
            It was converted before: what comes out is an older conversion, not the engine of the model. Weigh it as it
            came and again stripped, and prove it dead before anything is touched: its modules cannot be switched off.
          </p>
        )}
        {may && (
          <div className="row">
            <Button onClick={() => setDoing(doing === 'value' ? null : 'value')}>What it would fetch</Button>
            <Button onClick={() => setDoing(doing === 'sell' ? null : 'sell')}>It is sold</Button>
          </div>
        )}
        {may && doing === 'value' && <Value row={row} done={() => setDoing(null)} />}
        {may && doing === 'sell' && <Sell row={row} done={() => setDoing(null)} />}
      </div>
    </Panel>
  );
}

const bodyOf = ({
  boughtOn,
  boughtFrom,
  purchaseCents,
  convertedBefore,
  valueCents,
  valuedOn,
  version,
}: OwnVehicleRow) => ({
  ...{ boughtOn, boughtFrom, purchaseCents, convertedBefore, valueCents, valuedOn, version },
});

function Value({ row, done }: { row: OwnVehicleRow; done: () => void }) {
  const today = useToday();
  const [draft, setDraft] = useState({ ...bodyOf(row), valuedOn: row.valuedOn ?? (today as string | null) });
  const params = { id: row.id };
  const form = useChecked(ownVehicleAddress.change, params, draft);
  return (
    <EntryForm
      save="Keep it so"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="row" style={{ alignItems: 'start' }}>
        <QuantityInput
          label="Would fetch, before tax"
          kind="money"
          digits={2}
          width={160}
          value={draft.valueCents}
          onChange={(cents) => setDraft({ ...draft, valueCents: cents === null ? null : Math.round(cents) })}
          fault={form.faults.valueCents}
        />
        <DayInput
          shown
          label="As of"
          value={draft.valuedOn ?? ''}
          onChange={(day) => setDraft({ ...draft, valuedOn: day || null })}
          fault={form.faults.valuedOn}
        />
      </div>
      <Checkbox
        checked={draft.convertedBefore}
        onChange={({ target }) => setDraft({ ...draft, convertedBefore: target.checked })}
      >
        Converted before
      </Checkbox>
      <Conflict
        of={ownVehicleAddress.change}
        params={params}
        sending={form.sending}
        theirs={(now: OwnVehicleRow) => bodyOf(now)}
        done={done}
      />
    </EntryForm>
  );
}

function Sell({ row, done }: { row: OwnVehicleRow; done: () => void }) {
  const today = useToday();
  const [soldTo, setSoldTo] = useState('');
  const [contact, setContact] = useState('');
  const [soldOn, setSoldOn] = useState(today);
  const [soldCents, setCents] = useState<number | null>(null);
  const form = useChecked(
    ownVehicleAddress.sell,
    { id: row.id },
    { soldOn, soldTo, contact, soldCents, version: row.version },
  );
  return (
    <EntryForm
      save="It is theirs now"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <TextField label="Sold to" value={soldTo} onChange={setSoldTo} fault={form.faults.soldTo} />
        <TextField label="How to reach them" value={contact} onChange={setContact} fault={form.faults.contact} />
        <DayInput shown label="Sold on" value={soldOn} onChange={setSoldOn} fault={form.faults.soldOn} />
        <QuantityInput
          label="Sold for, before tax"
          kind="money"
          digits={2}
          value={soldCents}
          onChange={(cents) => setCents(cents === null ? null : Math.round(cents))}
          fault={form.faults.soldCents}
        />
      </div>
    </EntryForm>
  );
}
