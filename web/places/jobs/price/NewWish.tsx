import { Checkbox, Drawer } from 'antd';
import { useState } from 'react';
import { offerAddress } from '../../../../contract/offers.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

interface Props {
  readonly onClose: () => void;
  readonly onMade: (id: string) => void;
}

/** Notes a wish in the client's words; where it is an option of the kit, its parts and hours are put in at once. */
export function NewWish({ onClose, onMade }: Props) {
  const { job, shelves, kit } = useOpenJob('job', 'shelves', 'kit');
  const [wish, setWish] = useState('');
  const [askedBy, setAskedBy] = useState('');
  const [revisionId, setRevision] = useState<string | null>(null);
  const [options, setOptions] = useState<readonly string[]>(job.kit?.options ?? []);
  const revisions = kit
    ? [...shelves.kits.values()].filter(({ kitId, state }) => kitId === kit.kitId && state === 'released')
    : [];
  const chosen = revisions.find(({ id }) => id === (revisionId ?? job.kit?.revisionId));
  const changed =
    job.kit !== null &&
    chosen !== undefined &&
    (chosen.id !== job.kit.revisionId || [...options].sort().join() !== [...job.kit.options].sort().join());
  const form = useChecked(
    offerAddress.wish,
    { number: job.number },
    { wish, askedBy, kit: changed ? { revisionId: chosen.id, options } : null },
  );
  return (
    <Drawer open title="Note a wish" onClose={onClose} size={420}>
      <EntryForm
        save="Note it"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() =>
          void form.save().then((made) => {
            if (!made) return;
            onMade(made.id);
            onClose();
          })
        }
      >
        <TextField label="What is wished" value={wish} onChange={setWish} fault={form.faults.wish} />
        <TextField label="By whom" value={askedBy} onChange={setAskedBy} fault={form.faults.askedBy} />
        {chosen && (
          <>
            {revisions.length > 1 && (
              <Choice
                label="Of the kit"
                value={chosen.id}
                options={revisions.map(({ id, kitName, revision }) => ({ value: id, label: `${kitName} ${revision}` }))}
                onChange={setRevision}
              />
            )}
            {chosen.options.length > 0 && (
              <fieldset className="box-detail">
                <legend>Options of {chosen.kitName}</legend>
                <Checkbox.Group
                  className="stack"
                  value={[...options]}
                  options={chosen.options.map(({ id: value, name: label }) => ({ value, label }))}
                  onChange={setOptions}
                />
              </fieldset>
            )}
            <p className="soft small">
              {changed
                ? 'Parts and hours of the kit are put in; you look at them before the client does.'
                : 'Nothing of the kit is changed by it: parts and hours are typed next.'}
            </p>
          </>
        )}
      </EntryForm>
    </Drawer>
  );
}
