import { Button, Segmented } from 'antd';
import type { WeighingBody } from '../../../../contract/vehicle.ts';
import { vehicleAddress } from '../../../../contract/vehicle.ts';
import { useDraft } from '../../../data/draft.ts';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useBench } from '../jobBench.ts';

type Corners = 'frontLeftKg' | 'frontRightKg' | 'rearLeftKg' | 'rearRightKg';
type Draft = Omit<WeighingBody, Corners> & Record<Corners, number | null>;

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
  const { job } = useBench();
  const [draft, setDraft] = useDraft<Draft>(`weighing ${job.id}`);
  const body = draft ?? BLANK;
  const sending = useSend(true);
  const set = (change: Partial<Draft>) => setDraft({ ...body, ...change });
  const save = async () => {
    if (await sending.go(vehicleAddress.weigh, { number: job.number }, body)) setDraft(null);
  };
  const fault = (corner: Corners) =>
    sending.faults[corner] === `${corner} must be a number, without unit or comma.`
      ? 'Weigh this corner.'
      : sending.faults[corner];
  return (
    <div className="stack">
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 10 }}>
        {(['frontLeftKg', 'rearLeftKg', 'frontRightKg', 'rearRightKg'] as const).map((corner) => (
          <QuantityInput
            key={corner}
            label={NAME[corner]}
            kind="mass"
            value={body[corner]}
            onChange={(value) => set({ [corner]: value })}
            fault={fault(corner)}
            onEnter={() => void save()}
          />
        ))}
      </div>
      <div className="field">
        <span className="label">State</span>
        <Segmented
          aria-label="State when weighed"
          value={body.state}
          options={[
            { label: 'As received', value: 'asReceived' },
            { label: 'Stripped', value: 'stripped' },
          ]}
          onChange={(state) => set({ state: state as Draft['state'] })}
        />
      </div>
      <TextField label="Fuel and what was in it" value={body.note} onChange={(note) => set({ note })} />
      {sending.problem && !sending.problem.fields && <div className="fault">{sending.problem.detail}</div>}
      <div>
        <Button type="primary" loading={sending.busy} onClick={() => void save()}>
          Save weights
        </Button>
      </div>
    </div>
  );
}
