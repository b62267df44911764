import { Button, Popover, Segmented } from 'antd';
import { useState } from 'react';
import { type AdditionRow, type OfferRow, offerAddress } from '../../../../contract/offers.ts';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

type Row = Pick<OfferRow | AdditionRow, 'id' | 'version'>;
type AnswerAddress = typeof offerAddress.answer | typeof offerAddress.answerWish;

/** How the client answered, where he did it by word or letter and not on his page. */
export const AnswerOffer = ({ row }: { row: OfferRow }) => <Answer address={offerAddress.answer} row={row} />;
export const AnswerChange = ({ row }: { row: AdditionRow }) => (
  <Answer address={offerAddress.answerWish} row={row} small />
);

function Answer({ address, row, small = false }: { address: AnswerAddress; row: Row; small?: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<AnswerForm address={address} row={row} done={() => setOpen(false)} />}
    >
      <Button size={small ? 'small' : 'middle'} type={small ? 'default' : 'primary'}>
        Their answer …
      </Button>
    </Popover>
  );
}

function AnswerForm({ address, row, done }: { address: AnswerAddress; row: Row; done: () => void }) {
  const [said, setSaid] = useState<'accepted' | 'declined'>('accepted');
  const [name, setName] = useState('');
  const [why, setWhy] = useState('');
  const accepted = said === 'accepted';
  const form = useChecked(
    address as typeof offerAddress.answer,
    { id: row.id },
    { accepted, name, why, version: row.version },
  );
  return (
    <EntryForm
      small
      save={accepted ? 'It is accepted' : 'It is declined'}
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 260 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <Segmented
        block
        aria-label="Their answer"
        value={said}
        options={[
          { value: 'accepted', label: 'Accepted' },
          { value: 'declined', label: 'Declined' },
        ]}
        onChange={setSaid}
      />
      <TextField label="Who said so" value={name} onChange={setName} fault={form.faults.name} />
      <TextField
        label={accepted ? 'With which words' : 'What stood against it'}
        value={why}
        onChange={setWhy}
        fault={form.faults.why}
      />
      {accepted && address === offerAddress.answer && (
        <p className="soft small">Design and kit stay as offered from now on; what is wished later is a change.</p>
      )}
    </EntryForm>
  );
}
