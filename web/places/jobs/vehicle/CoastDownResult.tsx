import { Button } from 'antd';
import { useState } from 'react';
import { vehicleAddress } from '../../../../contract/vehicle.ts';
import { ROTATION_FACTOR } from '../../../../core/figures/road/roadVehicle.ts';
import { fitCoastDown } from '../../../../core/logs/coastDown.ts';
import type { Log } from '../../../../core/logs/readLog.ts';
import { formatNumber, formatQuantity } from '../../../../core/quantity/format.ts';
import { airDensity } from '../../../../core/road/airDensity.ts';
import { rollingAt } from '../../../../core/road/weather.ts';
import { SOURCE_NAME } from '../../../../wording/figures.ts';
import { LOG_PROBLEM } from '../../../../wording/logs.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** An error is never shown as nothing: two digits, wherever they stand. */
const twoDigits = (value: number): string => String(Number(value.toPrecision(2)));

/** Rolling and drag as a coast-down shows them, beside what was taken until now; adopting makes them measured. */
export function CoastDownResult({ log, name }: { log: Log; name: string }) {
  const { job, vehicle, use } = useOpenJob('job', 'vehicle', 'use');
  const set = useUnitSet();
  const sending = useSend();
  const { figures } = vehicle;
  const [massKg, setMass] = useState<number | null>(figures.frontAxleMass.value + figures.rearAxleMass.value);
  const [airC, setAir] = useState<number | null>(use.ambientC);
  const [adopted, setAdopted] = useState(false);
  const fit =
    massKg === null || airC === null || !(massKg > 0)
      ? null
      : fitCoastDown(log, {
          massKg,
          airDensity: airDensity(airC, use.altitudeM),
          rotationFactor: ROTATION_FACTOR,
          rollingCoefficient: 0,
          dragAreaM2: 0,
          headwindMs: 0,
        });
  const fields = (
    <div className="fields">
      <QuantityInput label="Mass during the run" kind="mass" value={massKg} onChange={setMass} />
      <QuantityInput label="Air during the run" kind="temperature" value={airC} onChange={setAir} />
    </div>
  );
  if (fit === null) return fields;
  if (typeof fit === 'string')
    return (
      <>
        {fields}
        <p className="stop">{LOG_PROBLEM[fit]}</p>
      </>
    );
  const area = figures.frontalArea.value;
  // Figures are kept at the temperature at which rolling coefficients are stated.
  const rolling = fit.rolling / rollingAt(airC!);
  const rows = [
    {
      id: 'rollingCoefficient',
      name: 'Rolling coefficient',
      value: rolling,
      error: fit.rollingError / rollingAt(airC!),
    },
    { id: 'dragCoefficient', name: 'Drag coefficient', value: fit.dragAreaM2 / area, error: fit.dragAreaError / area },
  ] as const;
  const adopt = async () => {
    const findings = rows.map(({ id, value, error }) => ({
      figure: id,
      predicted: figures[id].value,
      measured: value,
      error,
    }));
    if ((await sending.go(vehicleAddress.keepFindings, { number: job.number }, { log: name, findings })) === null)
      return;
    for (const { id, value } of rows) {
      const since = job.vehicle.measured[id]?.at ?? null;
      const body = { figure: id, value: Number(value.toPrecision(4)), source: 'measured' as const, since };
      if ((await sending.go(vehicleAddress.measure, { number: job.number }, body)) === null) return;
    }
    setAdopted(true);
  };
  return (
    <div className="stack" data-coast-down>
      {fields}
      <DataTable
        label="Coast-down against what was taken"
        rows={rows}
        rowKey={({ id }) => id}
        columns={({ words, figures: numbers }) => [
          words('Figure', ({ name }) => name),
          numbers('Until now', ({ id }) => (
            <>
              {formatNumber(figures[id].value, 4)} <span className="soft small">{SOURCE_NAME[figures[id].source]}</span>
            </>
          )),
          numbers('By this log', ({ value, error }) => (
            <span className="strong">
              {formatNumber(value, 4)} <span className="soft">± {twoDigits(error)}</span>
            </span>
          )),
        ]}
      />
      <p className="soft small">
        {formatQuantity(fit.fromKmh, 'speed', set)} to {formatQuantity(fit.toKmh, 'speed', set)}, {fit.windows}{' '}
        stretches of two seconds; each is off by {twoDigits(fit.residualKmh)} km/h a second. Drag area{' '}
        {formatNumber(fit.dragAreaM2, 3)} m² over a frontal area of {formatNumber(area, 2)} m².
      </p>
      <div>
        <Button type="primary" loading={sending.busy} disabled={adopted} onClick={() => void adopt()}>
          {adopted ? 'Adopted as measured' : 'Adopt as measured'}
        </Button>
      </div>
      {sending.problem && <p className="stop small">{sending.problem.detail}</p>}
    </div>
  );
}
