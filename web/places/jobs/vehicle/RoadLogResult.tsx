import { Button } from 'antd';
import { useState } from 'react';
import { vehicleAddress } from '../../../../contract/vehicle.ts';
import { gearing } from '../../../../core/figures/drive/gearing.ts';
import { motorNow } from '../../../../core/figures/drive/motorNow.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { ROTATION_FACTOR } from '../../../../core/figures/road/roadVehicle.ts';
import { LOG_FINDINGS, type LogFinding } from '../../../../core/logs/findings.ts';
import type { Log } from '../../../../core/logs/readLog.ts';
import { type RoadRun, roadFindings } from '../../../../core/logs/roadFindings.ts';
import { moduleAt } from '../../../../core/pack/temperature.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { airDensity } from '../../../../core/road/airDensity.ts';
import { rollingAt } from '../../../../core/road/weather.ts';
import { LOG_PROBLEM } from '../../../../wording/logs.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { useDesign } from '../size/design/useDesign.ts';

/** What a road log shows beside what the figures predict: kept with the vehicle, and taken into the design by choice. */
export function RoadLogResult({ log, name }: { log: Log; name: string }) {
  const { job, use, sheet } = useOpenJob('job', 'use', 'sheet');
  const { inputs, set } = useDesign();
  const units = useUnitSet();
  const sending = useSend();
  const mayDesign = useMay(job, 'design');
  const [kept, setKept] = useState(false);
  const [massKg, setMass] = useState<number | null>(() => rounded(sheet.get(FIGURES.grossMassNow).value));
  const [packC, setPackC] = useState<number | null>(use.ambientC);
  const shown = roadFindings(log, useRun(massKg, packC ?? use.ambientC));
  if (typeof shown === 'string') return <p className="stop">{LOG_PROBLEM[shown]}</p>;

  const { read, way, findings } = shown;
  const measured = (figure: LogFinding['figure'], digits = 3) => {
    const found = findings.find((one) => one.figure === figure);
    return found ? Number(found.measured.toPrecision(digits)) : null;
  };
  const [ohm, efficiency] = [measured('packResistance'), measured('efficiency')];
  const adopt = () =>
    set({
      measuredOhm: ohm,
      ...(efficiency !== null && { drive: { ...inputs.drive, efficiency: Math.min(0.99, efficiency) } }),
    });
  const keep = async () => {
    const answer = await sending.go(vehicleAddress.keepFindings, { number: job.number }, { log: name, findings });
    if (answer !== null) setKept(true);
  };
  const adopted = inputs.measuredOhm === ohm;
  const say = (value: number | null, figure: LogFinding['figure']) =>
    value === null ? '–' : formatQuantity(value, LOG_FINDINGS[figure].kind, units);
  return (
    <div className="stack" data-road-log>
      <div className="fields">
        <QuantityInput label="Mass during the run" kind="mass" value={massKg} onChange={setMass} />
        <QuantityInput label="Pack during the run" kind="temperature" value={packC} onChange={setPackC} />
      </div>
      <DataTable
        label="Road log against what was predicted"
        rows={findings}
        rowKey={({ figure }) => figure}
        columns={({ words, figures }) => [
          words('Figure', ({ figure }) => LOG_FINDINGS[figure].name),
          figures('Predicted', ({ figure, predicted }) => say(predicted, figure)),
          figures('By this log', ({ figure, measured: value, error }) => (
            <span className="strong">
              {say(value, figure)}{' '}
              {error !== null && error > value / 1000 && <span className="soft">± {say(error, figure)}</span>}
            </span>
          )),
          figures('Off by', ({ predicted, measured: value }) =>
            predicted ? formatQuantity(value / predicted - 1, 'share', units, { signed: true }) : '–',
          ),
        ]}
      />
      <p className="soft small">
        {formatQuantity(read.takenWh, 'energy', units)} taken, {formatQuantity(read.backWh, 'energy', units)} put back
        {read.distanceKm === null ? '' : ` over ${formatQuantity(read.distanceKm, 'distance', units, { digits: 1 })}`}.{' '}
        {typeof way === 'string'
          ? LOG_PROBLEM[way]
          : way &&
            `The efficiency rests on mass, rolling, drag and a level road, and on ${way.windows} stretches that pull.`}
      </p>
      <div className="row">
        <Button type="primary" loading={sending.busy} disabled={kept} onClick={() => void keep()}>
          {kept ? 'Kept with the vehicle' : 'Keep beside what was predicted'}
        </Button>
        {mayDesign && (
          <Button disabled={adopted} onClick={adopt}>
            {adopted
              ? 'In the design, to be saved'
              : `Take resistance${efficiency === null ? '' : ' and efficiency'} into the design`}
          </Button>
        )}
      </div>
      {sending.problem && <p className="stop small">{sending.problem.detail}</p>}
    </div>
  );
}

const rounded = (kg: number | null): number | null => (kg === null ? null : Math.round(kg));

/** What is known of the run besides its log: the vehicle as it ran, and what its figures say now. */
function useRun(massKg: number | null, packC: number): RoadRun {
  const { vehicle, use, sheet } = useOpenJob('vehicle', 'use', 'sheet');
  const { figures } = vehicle;
  const module = sheet.slots.pack.module?.sheet;
  const resistance = (temperatureC: number) => (module ? moduleAt(module, temperatureC).resistance : 1);
  const packOhm = sheet.get(FIGURES.packResistance).value;
  return {
    vehicle:
      massKg === null || !(massKg > 0)
        ? null
        : {
            massKg,
            rollingCoefficient: figures.rollingCoefficient.value * rollingAt(use.ambientC),
            dragAreaM2: figures.frontalArea.value * figures.dragCoefficient.value,
            airDensity: airDensity(use.ambientC, use.altitudeM),
            rotationFactor: ROTATION_FACTOR,
            headwindMs: 0,
          },
    gearEfficiency: sheet.get(gearing).value?.efficiency ?? null,
    resistanceThen: resistance(packC),
    predicted: {
      consumption: sheet.get(sheet.slots.use.round ? FIGURES.consumptionRound : FIGURES.consumptionCycle).value,
      packResistance: packOhm === null ? null : packOhm / resistance(use.ambientC),
      packVoltage: sheet.get(FIGURES.packVoltageNominal).value,
      efficiency: sheet.get(motorNow).value?.efficiency ?? null,
    },
  };
}
