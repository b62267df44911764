import { FIGURES } from '../../../../core/figures/index.ts';
import type { Log } from '../../../../core/logs/readLog.ts';
import { readRoadLog } from '../../../../core/logs/roadLog.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { LOG_PROBLEM } from '../../../../wording/logs.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { useOpenJob } from '../openJob.ts';

/** What a road log shows beside what the figures predict: use for a distance, resistance of the pack. */
export function RoadLogResult({ log }: { log: Log }) {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const read = readRoadLog(log);
  if (typeof read === 'string') return <p className="stop">{LOG_PROBLEM[read]}</p>;
  const use = sheet.slots.use.round ? FIGURES.consumptionRound : FIGURES.consumptionCycle;
  const rows = [
    { name: 'Use', kind: 'consumption' as const, predicted: sheet.get(use).value, measured: read.whPerKm },
    {
      name: 'Resistance of the pack',
      kind: 'resistance' as const,
      predicted: sheet.get(FIGURES.packResistance).value,
      measured: read.packOhm,
    },
    {
      name: 'Voltage without load',
      kind: 'voltage' as const,
      predicted: sheet.get(FIGURES.packVoltageNominal).value,
      measured: read.packV,
    },
  ];
  const say = (value: number | null, kind: (typeof rows)[number]['kind']) =>
    value === null ? '–' : formatQuantity(value, kind, set);
  return (
    <div className="stack" data-road-log>
      <DataTable
        label="Road log against what was predicted"
        rows={rows}
        rowKey={({ name }) => name}
        columns={({ words, figures }) => [
          words('Figure', ({ name }) => name),
          figures('Predicted', ({ predicted, kind }) => say(predicted, kind)),
          figures('By this log', ({ measured, kind }) => <span className="strong">{say(measured, kind)}</span>),
          figures('Off by', ({ predicted, measured }) =>
            predicted && measured ? formatQuantity(measured / predicted - 1, 'share', set, { signed: true }) : '–',
          ),
        ]}
      />
      <p className="soft small">
        {formatQuantity(read.takenWh, 'energy', set)} taken, {formatQuantity(read.backWh, 'energy', set)} put back
        {read.distanceKm === null ? '' : ` over ${formatQuantity(read.distanceKm, 'distance', set, { digits: 1 })}`},
        resistance ± {formatQuantity(read.packOhmError, 'resistance', set)}.
      </p>
    </div>
  );
}
