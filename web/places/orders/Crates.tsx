import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { type CrateLoad, crateLoads, LOOSE } from '../../../core/order/packing.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { useUnitSet } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Crates with size and mass as weighed, beside what is in them. */
export function Crates({ order, may }: { order: OrderSheet; may: boolean }) {
  return (
    <Panel title="Crates">
      {crateLoads(order.lines, order.crates).map((load) => (
        <Crate key={load.name} order={order} load={load} may={may} />
      ))}
    </Panel>
  );
}

function Crate({ order, load, may }: { order: OrderSheet; load: CrateLoad; may: boolean }) {
  const set = useUnitSet();
  const [open, setOpen] = useState(false);
  const { weighed, name } = load;
  return (
    <div className="lesson" data-crate={name}>
      <span className="strong">{name === LOOSE ? 'Loose parts' : name}</span>{' '}
      <span className="soft small">contents {formatQuantity(load.massKg, 'mass', set)}</span>
      <div className="small">
        {weighed ? (
          <span className={load.tooLight ? 'stop' : ''}>
            {formatQuantity(weighed.massKg, 'mass', set)}, {weighed.lengthMm} × {weighed.widthMm} × {weighed.heightMm}{' '}
            mm
            {load.tooLight && ': less than what is in it'}
          </span>
        ) : (
          <span className="wait">not weighed</span>
        )}{' '}
        {may && (
          <Popover
            trigger="click"
            open={open}
            onOpenChange={setOpen}
            destroyOnHidden
            content={<Weigh order={order} load={load} done={() => setOpen(false)} />}
          >
            <button type="button" className="link-like" aria-label={`Weigh ${name}`}>
              {weighed ? 'again' : 'Weigh'}
            </button>
          </Popover>
        )}
      </div>
    </div>
  );
}

function Weigh({ order, load, done }: { order: OrderSheet; load: CrateLoad; done: () => void }) {
  const [draft, setDraft] = useState<{
    lengthMm: number | null;
    widthMm: number | null;
    heightMm: number | null;
    massKg: number | null;
  }>(load.weighed ?? { lengthMm: null, widthMm: null, heightMm: null, massKg: null });
  const { lengthMm, widthMm, heightMm, massKg } = draft;
  const round = (mm: number | null) => (mm === null ? null : Math.round(mm));
  const body = {
    ...{ name: load.name, massKg },
    ...{ lengthMm: round(lengthMm), widthMm: round(widthMm), heightMm: round(heightMm) },
  };
  const form = useChecked(orderAddress.crate, { order: order.number }, body);
  const field = (label: string, key: 'lengthMm' | 'widthMm' | 'heightMm' | 'massKg') => (
    <QuantityInput
      label={label}
      kind={key === 'massKg' ? 'mass' : 'length'}
      value={draft[key]}
      onChange={(value) => setDraft((now) => ({ ...now, [key]: value }))}
      fault={form.faults[key]}
      mayBeEmpty
    />
  );
  return (
    <EntryForm
      small
      save="Keep it"
      busy={form.busy}
      refusal={form.refusal ?? form.faults.name ?? null}
      style={{ width: 260 }}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <div className="fields">
        {field('Length outside', 'lengthMm')}
        {field('Width', 'widthMm')}
        {field('Height', 'heightMm')}
        {field('Mass as weighed', 'massKg')}
      </div>
    </EntryForm>
  );
}
