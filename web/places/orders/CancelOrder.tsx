import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Cancels an order that has not left, with a reason. */
export function CancelOrder({ order }: { order: OrderSheet }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<Reason order={order} done={() => setOpen(false)} />}
    >
      <Button size="small" type="text">
        Cancel the order …
      </Button>
    </Popover>
  );
}

function Reason({ order, done }: { order: OrderSheet; done: () => void }) {
  const [why, setWhy] = useState('');
  const form = useChecked(orderAddress.cancel, { order: order.number }, { why, version: order.version });
  return (
    <EntryForm
      small
      save="Cancel it"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 240 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}
