import { memo } from 'react';
import type { BoxChoice } from '../../../../../core/design/inputs.ts';
import { satelliteCount } from '../../../../../core/pack/satellites.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import type { Bay } from '../../../../../core/vehicle/variant.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useSame } from '../../../../widgets/useSame.ts';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';

/** Modules by bay, what the filled box weighs, and, folded, what is in each box and how it is wired and placed. */
export function BoxTable({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet, vehicle } = useOpenJob('sheet', 'vehicle');
  const { inputs, setBox } = useDesign();
  const { bays } = vehicle.variant;
  const all = bays.map((bay) => {
    const at = inputs.boxes.findIndex((box) => box.bay === bay.key);
    const placed = sheet.slots.pack.boxes.find((box) => box.bay.key === bay.key);
    const tooMany = placed?.outer === null && placed.module ? `takes ${placed.most} at most` : undefined;
    const fault = tooMany ?? faults[`inputs.boxes.${at}.modules`];
    return { bay, choice: inputs.boxes[at], massKg: placed?.massKg ?? null, fault };
  });
  // Most changes of a design leave the boxes as they are.
  const rows = useSame(all);
  return (
    <>
      <Boxes rows={rows} setBox={setBox} />
      {inputs.boxes.length > 0 && <BoxDetails faults={faults} setBox={setBox} />}
    </>
  );
}

interface BoxRow {
  readonly bay: Bay;
  readonly choice: BoxChoice | undefined;
  /** Of the filled box, kg; null where there is none. */
  readonly massKg: number | null;
  readonly fault: string | undefined;
}
type SetBox = (bay: string, change: Partial<BoxChoice>) => void;

const Boxes = memo(function Boxes({ rows, setBox }: { rows: readonly BoxRow[]; setBox: SetBox }) {
  const unitSet = useUnitSet();
  return (
    <DataTable
      label="Modules in bays"
      rows={rows}
      rowKey={({ bay }) => bay.key}
      columns={({ words, figures }) => [
        words('Bay', ({ bay }) => (
          <>
            {bay.name}
            <div className="soft small">{bay.inside ? 'inside the cabin' : bay.access}</div>
          </>
        )),
        words(
          'Modules',
          ({ bay, choice, fault }) => (
            <QuantityInput
              label={`Modules in ${bay.name}`}
              hideLabel
              kind="count"
              value={choice?.modules ?? 0}
              onChange={(modules) => modules !== null && setBox(bay.key, { modules: Math.max(0, Math.round(modules)) })}
              fault={fault}
            />
          ),
          { width: 104 },
        ),
        words(
          'Shift aft',
          ({ bay, choice }) => (
            <QuantityInput
              label={`Shift of ${bay.name}`}
              hideLabel
              kind="length"
              value={choice?.shiftMm ?? 0}
              onChange={(shiftMm) => shiftMm !== null && setBox(bay.key, { shiftMm })}
              disabled={!choice}
            />
          ),
          { width: 112 },
        ),
        figures('Filled box', ({ bay, massKg }) => (
          <>
            {massKg !== null ? (
              <span className={massKg > bay.maxMassKg ? 'stop' : ''}>{formatQuantity(massKg, 'mass', unitSet)}</span>
            ) : (
              <span className="soft">empty</span>
            )}
            <div className="soft small">of {formatQuantity(bay.maxMassKg, 'mass', unitSet)}</div>
          </>
        )),
      ]}
    />
  );
});

function BoxDetails({
  faults,
  setBox,
}: {
  faults: Readonly<Record<string, string>>;
  setBox: (bay: string, change: Partial<BoxChoice>) => void;
}) {
  const { sheet, shelves } = useOpenJob('sheet', 'shelves');
  const { inputs } = useDesign();
  const modules = shelves.data.components.flatMap((part) => (part.kind === 'module' ? [part] : []));
  const twoPacks = (inputs.packs ?? 'one') !== 'one';
  return (
    <Fold title={<>Boxes one by one: modules, wiring, place, satellites</>}>
      {inputs.boxes.map((box, i) => {
        const placed = sheet.slots.pack.boxes.find((one) => one.bay.key === box.bay);
        const bayName = placed?.bay.name ?? box.bay;
        const parallel = placed?.parallel ?? inputs.strings;
        const channels = box.modules * (placed?.module?.sheet.channels ?? 0);
        const satellites = channels > 0 ? satelliteCount([channels], sheet.slots.pack.satelliteChannels) : 0;
        return (
          <fieldset key={box.bay} className="box-detail">
            <legend>
              {bayName}{' '}
              <span className="soft small">
                {box.modules % parallel === 0 ? `${box.modules / parallel}s${parallel}p, ` : 'strings run on, '}
                {channels} channels, {satellites} {satellites === 1 ? 'satellite' : 'satellites'}
              </span>
            </legend>
            <div className="fields">
              <Choice
                label="Module in it"
                value={box.moduleId ?? ''}
                options={[
                  { value: '', label: 'as the pack' },
                  ...modules.map((part) => ({ value: part.id, label: `${part.name} · ${part.sheet.chemistry}` })),
                ]}
                onChange={(id) => setBox(box.bay, { moduleId: id || null })}
                fault={faults[`inputs.boxes.${i}.moduleId`]}
              />
              <QuantityInput
                label={`In parallel in ${bayName}`}
                kind="count"
                value={box.parallel ?? null}
                mayBeEmpty
                onChange={(n) => setBox(box.bay, { parallel: n === null ? null : Math.max(1, Math.round(n)) })}
                fault={faults[`inputs.boxes.${i}.parallel`]}
              />
              <QuantityInput
                label={`Shift right of ${bayName}`}
                kind="length"
                value={box.shiftYMm ?? 0}
                onChange={(mm) => mm !== null && setBox(box.bay, { shiftYMm: mm })}
              />
              <QuantityInput
                label={`Shift up of ${bayName}`}
                kind="length"
                value={box.shiftZMm ?? 0}
                onChange={(mm) => mm !== null && setBox(box.bay, { shiftZMm: mm })}
              />
              {twoPacks && (
                <Choice
                  label={`Pack of ${bayName}`}
                  value={String(box.pack ?? 1)}
                  options={[
                    { value: '1', label: 'first pack' },
                    { value: '2', label: 'second pack' },
                  ]}
                  onChange={(which) => setBox(box.bay, { pack: which === '2' ? 2 : 1 })}
                />
              )}
            </div>
          </fieldset>
        );
      })}
    </Fold>
  );
}
