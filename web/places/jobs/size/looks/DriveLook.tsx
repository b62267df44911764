import { Switch } from 'antd';
import { useMemo, useState } from 'react';
import { sheetCurve } from '../../../../../core/drive/motorCurve.ts';
import { readCurve } from '../../../../../core/drive/readCurve.ts';
import { motorNow } from '../../../../../core/figures/drive/motorNow.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { Sheet } from '../../../../widgets/Sheet.tsx';
import { useBench } from '../../jobBench.ts';
import { PullChart } from '../charts/PullChart.tsx';
import { RunUpChart } from '../charts/RunUpChart.tsx';
import { FigureGroupSheet } from '../FigureSheet.tsx';
import { useDesign } from '../useDesign.ts';

/** From motor to road: pull by gear against the road, times, hills, and what the driveline and its mounts stand. */
export default function DriveLook({ faults }: { faults: Readonly<Record<string, string>> }) {
  return (
    <>
      <PullChart />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.15fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <DrivePanel faults={faults} />
          <RunUpChart />
        </div>
        <div className="stack">
          <FigureGroupSheet group="road" />
          <FigureGroupSheet group="driveline" />
        </div>
      </div>
    </>
  );
}

function DrivePanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet, vehicle } = useBench();
  const { inputs, drive, set, setDrive } = useDesign();
  const unitSet = useUnitSet();
  const unit = sheet.slots.drive.unit;
  const { gearbox } = vehicle.variant;
  const keepsGearbox = unit?.sheet.output === 'gearboxInput' && gearbox.ratios.length > 0;
  const volts = sheet.get(motorNow).value?.volts;
  const fault = (field: string) => faults[`inputs.drive.${field}`];
  return (
    <Sheet
      title={unit ? unit.name : 'No drive chosen'}
      aside={
        volts && unit
          ? `${formatQuantity(volts, 'voltage', unitSet)} under full power${unit.sheet.ratedV ? `, sheet at ${formatQuantity(unit.sheet.ratedV, 'voltage', unitSet)}` : ''}`
          : 'choose one in Layout'
      }
    >
      <div className="in stack">
        <div className="fields">
          <Choice
            label="Motors on the shaft"
            value={String(drive.motors)}
            options={[
              { value: '1', label: 'one' },
              { value: '2', label: 'two on one shaft' },
            ]}
            onChange={(motors) => setDrive({ motors: motors === '2' ? 2 : 1 })}
          />
          <QuantityInput
            label="Another reduction"
            kind="ratio"
            value={drive.reduction}
            mayBeEmpty
            onChange={(reduction) => setDrive({ reduction })}
            fault={
              drive.reduction !== null && !(drive.reduction > 0)
                ? 'A reduction is a number above zero; until then the drive’s own is taken.'
                : fault('reduction')
            }
          />
          {keepsGearbox && (
            <Choice
              label="Gear left engaged"
              value={String(inputs.gear ?? 3)}
              options={gearbox.ratios.map((ratio, i) => ({ value: String(i + 1), label: `${i + 1}, ${ratio} : 1` }))}
              onChange={(gear) => set({ gear: gear ? Number(gear) : null })}
            />
          )}
          {keepsGearbox && (
            <div className="field">
              <span className="label">Changes gear while driving</span>
              <span className="row">
                <Switch
                  aria-label="Changes gear while driving"
                  checked={drive.shifting}
                  onChange={(shifting) => setDrive({ shifting })}
                />
              </span>
            </div>
          )}
          {keepsGearbox && drive.shifting && (
            <QuantityInput
              label="Time to change gear"
              kind="duration"
              value={drive.shiftTimeS}
              onChange={(shiftTimeS) => shiftTimeS !== null && setDrive({ shiftTimeS })}
              fault={fault('shiftTimeS')}
            />
          )}
          {gearbox.transferLow !== undefined && unit?.sheet.output !== 'halfShafts' && (
            <Choice
              label="Transfer case"
              value={drive.transferLow ? 'low' : 'high'}
              options={[
                { value: 'high', label: `high, ${gearbox.transfer} : 1` },
                { value: 'low', label: `low, ${gearbox.transferLow} : 1` },
              ]}
              onChange={(ratio) => setDrive({ transferLow: ratio === 'low' })}
            />
          )}
          <QuantityInput
            label="Torque cap"
            kind="torque"
            value={inputs.torqueCapNm}
            mayBeEmpty
            onChange={(torqueCapNm) => set({ torqueCapNm })}
            fault={faults['inputs.torqueCapNm']}
          />
          <QuantityInput
            label="Power cap"
            kind="power"
            value={drive.powerCapW}
            mayBeEmpty
            onChange={(powerCapW) => setDrive({ powerCapW })}
            fault={fault('powerCapW')}
          />
          <QuantityInput
            label="Another efficiency"
            kind="share"
            value={drive.efficiency}
            mayBeEmpty
            onChange={(efficiency) => setDrive({ efficiency })}
            fault={fault('efficiency')}
          />
        </div>
        <div className="fields">
          <QuantityInput
            label="Braking through the motor"
            kind="share"
            value={drive.regenShare}
            onChange={(regenShare) => regenShare !== null && setDrive({ regenShare })}
            fault={fault('regenShare')}
          />
          <QuantityInput
            label="Most power put back"
            kind="electricPower"
            value={drive.regenPowerW}
            mayBeEmpty
            onChange={(regenPowerW) => setDrive({ regenPowerW })}
            fault={fault('regenPowerW')}
          />
          <QuantityInput
            label="Nothing put back above"
            kind="share"
            value={drive.regenCeiling}
            onChange={(regenCeiling) => regenCeiling !== null && setDrive({ regenCeiling })}
            fault={fault('regenCeiling')}
          />
        </div>
        {unit && <CurveField key={unit.id} fault={fault('curve')} />}
        <p className="soft small">
          {unit?.sheet.efficiencyMap && drive.efficiency === null
            ? 'Efficiency from the map of the sheet, by speed and torque.'
            : 'Efficiency is one number for every speed and torque.'}{' '}
          {vehicle.variant.drivenAxle === 'both'
            ? 'All wheels driven.'
            : `${vehicle.variant.drivenAxle} wheels driven.`}
        </p>
      </div>
    </Sheet>
  );
}

