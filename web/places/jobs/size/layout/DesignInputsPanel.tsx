import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { Component, ComponentKind } from '../../../../../core/component/sheets.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { BoxTable } from './BoxTable.tsx';
import { PackFields } from './PackFields.tsx';

/** Everything that is chosen in a design; all figures follow each change at once. */
export function DesignInputsPanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { shelves, vehicle, sheet } = useOpenJob('shelves', 'vehicle', 'sheet');
  const { inputs, set } = useDesign();
  const options = (...kinds: ComponentKind[]) =>
    shelves.data.components
      .filter((part) => kinds.includes(part.kind))
      .map((part) => ({
        value: part.id,
        label: part.kind === 'module' ? `${part.name} · ${part.sheet.chemistry}` : part.name,
      }));
  const { gearbox } = vehicle.variant;
  const keepsGearbox =
    (shelves.components.get(inputs.driveId ?? '') as Component | undefined)?.kind === 'drive' &&
    sheet.slots.drive.unit?.sheet.output === 'gearboxInput';
  return (
    <Panel title="What goes in">
      <div className="in stack">
        <Choice
          label="Module"
          value={inputs.moduleId}
          options={options('module')}
          onChange={(moduleId) => set({ moduleId })}
          mayBeEmpty
        />
        <BoxTable faults={faults} />
        <PackFields faults={faults} />
        <Choice
          label="Drive"
          value={inputs.driveId}
          options={options('drive')}
          onChange={(driveId) => set({ driveId })}
          mayBeEmpty
        />
        <div className="fields">
          {keepsGearbox && (
            <Choice
              label="Gear left engaged"
              value={String(inputs.gear ?? 3)}
              options={gearbox.ratios.map((ratio, i) => ({ value: String(i + 1), label: `${i + 1}, ${ratio} : 1` }))}
              onChange={(gear) => set({ gear: gear ? Number(gear) : null })}
            />
          )}
          <QuantityInput
            label="Torque cap at the motor"
            kind="torque"
            value={inputs.torqueCapNm}
            onChange={(torqueCapNm) => set({ torqueCapNm })}
            fault={faults['inputs.torqueCapNm']}
            mayBeEmpty
          />
          {sheet.slots.drive.unit?.sheet.hasInverter === false && (
            <Choice
              label="Inverter"
              value={inputs.inverterId}
              options={options('inverter')}
              onChange={(inverterId) => set({ inverterId })}
              mayBeEmpty
            />
          )}
        </div>
        <div className="fields">
          <Choice
            label="Charger"
            value={inputs.chargerId}
            options={options('charger', 'combinedUnit')}
            onChange={(chargerId) => set({ chargerId })}
            mayBeEmpty
          />
          <Choice
            label="Inlet"
            value={inputs.inletId}
            options={options('inlet')}
            onChange={(inletId) => set({ inletId })}
            mayBeEmpty
          />
        </div>
        <OtherParts />
      </div>
    </Panel>
  );
}

/** The rest of the design's parts, folded: how many, how heavy. */
function OtherParts() {
  const { inputs, setInputs, shelves } = useOpenJob('inputs', 'setInputs', 'shelves');
  const set = useUnitSet();
  const mass = inputs.others.reduce(
    (sum, other) => sum + (shelves.components.get(other.componentId)?.massKg ?? 0) * other.quantity,
    0,
  );
  const nameOf = (id: string) => shelves.components.get(id)?.name ?? id;
  const rest = shelves.data.components.filter(
    (part) =>
      !inputs.others.some((other) => other.componentId === part.id) &&
      !['module', 'drive', 'charger', 'combinedUnit', 'inlet', 'inverter', 'box'].includes(part.kind),
  );
  return (
    <Fold
      title={
        <>
          Other parts: {inputs.others.length}, {formatQuantity(mass, 'mass', set)}
        </>
      }
    >
      <DataTable
        label="Other parts"
        head={false}
        rows={inputs.others}
        rowKey={(other) => other.componentId}
        columns={({ actions, words }) => [
          words('Part', (other) => `${other.quantity} × ${nameOf(other.componentId)}`),
          actions('Change', (other) => (
            <Button
              size="small"
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Take out ${nameOf(other.componentId)}`}
              onClick={() => setInputs({ ...inputs, others: inputs.others.filter((o) => o !== other) })}
            />
          )),
        ]}
      />
      <Choice
        label="Add a part"
        hideLabel
        value={null}
        placeholder="Add a part"
        options={rest.map((part) => ({ value: part.id, label: part.name }))}
        onChange={(id) =>
          id && setInputs({ ...inputs, others: [...inputs.others, { componentId: id, quantity: 1, xMm: null }] })
        }
      />
    </Fold>
  );
}
