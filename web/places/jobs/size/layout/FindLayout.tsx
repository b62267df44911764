import { Button, Spin } from 'antd';
import { useMemo, useState } from 'react';
import { layoutBoxes, layoutTask } from '../../../../../core/layout/ofDesign.ts';
import type { Layout } from '../../../../../core/layout/solve.ts';
import { BAY_USES, type BayUse, LAYOUT_AIMS, type LayoutAim } from '../../../../../core/layout/task.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { BAY_USE_NAME, LAYOUT_AIM_NAME, NO_LAYOUT } from '../../../../../wording/layout.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useMay } from '../../../../data/useMay.ts';
import { drawnParts } from '../../../../drawing/parts.ts';
import { VehiclePlan } from '../../../../drawing/VehiclePlan.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useLayouts } from './useLayouts.ts';

/** Places the modules anew: which bays, how many in each, and where each box stands; the best few, each ready to be taken. */
export function FindLayout() {
  const { inputs, setInputs, job, vehicle, slotsOf } = useOpenJob('inputs', 'setInputs', 'job', 'vehicle', 'slotsOf');
  const may = useMay(job, 'design');
  const now = inputs.boxes.reduce((sum, { modules }) => sum + modules, 0);
  const [wanted, setWanted] = useState<number | null>(null);
  const [uses, setUses] = useState<Readonly<Record<string, BayUse>>>({});
  const [aim, setAim] = useState<LayoutAim>('weight');
  const modules = wanted ?? now;
  const task = useMemo(
    () => (modules > 0 ? layoutTask(slotsOf({ ...inputs, boxes: [] }), job.brief, { modules, uses, aim }) : null),
    [slotsOf, inputs, job.brief, modules, uses, aim],
  );
  const { found, why, running, start, cancel } = useLayouts(task);
  const uneven = modules % inputs.strings !== 0;
  return (
    <Panel title="Find a layout" aside="one pack, modules alike and upright, one box a bay">
      <div className="in stack">
        <div className="fields">
          <QuantityInput
            label="Modules in all"
            kind="count"
            value={modules}
            onChange={(next) => setWanted(next === null ? null : Math.max(1, Math.round(next)))}
            fault={uneven ? `Not a whole number for ${inputs.strings} strings.` : undefined}
          />
          <Choice
            label="Best at"
            value={aim}
            options={LAYOUT_AIMS.map((value) => ({ value, label: LAYOUT_AIM_NAME[value] }))}
            onChange={(next) => setAim(next ?? 'weight')}
          />
          {vehicle.variant.bays.map(({ key, name, access }) => (
            <Choice
              key={key}
              label={access ? `${name}, ${access}` : name}
              value={uses[key] ?? 'may'}
              options={BAY_USES.map((value) => ({ value, label: BAY_USE_NAME[value] }))}
              onChange={(next) => setUses((before) => ({ ...before, [key]: next ?? 'may' }))}
            />
          ))}
        </div>
        <div className="row">
          <Button onClick={start} disabled={!task || uneven || running}>
            Look for layouts
          </Button>
          {running && (
            <>
              <Spin size="small" />
              <Button size="small" type="text" onClick={cancel}>
                Stop
              </Button>
            </>
          )}
          {!task && <span className="soft small">Choose a module first; the vehicle’s masses must be known.</span>}
          {why && <span className="stop">{NO_LAYOUT[why]}</span>}
        </div>
        {found && found.length > 0 && (
          <div className="layouts">
            {found.map((layout, i) => (
              <Found
                key={layout.boxes.map(({ bay, modules: n }) => `${bay} ${n}`).join()}
                layout={layout}
                at={i + 1}
                {...(may && {
                  onTake: () => setInputs({ ...inputs, boxes: layoutBoxes(inputs, layout) }),
                })}
              />
            ))}
          </div>
        )}
      </div>
    </Panel>
  );
}

function Found({ layout, at, onTake }: { layout: Layout; at: number; onTake?: () => void }) {
  const { inputs, vehicle, slotsOf } = useOpenJob('inputs', 'vehicle', 'slotsOf');
  const set = useUnitSet();
  const slots = useMemo(() => slotsOf({ ...inputs, boxes: layoutBoxes(inputs, layout) }), [slotsOf, inputs, layout]);
  const name = (key: string) => vehicle.variant.bays.find((bay) => bay.key === key)?.name ?? key;
  const { figures } = vehicle;
  return (
    <figure className="layout-found" data-layout={at}>
      <VehiclePlan
        vehicle={vehicle}
        parts={drawnParts(slots)}
        perMm={Math.min(0.08, 250 / (figures.length.value + 240))}
        title={`Layout ${at} from above`}
      />
      <figcaption className="small">
        <div className="strong">
          {layout.boxes
            .map(
              ({ bay, modules, how, shiftMm }) =>
                `${modules} ${name(bay)}${how.layers > 1 ? `, ${how.layers} high` : ''}${how.turned ? ', turned' : ''}${
                  Math.abs(shiftMm) >= 1
                    ? `, ${formatQuantity(Math.abs(shiftMm), 'length', set)} ${shiftMm < 0 ? 'forwards' : 'back'}`
                    : ''
                }`,
            )
            .join('; ')}
        </div>
        <div>
          {formatQuantity(layout.frontShare, 'share', set)} front, {formatQuantity(layout.offKg, 'mass', set)} off the
          aim; laden {formatQuantity(layout.frontLadenKg, 'mass', set)} and{' '}
          {formatQuantity(layout.rearLadenKg, 'mass', set)}
        </div>
        <div>{formatQuantity(layout.cableM * 1000, 'length', set)} of cable along the vehicle, there and back</div>
        <div className="soft">
          {layout.optimal
            ? at === 1
              ? 'proved the best'
              : 'proved the best of the rest'
            : `another may be better by up to ${formatQuantity(layout.gap, 'share', set)}`}
        </div>
        {onTake && (
          <Button size="small" onClick={onTake}>
            Take it
          </Button>
        )}
      </figcaption>
    </figure>
  );
}
