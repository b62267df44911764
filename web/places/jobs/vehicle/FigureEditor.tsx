import { Button, Popover } from 'antd';
import { useState } from 'react';
import { vehicleAddress } from '../../../../contract/vehicle.ts';
import type { Source } from '../../../../core/quantity/sourced.ts';
import { VEHICLE_FIGURES, type VehicleFigureId } from '../../../../core/vehicle/vehicleFigures.ts';
import { SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useBench } from '../jobBench.ts';

function FigureForm({ id, done }: { id: VehicleFigureId; done: () => void }) {
  const { job, vehicle } = useBench();
  const [value, setValue] = useState<number | null>(vehicle.figures[id].value);
  const [source, setSource] = useState<Source>('measured');
  // The vehicle's own figure as it was when this was opened; somebody else may measure meanwhile.
  const [since] = useState(job.vehicle.measured[id]?.at ?? null);
  const sending = useSend(true);
  const save = async () => {
    if (await sending.go(vehicleAddress.measure, { number: job.number }, { figure: id, value, source, since })) done();
  };
  return (
    <div className="stack" style={{ width: 230 }} data-form>
      <QuantityInput
        label="Value"
        kind={VEHICLE_FIGURES[id]}
        value={value}
        onChange={setValue}
        fault={sending.faults.value}
        onEnter={() => void save()}
      />
      <Choice
        label="Where from"
        value={source}
        options={(['measured', 'drawing', 'assumed'] as const).map((s) => ({ value: s, label: SOURCE_NAME[s] }))}
        onChange={(next) => setSource((next as Source | null) ?? 'measured')}
      />
      {sending.problem && !sending.problem.fields && <div className="fault">{sending.problem.detail}</div>}
      <Button type="primary" onClick={() => void save()} loading={sending.busy}>
        Save figure
      </Button>
    </div>
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
      <Button size="small" type="text" aria-label={`Measure ${VEHICLE_FIGURE_NAME[id]}`}>
        Measure
      </Button>
    </Popover>
  );
}
