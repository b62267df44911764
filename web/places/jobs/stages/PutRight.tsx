import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type CloseSnag, stageAddress } from '../../../../contract/stages.ts';
import { REWORK_CAUSES } from '../../../../core/hours/entry.ts';
import { REWORK_NAME } from '../../../../wording/work.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

/** A snag is put right: how, why it was there and what it cost, as far as anybody knows. */
export function PutRight({ id, text }: { id: string; text: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<PutRightForm id={id} done={() => setOpen(false)} />}
    >
      <Button size="small" aria-label={`Put right: ${text}`}>
        Put right
      </Button>
    </Popover>
  );
}

function PutRightForm({ id, done }: { id: string; done: () => void }) {
  const [draft, setDraft] = useState<CloseSnag>({ how: '', cause: null, costHours: null, costCents: null });
  const set = (change: Partial<CloseSnag>) => setDraft((now) => ({ ...now, ...change }));
  const form = useChecked(stageAddress.closeSnag, { id }, draft);
  return (
    <EntryForm
      small
      save="It is put right"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 260 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="How" value={draft.how} onChange={(how) => set({ how })} fault={form.faults.how} />
      <Choice
        label="Why it was there"
        mayBeEmpty
        placeholder="nobody knows"
        value={draft.cause}
        options={REWORK_CAUSES.map((value) => ({ value, label: REWORK_NAME[value] }))}
        onChange={(cause) => set({ cause })}
        fault={form.faults.cause}
      />
      <QuantityInput
        label="Hours it cost"
        kind="hours"
        mayBeEmpty
        value={draft.costHours}
        onChange={(costHours) => set({ costHours })}
        fault={form.faults.costHours}
      />
      <QuantityInput
        label="Money it cost"
        kind="money"
        mayBeEmpty
        value={draft.costCents}
        onChange={(cents) => set({ costCents: cents === null ? null : Math.round(cents) })}
        fault={form.faults.costCents}
      />
    </EntryForm>
  );
}
