import { Checkbox, Switch } from 'antd';
import { motorNow } from '../../../../../core/figures/drive/motorNow.ts';
import { packTakesBack } from '../../../../../core/figures/road/driveLine.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { Labelled } from '../../../../widgets/Labelled.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { CurveField } from './CurveField.tsx';

/** How the drive turns the wheels: motors, reduction or gears, caps, efficiency, regeneration, torque curve. */
export function DrivePanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet, vehicle } = useOpenJob('sheet', 'vehicle');
  const { inputs, drive, set, setDrive } = useDesign();
  const unitSet = useUnitSet();
  const unit = sheet.slots.drive.unit;
  const { gearbox, driveModes = [] } = vehicle.variant;
  const keepsGearbox = unit?.sheet.output === 'gearboxInput' && gearbox.ratios.length > 0;
  const volts = sheet.get(motorNow).value?.volts;
  const takes = sheet.get(packTakesBack).value;
  const fault = (field: string) => faults[`inputs.drive.${field}`];
  return (
    <Panel
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
            <Labelled label="Changes gear while driving">
              <span className="row">
                <Switch
                  aria-label="Changes gear while driving"
                  checked={drive.shifting}
                  onChange={(shifting) => setDrive({ shifting })}
                />
              </span>
            </Labelled>
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
          {driveModes.length > 1 && (
            <Labelled label="Drive modes the driver may choose">
              <Checkbox.Group
                aria-label="Drive modes the driver may choose"
                value={driveModes.map((mode) => mode.key).filter((key) => !drive.forbiddenModes.includes(key))}
                options={driveModes.map(({ key, name }) => ({ value: key, label: name }))}
                onChange={(kept) =>
                  // One at least stays: a vehicle has some way to drive.
                  kept.length > 0 &&
                  setDrive({ forbiddenModes: driveModes.map(({ key }) => key).filter((key) => !kept.includes(key)) })
                }
              />
            </Labelled>
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
            kind="shaftPower"
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
            fault={
              fault('regenPowerW') ??
              (takes !== null && drive.regenPowerW !== null && drive.regenPowerW > takes
                ? `The pack takes ${formatQuantity(takes, 'electricPower', unitSet)} at this temperature: no more is put back.`
                : undefined)
            }
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
            : `${vehicle.variant.drivenAxle === 'front' ? 'Front' : 'Rear'} wheels driven.`}
        </p>
      </div>
    </Panel>
  );
}
