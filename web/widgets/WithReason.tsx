import { Button, type ButtonProps, Popover } from 'antd';
import { useState } from 'react';
import type { Address, Params, Sent } from '../../contract/address.ts';
import { EntryForm } from './EntryForm.tsx';
import { TextField } from './TextField.tsx';
import { useChecked } from './useChecked.ts';

interface Doing<P extends string, B> {
  readonly address: Address<P, B, unknown>;
  readonly params: Params<P>;
  /** What is sent with the reason that was typed. */
  readonly body: (why: string) => Sent<B>;
  /** Under which name the reason is sent. */
  readonly field?: string;
  readonly label?: string;
  /** What the button of the form says. */
  readonly save: string;
}

interface Props<P extends string, B> extends Doing<P, B> {
  /** The button that asks, as it ends with " …". */
  readonly asks: string;
  readonly button?: ButtonProps;
}

/** Ends something, or takes it out, with a reason that stays to be read. */
export function WithReason<P extends string, B>({ asks, button, ...doing }: Props<P, B>) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<Reason {...doing} done={() => setOpen(false)} />}
    >
      <Button type="text" {...button}>
        {asks}
      </Button>
    </Popover>
  );
}

function Reason<P extends string, B>({
  address,
  params,
  body,
  field = 'why',
  label = 'Why',
  save,
  done,
}: Doing<P, B> & { done: () => void }) {
  const [why, setWhy] = useState('');
  const form = useChecked(address, params, body(why));
  return (
    <EntryForm
      small
      save={save}
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 250 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label={label} value={why} onChange={setWhy} fault={form.faults[field]} />
    </EntryForm>
  );
}
