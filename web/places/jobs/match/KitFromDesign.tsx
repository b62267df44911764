import { useState } from 'react';
import { jobAddress } from '../../../../contract/jobChange.ts';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

/** A first draft of a kit from what was chosen for this vehicle: its components, its boxes, the usual stages. */
export function KitFromDesign({ onMade }: { onMade: (revisionId: string) => void }) {
  const { job, vehicle } = useOpenJob('job', 'vehicle');
  const chosen = job.designs.find(({ id }) => id === job.chosenDesignId);
  const [name, setName] = useState('');
  const form = useChecked(jobAddress.makeKit, { number: job.number }, { name });
  const make = async () => {
    const made = await form.save();
    if (!made) return;
    setName('');
    onMade(made.id);
  };
  return (
    <Panel title="A kit from this design" aside={chosen ? `design ${chosen.name}` : undefined}>
      <div className="in">
        <EntryForm
          small
          save="Make a draft of a kit"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void make()}
        >
          <div className="fields">
            <TextField label="Name of the kit" value={name} onChange={setName} fault={form.faults.name} />
          </div>
          <p className="soft small">
            Every component of the design becomes a line, its boxes the layout, for the {vehicle.variant.modelName}; the
            stages are the trade's usual ones, common practice.
          </p>
        </EntryForm>
      </div>
    </Panel>
  );
}
