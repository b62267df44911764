import { Checkbox, Drawer } from 'antd';
import { useState } from 'react';
import { offerAddress } from '../../../../contract/offers.ts';
import { refurbishingAddress } from '../../../../contract/refurbishing.ts';
import { money } from '../../../../wording/offers.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

/** Puts a way beside the others: a design of the job or a kit with its options, and who does the low-voltage work. */
export function NewWayForm({ onClose }: { onClose: () => void }) {
  const { job, shelves } = useOpenJob('job', 'shelves');
  const [what, setWhat] = useState<string | null>(null);
  const [typed, setName] = useState<string | null>(null);
  const [options, setOptions] = useState<readonly string[]>([]);
  const [lvByClient, setLv] = useState(false);
  const [moreCents, setMore] = useState(0);
  const [serialId, setSerial] = useState<string | null>(null);
  const { data: units = [] } = useOfAddress(refurbishingAddress.list, {});
  const set = useUnitSet();
  const kits = [...shelves.kits.values()].filter(({ state }) => state !== 'withdrawn');
  const choices = [
    ...job.designs.map(({ id, name }) => ({ value: `design ${id}`, label: `Design ${name}` })),
    ...kits.map(({ id, kitName, revision }) => ({ value: `kit ${id}`, label: `${kitName} ${revision}` })),
  ];
  const [kind, id] = what?.split(' ') ?? [];
  const kit = kind === 'kit' ? kits.find((one) => one.id === id) : undefined;
  const name =
    typed ??
    [
      choices.find(({ value }) => value === what)?.label.replace(/^Design /, ''),
      ...(kit?.options ?? [])
        .filter((option) => options.includes(option.id))
        .map((option) => option.name.toLowerCase()),
    ]
      .filter(Boolean)
      .join(', ');
  const form = useChecked(
    offerAddress.way,
    { number: job.number },
    {
      ...{ name, lvByClient, moreCents, serialId, options: kit ? options : [] },
      designId: kind === 'design' ? (id ?? null) : null,
      revisionId: kind === 'kit' ? (id ?? null) : null,
    },
  );
  return (
    <Drawer open title="Put a way beside" onClose={onClose} size={420}>
      <EntryForm
        save="Put it beside"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((saved) => saved && onClose())}
      >
        <Choice
          label="What it is"
          value={what}
          options={choices}
          onChange={(next) => {
            setWhat(next);
            setOptions([]);
          }}
          fault={form.faults.designId}
        />
        {kit && kit.options.length > 0 && (
          <Checkbox.Group
            value={[...options]}
            options={kit.options.map(({ id: value, name: label }) => ({ value, label }))}
            onChange={setOptions}
          />
        )}
        <Checkbox checked={lvByClient} onChange={({ target }) => setLv(target.checked)}>
          The client does the low-voltage work; high voltage stays here
        </Checkbox>
        {units.length > 0 && (
          <Choice
            label="A unit made good again, in place of a new one"
            value={serialId}
            mayBeEmpty
            options={units.map((unit) => ({
              value: unit.serialId,
              label: `${unit.component} ${unit.serial}, ${money(unit.totalCents, set)}${unit.open ? ' so far' : ''} against ${money(unit.newCents, set)}`,
            }))}
            onChange={setSerial}
            fault={form.faults.serialId}
          />
        )}
        <QuantityInput
          label="More or less, before tax"
          kind="money"
          digits={2}
          value={moreCents}
          onChange={(cents) => setMore(Math.round(cents ?? 0))}
          fault={form.faults.moreCents}
        />
        <TextField label="Called" value={name} onChange={setName} fault={form.faults.name} />
      </EntryForm>
    </Drawer>
  );
}
