import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import type { NumberSheet, RefurbishingRow } from '../../../contract/numbers.ts';
import { refurbishingAddress } from '../../../contract/refurbishing.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatHours } from '../../../core/quantity/format.ts';
import { dayAndYear } from '../../../wording/dates.ts';
import { money } from '../../../wording/offers.ts';
import { useLibrary } from '../../data/resources.ts';
import { usePerson, useToday, useUnitSet } from '../../data/session.tsx';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Orders to make a numbered thing good again: parts, hours, the proof, its true cost beside a new one's. */
export function RefurbishingOf({ sheet }: { sheet: NumberSheet }) {
  const { role } = usePerson();
  const [beginning, setBeginning] = useState(false);
  const may = hasRole(role, refurbishingAddress.begin.may);
  const open = sheet.refurbishing.some(({ state }) => state === 'open');
  return (
    <div className="stack">
      {sheet.refurbishing.map((order) => (
        <OneOrder key={order.id} order={order} newCents={sheet.newCents} may={may} />
      ))}
      {may && !open && sheet.place.kind === 'bin' && !beginning && (
        <div>
          <Button size="small" onClick={() => setBeginning(true)}>
            Refurbish it
          </Button>
        </div>
      )}
      {beginning && <Begin id={sheet.id} kind={sheet.kind} done={() => setBeginning(false)} />}
    </div>
  );
}

const STATE = { open: 'in hand', done: 'made good', givenUp: 'given up' } as const;

function OneOrder({ order, newCents, may }: { order: RefurbishingRow; newCents: number; may: boolean }) {
  const set = useUnitSet();
  const [doing, setDoing] = useState<'part' | 'hours' | 'end' | null>(null);
  const dearer = newCents > 0 && order.totalCents > newCents;
  const open = order.state === 'open';
  return (
    <div className="lesson" data-refurbishing={order.state}>
      <div className="spread">
        <span className="strong">
          {order.what} <span className="soft small">{STATE[order.state]}</span>
        </span>
        {order.totalCents > 0 && (
          <span className={dearer ? 'stop strong' : 'strong'}>{money(order.totalCents, set)}</span>
        )}
      </div>
      <div className="soft small">
        {[
          order.boughtCents === null ? 'nobody has said what it had cost' : `had cost ${money(order.boughtCents, set)}`,
          order.parts.length > 0 && `parts ${money(order.partsCents, set)}`,
          order.hours > 0 && `${formatHours(order.hours)}, ${money(order.hoursCents, set)}`,
          newCents > 0 && `a new one ${money(newCents, set)}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </div>
      {order.parts.map((part, i) => (
        <div key={`${i} ${part.name}`} className="small">
          {part.quantity} × {part.name}
        </div>
      ))}
      {order.ended && (
        <div className="small">
          {order.ended} <span className="soft">{order.endedBy}</span>
          {order.warrantyUntil && `, own warranty until ${dayAndYear(order.warrantyUntil)}`}
        </div>
      )}
      {open && may && (
        <div className="row">
          <Button size="small" onClick={() => setDoing('part')}>
            Put a part in
          </Button>
          <Button size="small" onClick={() => setDoing('hours')}>
            Hours
          </Button>
          <Button size="small" onClick={() => setDoing('end')}>
            Done or given up
          </Button>
        </div>
      )}
      {open && doing === 'part' && <PutIn id={order.id} done={() => setDoing(null)} />}
      {open && doing === 'hours' && <Hours id={order.id} done={() => setDoing(null)} />}
      {open && doing === 'end' && <End order={order} done={() => setDoing(null)} />}
    </div>
  );
}

function Begin({ id, kind, done }: Pick<NumberSheet, 'id' | 'kind'> & { done: () => void }) {
  const [what, setWhat] = useState('');
  const [boughtCents, setBought] = useState<number | null>(null);
  const form = useChecked(refurbishingAddress.begin, { id }, { what, boughtCents });
  return (
    <EntryForm
      small
      save="Begin"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((made) => made && done())}
    >
      <SafetyNote about={kind === 'module' ? 'modules' : 'live'} />
      <TextField label="What is to be done" value={what} onChange={setWhat} fault={form.faults.what} />
      <QuantityInput
        label="It had cost, before tax"
        kind="money"
        digits={2}
        mayBeEmpty
        width={160}
        value={boughtCents}
        onChange={(cents) => setBought(cents === null ? null : Math.round(cents))}
        fault={form.faults.boughtCents}
      />
    </EntryForm>
  );
}

function PutIn({ id, done }: { id: string; done: () => void }) {
  const { shelves } = useLibrary();
  const [componentId, setComponent] = useState<string | null>(null);
  const [quantity, setQuantity] = useState<number | null>(1);
  const [serials, setSerials] = useState<readonly string[]>([]);
  const form = useChecked(refurbishingAddress.part, { id }, { componentId: componentId ?? '', quantity, serials });
  if (!shelves) return null;
  return (
    <EntryForm
      small
      save="Put it in"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((made) => made && done())}
    >
      <ComponentChoice
        label="Part"
        value={componentId}
        shelves={shelves}
        onChange={setComponent}
        fault={form.faults.componentId}
      />
      <QuantityInput
        label="So many"
        kind="count"
        width={100}
        value={quantity}
        onChange={setQuantity}
        fault={form.faults.quantity}
      />
      <NumbersInput
        label="Numbers, where it carries any"
        value={serials}
        onChange={setSerials}
        fault={form.faults.serials}
      />
    </EntryForm>
  );
}

function Hours({ id, done }: { id: string; done: () => void }) {
  const [hours, setHours] = useState<number | null>(null);
  const [day, setDay] = useState(useToday());
  const [what, setWhat] = useState('');
  const form = useChecked(refurbishingAddress.hours, { id }, { hours, day, what });
  return (
    <EntryForm
      small
      save="Enter them"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((made) => made && done())}
    >
      <div className="row" style={{ alignItems: 'start' }}>
        <QuantityInput
          label="Hours"
          kind="coefficient"
          digits={2}
          width={90}
          value={hours}
          onChange={setHours}
          fault={form.faults.hours}
        />
        <DayInput shown label="Day" value={day} onChange={setDay} fault={form.faults.day} />
      </div>
      <TextField label="What" value={what} onChange={setWhat} fault={form.faults.what} />
    </EntryForm>
  );
}

function End({ order, done }: { order: RefurbishingRow; done: () => void }) {
  const [good, setGood] = useState(true);
  const [ended, setEnded] = useState('');
  const [warrantyUntil, setWarranty] = useState('');
  const form = useChecked(
    refurbishingAddress.end,
    { id: order.id },
    { good, ended, warrantyUntil: warrantyUntil || null, version: order.version },
  );
  return (
    <EntryForm
      small
      save={good ? 'It is good' : 'Give it up'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <Checkbox checked={good} onChange={({ target }) => setGood(target.checked)}>
        Tested and good
      </Checkbox>
      <TextField
        label={good ? 'How it was tested, with what it gave' : 'Why it is given up'}
        value={ended}
        onChange={setEnded}
        fault={form.faults.ended}
      />
      {good && (
        <DayInput
          shown
          label="Own warranty until"
          value={warrantyUntil}
          onChange={setWarranty}
          fault={form.faults.warrantyUntil}
        />
      )}
    </EntryForm>
  );
}
