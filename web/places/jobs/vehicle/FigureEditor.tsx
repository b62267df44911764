import { EditOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type VehicleFigureBody, vehicleAddress } from '../../../../contract/vehicle.ts';
import type { Source } from '../../../../core/quantity/sourced.ts';
import { VEHICLE_FIGURES, type VehicleFigureId } from '../../../../core/vehicle/vehicleFigures.ts';
import { SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

/** A figure of this vehicle as the server says it is stored; null where it has none of its own. */
interface SourcedFigure {
  readonly value: number;
  readonly source: Source;
  readonly at: string;
}

function FigureForm({ id, done }: { id: VehicleFigureId; done: () => void }) {
  const { job, vehicle } = useOpenJob('job', 'vehicle');
  const [value, setValue] = useState<number | null>(vehicle.figures[id].value);
  const [source, setSource] = useState<Source>('measured');
  // The vehicle's own figure as it was when this was opened; somebody else may measure meanwhile.
  const [since] = useState(job.vehicle.measured[id]?.at ?? null);
  const form = useChecked(vehicleAddress.measure, { number: job.number }, { figure: id, value, source, since });
  const save = async () => {
    if (await form.save()) done();
  };
  return (
    <EntryForm
      style={{ width: 230 }}
      save="Save figure"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void save()}
    >
      <QuantityInput
        label="Value"
        kind={VEHICLE_FIGURES[id]}
        value={value}
        onChange={setValue}
        fault={form.faults.value}
      />
      <Choice
        label="Where from"
        value={source}
        options={(['measured', 'drawing', 'assumed'] as const).map((s) => ({ value: s, label: SOURCE_NAME[s] }))}
        onChange={(next) => setSource((next as Source | null) ?? 'measured')}
      />
      <Conflict
        of={vehicleAddress.measure}
        params={{ number: job.number }}
        sending={form.sending}
        theirs={(now: SourcedFigure | null) => ({
          figure: id,
          value: now?.value ?? null,
          source: (now?.source ?? 'assumed') as VehicleFigureBody['source'],
          since: now?.at ?? null,
        })}
        done={done}
      />
    </EntryForm>
  );
}

/** Lays a figure of this very vehicle over the library's, with where it came from. */
export function FigureEditor({ id }: { id: VehicleFigureId }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      title={VEHICLE_FIGURE_NAME[id]}
      content={<FigureForm id={id} done={() => setOpen(false)} />}
      destroyOnHidden
    >
      <Button icon={<EditOutlined />} size="small" type="text" aria-label={`Measure ${VEHICLE_FIGURE_NAME[id]}`}>
        Measure
      </Button>
    </Popover>
  );
}
