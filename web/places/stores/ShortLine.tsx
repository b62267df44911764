import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type PurchaseLine, type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { hasRole } from '../../../contract/rights.ts';
import { isComing } from '../../../core/buying/purchase.ts';
import { usePerson } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';

interface Props {
  readonly order: PurchaseSheet;
  readonly line: PurchaseLine;
}

/** What can be put right on a line: pieces go back, or what is still to come will not. */
export function ShortLine({ order, line }: Props) {
  const { role } = usePerson();
  const kept = line.accepted - line.returned;
  const mayBack = kept > 0 && hasRole(role, purchaseAddress.sendBack.may);
  const mayDrop = isComing(order.state) && line.outstanding > 0 && hasRole(role, purchaseAddress.drop.may);
  const [open, setOpen] = useState(false);
  if (!mayBack && !mayDrop) return null;
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={
        <div className="stack" style={{ width: 270 }}>
          {mayBack && <SendBack order={order} line={line} kept={kept} done={() => setOpen(false)} />}
          {mayDrop && <Drop order={order} line={line} done={() => setOpen(false)} />}
        </div>
      }
    >
      <Button size="small" type="text" aria-label={`Put ${line.name} right`}>
        Put right
      </Button>
    </Popover>
  );
}

function SendBack({ order, line, kept, done }: Props & { kept: number; done: () => void }) {
  const [quantity, setQuantity] = useState<number | null>(kept);
  const [serials, setSerials] = useState<string[]>([]);
  const [reason, setReason] = useState('');
  const body = { lineId: line.id, quantity, serials, reason, version: order.version };
  const form = useChecked(purchaseAddress.sendBack, { purchase: order.number }, body);
  return (
    <EntryForm
      small
      save="Send them back"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <StockInput
        label="So many back"
        value={quantity}
        unitSize={line.unitSize}
        onChange={setQuantity}
        fault={form.faults.quantity}
      />
      {line.numbered && (
        <NumbersInput label="Numbers" value={serials} onChange={setSerials} fault={form.faults.serials} />
      )}
      <TextField label="Why they go back" value={reason} onChange={setReason} fault={form.faults.reason} />
    </EntryForm>
  );
}

function Drop({ order, line, done }: Props & { done: () => void }) {
  const [quantity, setQuantity] = useState<number | null>(line.outstanding);
  const [why, setWhy] = useState('');
  const body = { lineId: line.id, quantity, why, version: order.version };
  const form = useChecked(purchaseAddress.drop, { purchase: order.number }, body);
  return (
    <EntryForm
      small
      save="These will not come"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <StockInput
        label="So many will not come"
        value={quantity}
        unitSize={line.unitSize}
        onChange={setQuantity}
        fault={form.faults.quantity}
      />
      <TextField label="Why they will not come" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}
