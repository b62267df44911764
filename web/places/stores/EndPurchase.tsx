import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Cancels an order of which nothing has come, with a reason. */
export function EndPurchase({ order }: { order: PurchaseSheet }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<Reason order={order} done={() => setOpen(false)} />}
    >
      <Button type="text">Cancel …</Button>
    </Popover>
  );
}

function Reason({ order, done }: { order: PurchaseSheet; done: () => void }) {
  const [why, setWhy] = useState('');
  const form = useChecked(purchaseAddress.cancel, { purchase: order.number }, { why, version: order.version });
  return (
    <EntryForm
      small
      save="Cancel the order"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 250 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}
