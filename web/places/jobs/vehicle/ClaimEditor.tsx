import { CommentOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type VehicleClaimBody, vehicleAddress } from '../../../../contract/vehicle.ts';
import type { Source } from '../../../../core/quantity/sourced.ts';
import { VEHICLE_FIGURES, type VehicleFigureId } from '../../../../core/vehicle/vehicleFigures.ts';
import { SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

function ClaimForm({ id, done }: { id: VehicleFigureId; done: () => void }) {
  const { job } = useOpenJob('job');
  const [value, setValue] = useState<number | null>(null);
  const [source, setSource] = useState<VehicleClaimBody['source']>('drawing');
  const [says, setSays] = useState('');
  const form = useChecked(vehicleAddress.claim, { number: job.number }, { figure: id, value, source, says });
  const save = async () => {
    if (await form.save()) done();
  };
  return (
    <EntryForm
      style={{ width: 250 }}
      save="Keep it beside"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void save()}
    >
      <QuantityInput
        label="Another source says"
        kind={VEHICLE_FIGURES[id]}
        value={value}
        onChange={setValue}
        fault={form.faults.value}
      />
      <TextField label="Who says so" value={says} onChange={setSays} fault={form.faults.says} />
      <Choice
        label="Where from"
        value={source}
        options={(['measured', 'drawing', 'assumed'] as const).map((s) => ({ value: s, label: SOURCE_NAME[s] }))}
        onChange={(next) => setSource((next as Source | null) ?? 'drawing')}
      />
    </EntryForm>
  );
}

/** Notes what another source says of a figure, beside the one that is used. */
export function ClaimEditor({ id }: { id: VehicleFigureId }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      title={`${VEHICLE_FIGURE_NAME[id]}, said otherwise`}
      content={<ClaimForm id={id} done={() => setOpen(false)} />}
      destroyOnHidden
    >
      <Button
        icon={<CommentOutlined />}
        size="small"
        type="text"
        aria-label={`Another source of ${VEHICLE_FIGURE_NAME[id]}`}
        title="Another source says otherwise"
      />
    </Popover>
  );
}
