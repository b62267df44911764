import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useCallback } from 'react';
import type { LibraryComponent } from '../../../../../contract/library.ts';
import type { Component, ComponentKind } from '../../../../../core/component/sheets.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { ComponentChoice } from '../../../../widgets/ComponentChoice.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { BoxTable } from './BoxTable.tsx';
import { PackFields } from './PackFields.tsx';

const MODULES: readonly ComponentKind[] = ['module'];
const DRIVES: readonly ComponentKind[] = ['drive'];
const INVERTERS: readonly ComponentKind[] = ['inverter'];
const CHARGERS: readonly ComponentKind[] = ['charger', 'combinedUnit'];
const INLETS: readonly ComponentKind[] = ['inlet'];
/** Kinds with a field of their own, or placed otherwise. */
const OWN_FIELD: readonly ComponentKind[] = [...MODULES, ...DRIVES, ...INVERTERS, ...CHARGERS, ...INLETS, 'box'];

const moduleName = (part: LibraryComponent) =>
  part.kind === 'module' ? `${part.name} · ${part.sheet.chemistry}` : part.name;

/** Everything that is chosen in a design; all figures follow each change at once. */
export function DesignInputsPanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { shelves, vehicle, sheet } = useOpenJob('shelves', 'vehicle', 'sheet');
  const { inputs, set } = useDesign();
  const { gearbox } = vehicle.variant;
  const keepsGearbox =
    (shelves.components.get(inputs.driveId ?? '') as Component | undefined)?.kind === 'drive' &&
    sheet.slots.drive.unit?.sheet.output === 'gearboxInput';
  return (
    <Panel title="What goes in">
      <div className="in stack">
        <ComponentChoice
          label="Module"
          value={inputs.moduleId}
          shelves={shelves}
          kinds={MODULES}
          say={moduleName}
          onChange={(moduleId) => set({ moduleId })}
          mayBeEmpty
        />
        <BoxTable faults={faults} />
        <PackFields faults={faults} />
        <ComponentChoice
          label="Drive"
          value={inputs.driveId}
          shelves={shelves}
          kinds={DRIVES}
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
            <ComponentChoice
              label="Inverter"
              value={inputs.inverterId}
              shelves={shelves}
              kinds={INVERTERS}
              onChange={(inverterId) => set({ inverterId })}
              mayBeEmpty
            />
          )}
        </div>
        <div className="fields">
          <ComponentChoice
            label="Charger"
            value={inputs.chargerId}
            shelves={shelves}
            kinds={CHARGERS}
            onChange={(chargerId) => set({ chargerId })}
            mayBeEmpty
          />
          <ComponentChoice
            label="Inlet"
            value={inputs.inletId}
            shelves={shelves}
            kinds={INLETS}
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
  const taken = useCallback(
    (part: LibraryComponent) =>
      OWN_FIELD.includes(part.kind) || inputs.others.some((other) => other.componentId === part.id),
    [inputs.others],
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
      <ComponentChoice
        label="Add a part"
        hideLabel
        value={null}
        placeholder="Add a part"
        shelves={shelves}
        without={taken}
        onChange={(id) =>
          id && setInputs({ ...inputs, others: [...inputs.others, { componentId: id, quantity: 1, xMm: null }] })
        }
      />
    </Fold>
  );
}
