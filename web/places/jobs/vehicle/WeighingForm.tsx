import { Segmented } from 'antd';
import type { Sent } from '../../../../contract/address.ts';
import type { WeighingBody } from '../../../../contract/vehicle.ts';
import { vehicleAddress } from '../../../../contract/vehicle.ts';
import { useDraft } from '../../../data/draft.ts';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Labelled } from '../../../widgets/Labelled.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

type Corners = 'frontLeftKg' | 'frontRightKg' | 'rearLeftKg' | 'rearRightKg';
type Draft = Sent<WeighingBody>;

const BLANK: Draft = {
  frontLeftKg: null,
  frontRightKg: null,
  rearLeftKg: null,
  rearRightKg: null,
  state: 'asReceived',
  note: '',
};
const NAME: Record<Corners, string> = {
  frontLeftKg: 'Front left',
  frontRightKg: 'Front right',
  rearLeftKg: 'Rear left',
  rearRightKg: 'Rear right',
};

/** Four corners as they stand on the pads, nose to the left as in the drawing. */
export function WeighingForm() {
  const { job } = useOpenJob('job');
  const [draft, setDraft] = useDraft<Draft>(`weighing ${job.id}`);
  const body = draft ?? BLANK;
  const form = useChecked(vehicleAddress.weigh, { number: job.number }, body);
  const set = (change: Partial<Draft>) => setDraft({ ...body, ...change });
  const save = async () => {
    if (await form.save()) setDraft(null);
  };
  return (
    <EntryForm save="Save weights" busy={form.busy} refusal={form.refusal} onSave={() => void save()}>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 10 }}>
        {(['frontLeftKg', 'rearLeftKg', 'frontRightKg', 'rearRightKg'] as const).map((corner) => (
          <QuantityInput
            key={corner}
            label={NAME[corner]}
            kind="mass"
            value={body[corner]}
            onChange={(value) => set({ [corner]: value })}
            fault={form.faults[corner]}
          />
        ))}
      </div>
      <Labelled label="State">
        <Segmented
          aria-label="State when weighed"
          value={body.state}
          options={[
            { label: 'As received', value: 'asReceived' },
            { label: 'Stripped', value: 'stripped' },
          ]}
          onChange={(state) => set({ state: state as Draft['state'] })}
        />
      </Labelled>
      <TextField label="Fuel and what was in it" value={body.note} onChange={(note) => set({ note })} />
    </EntryForm>
  );
}
