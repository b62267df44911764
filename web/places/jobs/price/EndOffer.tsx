import { Button, Popover } from 'antd';
import { useState } from 'react';
import { offerAddress } from '../../../../contract/offers.ts';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

interface Props {
  readonly row: { readonly id: string; readonly version: number };
  readonly of?: 'offer' | 'change';
}

/** Takes an offer or a change back, with a reason: it stays to be read. */
export function EndOffer({ row, of = 'offer' }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<Reason row={row} of={of} done={() => setOpen(false)} />}
    >
      <Button type="text" size={of === 'change' ? 'small' : 'middle'}>
        Withdraw …
      </Button>
    </Popover>
  );
}

function Reason({ row, of, done }: Required<Props> & { done: () => void }) {
  const [why, setWhy] = useState('');
  const address =
    of === 'offer' ? offerAddress.withdraw : (offerAddress.withdrawWish as unknown as typeof offerAddress.withdraw);
  const form = useChecked(address, { id: row.id }, { why, version: row.version });
  return (
    <EntryForm
      small
      save="Withdraw it"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 250 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}