/** Torque–speed curve as lines of text: speed, peak, continuous. What cannot be read is said and kept. */
function CurveField({ fault }: { fault: string | undefined }) {
  const { sheet } = useBench();
  const { drive, setDrive } = useDesign();
  const unit = sheet.slots.drive.unit!;
  const stored = useMemo(
    () =>
      (drive.curve ?? unit.sheet.curve ?? sheetCurve(unit.sheet))
        .map((p) => `${p.rpm} ${Math.round(p.peakNm)} ${Math.round(p.continuousNm)}`)
        .join('\n'),
    [drive.curve, unit],
  );
  const [text, setText] = useState<string | null>(null);
  const typed = readCurve(text ?? stored);
  return (
    <details>
      <summary>
        Torque curve {drive.curve ? 'as typed here' : unit.sheet.curve ? 'of the sheet' : 'from peak torque and power'}
      </summary>
      <label className="field">
        <span className="label">One line a point: rpm, peak N·m, continuous N·m</span>
        <textarea
          className="ant-input"
          rows={8}
          value={text ?? stored}
          onChange={(event) => {
            setText(event.target.value);
            const read = readCurve(event.target.value);
            if (read.points.length >= 2 && read.badLines.length === 0) setDrive({ curve: read.points });
          }}
        />
      </label>
      {text !== null && typed.badLines.length > 0 && (
        <div className="fault">
          Line {typed.badLines.join(', ')} cannot be read: write three numbers, such as 3000 180 90. The last good curve
          is kept until then.
        </div>
      )}
      {fault && <div className="fault">{fault}</div>}
      {drive.curve && (
        <button
          type="button"
          className="link"
          onClick={() => {
            setText(null);
            setDrive({ curve: null });
          }}
        >
          Back to the sheet
        </button>
      )}
    </details>
  );
}
