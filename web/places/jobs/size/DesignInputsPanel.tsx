import { Button } from 'antd';
import type { Component, ComponentKind } from '../../../../core/component/sheets.ts';
import type { DesignInputs } from '../../../../core/design/inputs.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useBench } from '../jobBench.ts';

/** Everything that is chosen in a design; all figures follow each change at once. */
export function DesignInputsPanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { shelves, inputs, setInputs, vehicle, sheet } = useBench();
  const unitSet = useUnitSet();
  const set = (change: Partial<DesignInputs>) => setInputs({ ...inputs, ...change });
  const options = (...kinds: ComponentKind[]) =>
    shelves.data.components
      .filter((part) => kinds.includes(part.kind))
      .map((part) => ({ value: part.id, label: part.name }));
  const { gearbox, bays } = vehicle.variant;
  const keepsGearbox =
    (shelves.components.get(inputs.driveId ?? '') as Component | undefined)?.kind === 'drive' &&
    sheet.slots.drive.unit?.sheet.output === 'gearboxInput';
  const setBox = (bay: string, change: { modules?: number; shiftMm?: number }) => {
    const old = inputs.boxes.find((box) => box.bay === bay) ?? { bay, modules: 0, shiftMm: 0 };
    const next = { ...old, ...change };
    const boxes = inputs.boxes.some((box) => box.bay === bay)
      ? inputs.boxes.map((box) => (box.bay === bay ? next : box))
      : [...inputs.boxes, next];
    set({ boxes: boxes.filter((box) => box.modules > 0 || box.shiftMm !== 0) });
  };
  const total = inputs.boxes.reduce((sum, box) => sum + box.modules, 0);
  const unequal = total > 0 && total % inputs.strings !== 0;
  return (
    <Sheet title="What goes in">
      <div className="in stack">
        <Choice
          label="Module"
          value={inputs.moduleId}
          options={options('module')}
          onChange={(moduleId) => set({ moduleId })}
          mayBeEmpty
        />
        <table className="list" aria-label="Modules in bays">
          <thead>
            <tr>
              <th>Bay</th>
              <th style={{ width: 104 }}>Modules</th>
              <th style={{ width: 112 }}>Shift aft</th>
              <th className="num">Filled box</th>
            </tr>
          </thead>
          <tbody>
            {bays.map((bay) => {
              const at = inputs.boxes.findIndex((box) => box.bay === bay.name);
              const choice = inputs.boxes[at];
              const placed = sheet.slots.pack.boxes.find((box) => box.bay.name === bay.name);
              const tooMany =
                placed && placed.outer === null && sheet.slots.pack.module ? `takes ${placed.most} at most` : undefined;
              const heavy = placed && placed.massKg > bay.maxMassKg;
              return (
                <tr key={bay.name}>
                  <td>
                    {bay.name}
                    <div className="soft small">{bay.inside ? 'inside the cabin' : bay.access}</div>
                  </td>
                  <td>
                    <div className="row" style={{ flexWrap: 'nowrap', gap: 4 }}>
                      <QuantityInput
                        label={`Modules in ${bay.name}`}
                        hideLabel
                        kind="count"
                        value={choice?.modules ?? 0}
                        onChange={(modules) =>
                          modules !== null && setBox(bay.name, { modules: Math.max(0, Math.round(modules)) })
                        }
                        fault={tooMany ?? faults[`inputs.boxes.${at}.modules`]}
                      />
                    </div>
                  </td>
                  <td>
                    <QuantityInput
                      label={`Shift of ${bay.name}`}
                      hideLabel
                      kind="length"
                      value={choice?.shiftMm ?? 0}
                      onChange={(shiftMm) => shiftMm !== null && setBox(bay.name, { shiftMm })}
                      disabled={!choice}
                    />
                  </td>
                  <td className={`num ${heavy ? 'stop' : ''}`}>
                    {placed ? formatQuantity(placed.massKg, 'mass', unitSet) : <span className="soft">empty</span>}
                    <div className="soft small">of {formatQuantity(bay.maxMassKg, 'mass', unitSet)}</div>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <div className="fields">
          <QuantityInput
            label="Parallel strings"
            kind="count"
            value={inputs.strings}
            onChange={(strings) => strings !== null && strings >= 1 && set({ strings: Math.round(strings) })}
            fault={unequal ? `${total} modules do not make ${inputs.strings} equal strings.` : faults['inputs.strings']}
          />
          <QuantityInput
            label="Usable share"
            kind="share"
            value={inputs.usableShare}
            onChange={(usableShare) => usableShare !== null && set({ usableShare })}
            fault={faults['inputs.usableShare']}
          />
        </div>
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
    </Sheet>
  );
}

/** The rest of the design's parts, folded: how many, how heavy. */
function OtherParts() {
  const { inputs, setInputs, shelves } = useBench();
  const set = useUnitSet();
  const mass = inputs.others.reduce(
    (sum, other) => sum + (shelves.components.get(other.componentId)?.massKg ?? 0) * other.quantity,
    0,
  );
  const rest = shelves.data.components.filter(
    (part) =>
      !inputs.others.some((other) => other.componentId === part.id) &&
      !['module', 'drive', 'charger', 'combinedUnit', 'inlet', 'inverter', 'box'].includes(part.kind),
  );
  return (
    <details>
      <summary>
        Other parts: {inputs.others.length}, {formatQuantity(mass, 'mass', set)}
      </summary>
      <table className="list">
        <tbody>
          {inputs.others.map((other) => (
            <tr key={other.componentId}>
              <td>
                {other.quantity} × {shelves.components.get(other.componentId)?.name ?? other.componentId}
              </td>
              <td className="num">
                <Button
                  size="small"
                  type="text"
                  aria-label={`Take out ${shelves.components.get(other.componentId)?.name ?? other.componentId}`}
                  onClick={() => setInputs({ ...inputs, others: inputs.others.filter((o) => o !== other) })}
                >
                  Take out
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
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
    </details>
  );
}
