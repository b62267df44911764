import { Checkbox } from 'antd';
import { useState } from 'react';
import { jobAddress } from '../../../../contract/jobChange.ts';
import { designComponents } from '../../../../core/design/inputs.ts';
import { linesOfJob } from '../../../../core/kit/fromJob.ts';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Fold } from '../../../widgets/Fold.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

/**
 * A draft of a kit that grows out of this job: the parts it got (its design's, where none are listed yet), its boxes, its
 * stages with the hours they took; what only this vehicle got is left out.
 */
export function KitFromDesign({ onMade }: { onMade: (revisionId: string) => void }) {
  const { job, vehicle, shelves } = useOpenJob('job', 'vehicle', 'shelves');
  const chosen = job.designs.find(({ id }) => id === job.chosenDesignId);
  const [name, setName] = useState('');
  const added = new Set(job.parts.filter(({ from }) => from === 'added').map(({ componentId }) => componentId));
  const [onlyThis, setOnlyThis] = useState<ReadonlySet<string>>(added);
  const form = useChecked(jobAddress.makeKit, { number: job.number }, { name, onlyThis: [...onlyThis] });
  const parts =
    job.parts.length > 0 ? job.parts : designComponents(chosen!.inputs).map((one) => ({ ...one, packedIn: '' }));
  const lines = linesOfJob(parts);
  const make = async () => {
    const made = await form.save();
    if (!made) return;
    setName('');
    onMade(made.id);
  };
  return (
    <Panel title="A kit from this job" aside={chosen ? `design ${chosen.name}` : undefined}>
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
            For the {vehicle.variant.modelName}: {lines.length - onlyThis.size} lines, its boxes,{' '}
            {job.stages.length > 0
              ? 'its stages with the hours they took, rework left aside'
              : 'the trade’s usual stages, common practice'}
            .
          </p>
          <Fold title={`What every vehicle gets, and what only this one got (${onlyThis.size})`}>
            <div className="fields">
              {lines.map(({ componentId, quantity }) => (
                <Checkbox
                  key={componentId}
                  checked={!onlyThis.has(componentId)}
                  onChange={({ target }) => {
                    const next = new Set(onlyThis);
                    if (target.checked) next.delete(componentId);
                    else next.add(componentId);
                    setOnlyThis(next);
                  }}
                >
                  {quantity} × {shelves.components.get(componentId)?.name ?? componentId}
                </Checkbox>
              ))}
            </div>
          </Fold>
        </EntryForm>
      </div>
    </Panel>
  );
}
