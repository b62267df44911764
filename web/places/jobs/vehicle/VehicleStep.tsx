import { useMemo } from 'react';
import { Link } from 'react-router';
import { measuringList } from '../../../../core/brief/measuringList.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { judgeChassisNumber } from '../../../../core/vehicle/chassisNumber.ts';
import { VEHICLE_FIGURE_IDS, VEHICLE_FIGURES } from '../../../../core/vehicle/vehicleFigures.ts';
import { BRIEF_NAME } from '../../../../wording/brief.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { FIGURE_NAME, HOW_TO_MEASURE, SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { VehicleElevation } from '../../../drawing/VehicleElevation.tsx';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { SourceMark } from '../../../widgets/SourceMark.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useOpenJob } from '../openJob.ts';
import { ClaimEditor } from './ClaimEditor.tsx';
import { Claims } from './Claims.tsx';
import { FigureEditor } from './FigureEditor.tsx';
import { LogPanel } from './LogPanel.tsx';
import { NewerRevision } from './NewerRevision.tsx';
import { PlacePanel } from './PlacePanel.tsx';
import { SpreadHead } from './SpreadHead.tsx';
import { WeighingForm } from './WeighingForm.tsx';

const CHASSIS_SAY: Record<string, string> = {
  checkDigitRight: 'check digit right',
  checkDigitOther: 'no check digit of the kind some regions use',
  oldForm: 'form of its time, free text',
};

/** The vehicle in front of you: what it is, what it weighs, where each figure came from, what is still to measure. */
export default function VehicleStep() {
  const { job, vehicle, lines, sheet } = useOpenJob('job', 'vehicle', 'lines', 'sheet');
  const set = useUnitSet();
  const workshop = useWorkshop();
  const mayMeasure = useMay(job, 'measure');
  const toMeasure = useMemo(() => measuringList(lines, sheet), [lines, sheet]);
  const { figures: figuresOf, variant, weighing } = vehicle;
  const rows = VEHICLE_FIGURE_IDS.map((id) => ({ id, kind: VEHICLE_FIGURES[id] }));
  const mass = (id: 'frontAxleMass' | 'rearAxleMass') => formatQuantity(figuresOf[id].value, 'mass', set);
  const share = figuresOf.frontAxleMass.value / (figuresOf.frontAxleMass.value + figuresOf.rearAxleMass.value);
  return (
    <div className="stack">
      <NewerRevision />
      <Panel
        title={`${variant.makerName} ${variant.modelName} ${variant.name}`}
        aside={
          <Link to={`/vehicles/${job.vehicle.id}`}>
            {job.vehicle.builtYear}, {job.vehicle.colour || 'colour not noted'}: all of it
          </Link>
        }
      >
        <div className="in">
          <VehicleElevation
            vehicle={vehicle}
            parts={[]}
            front={{
              text: mass('frontAxleMass'),
              say: `front, ${SOURCE_NAME[figuresOf.frontAxleMass.source]}`,
              over: false,
            }}
            rear={{
              text: mass('rearAxleMass'),
              say: `rear, ${SOURCE_NAME[figuresOf.rearAxleMass.source]}`,
              over: false,
            }}
            middle={{ text: formatQuantity(share, 'share', set), say: 'on the front axle', over: false }}
            centreX={null}
          />
          <div className="row soft small" style={{ justifyContent: 'space-between' }}>
            <span>
              chassis {job.vehicle.chassisNumber} (
              {CHASSIS_SAY[judgeChassisNumber(job.vehicle.chassisNumber, job.vehicle.builtYear)] ?? 'form not known'})
            </span>
            <span>registration {job.vehicle.registration || 'not noted'}</span>
            <span>
              {variant.drivenAxle === 'both' ? 'all wheels driven' : `${variant.drivenAxle} wheels driven`},{' '}
              {variant.systemVoltage} V, tyre {variant.tyre}
            </span>
          </div>
        </div>
      </Panel>
      <div className="two">
        <Panel
          title="Corner weights"
          aside={weighing ? `last by ${weighing.by}, ${dayAndTime(weighing.at, workshop.timeZone)}` : 'not weighed yet'}
        >
          <div className="in">
            {mayMeasure ? <WeighingForm /> : <p className="soft">Weights are entered by technicians.</p>}
          </div>
        </Panel>
        <Panel title="Measuring list" aside={toMeasure.length > 0 ? `${toMeasure.length} to measure` : undefined}>
          <div className="in">
            {toMeasure.length > 0 && (
              <div style={{ paddingBottom: 6 }}>
                <SpreadHead />
              </div>
            )}
            {toMeasure.length === 0 && (
              <p className="soft">
                {job.brief.length === 0
                  ? 'Nothing rests on unmeasured figures while the brief is empty.'
                  : 'Everything that matters to the brief is measured.'}
              </p>
            )}
            {toMeasure.map((item) => (
              <div
                key={item.figure}
                className="line"
                style={{
                  display: 'grid',
                  gridTemplateColumns: '22px 1fr',
                  padding: '5px 0',
                  borderBottom: '1px solid var(--hairline)',
                }}
                data-measure={item.figure}
              >
                <StateMark mark="waiting" />
                <div>
                  <span className="strong">{VEHICLE_FIGURE_NAME[item.figure]}</span>{' '}
                  <span className="soft">
                    {SOURCE_NAME[figuresOf[item.figure].source]}, often{' '}
                    {formatQuantity(item.likelyError, 'share', set, { digits: 0 })} off
                  </span>
                  <div className="soft small">
                    {item.moves &&
                      `moves ${FIGURE_NAME[item.moves.figure].toLowerCase()} by ${formatQuantity(item.moves.share, 'share', set)}; `}
                    {HOW_TO_MEASURE[item.figure] ?? 'measure it'};{' '}
                    {item.lines.map((line) => BRIEF_NAME[line.line.kind].toLowerCase()).join(', ')}{' '}
                    {item.lines.length === 1 ? 'rests' : 'rest'} on it
                  </div>
                </div>
              </div>
            ))}
          </div>
        </Panel>
      </div>
      <LogPanel />
      <PlacePanel />
      <Panel title="Photographs and papers" aside="they stay with the vehicle">
        <div className="in">
          <FilesOf about="vehicle" of={job.vehicle.id} name={job.title} />
        </div>
      </Panel>
      <Panel title="Figures of this vehicle" aside="measured ones stand in for the library's">
        <div className="in">
          <DataTable
            label="Figures of this vehicle"
            rows={rows}
            rowKey={({ id }) => id}
            rowMark={({ id }) => ({ 'data-vehicle-figure': id, className: '' })}
            columns={({ actions, figures, words }) => [
              words('Figure', ({ id }) => VEHICLE_FIGURE_NAME[id]),
              figures('Value', ({ id, kind }) => (
                <span className="strong">{formatQuantity(figuresOf[id].value, kind, set)}</span>
              )),
              words('Source', ({ id }) => (
                <>
                  <SourceMark of={figuresOf[id]} />
                  <Claims id={id} />
                </>
              )),
              figures('Library', ({ id, kind }) => (
                <span className="soft">{formatQuantity(variant.figures[id].value, kind, set)}</span>
              )),
              actions(
                'Measure',
                ({ id }) =>
                  mayMeasure &&
                  !((id === 'frontAxleMass' || id === 'rearAxleMass') && weighing) && (
                    <>
                      <FigureEditor id={id} />
                      <ClaimEditor id={id} />
                    </>
                  ),
              ),
            ]}
          />
        </div>
      </Panel>
    </div>
  );
}
