import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { massItems } from '../../../../../core/figures/balance/massItems.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { Sheet } from '../../../../widgets/Sheet.tsx';
import { TextField } from '../../../../widgets/TextField.tsx';
import { SCHOOL_NAME } from '../../../../wording/brief.ts';
import { useBench } from '../../jobBench.ts';
import { FigureGroupSheet } from '../FigureSheet.tsx';
import { afterMoves, moveText } from '../moveText.ts';
import { useDesign } from '../useDesign.ts';
import { useMoveAdvice } from '../useMoveAdvice.ts';
import { WeightDrawing } from '../WeightDrawing.tsx';

/** Where every kilogram sits, what that does to the axles, and which modules to move to meet the aim. */
export default function BalanceLook() {
  return (
    <>
      <WeightDrawing />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <MovesSheet />
          <ItemsSheet />
        </div>
        <FigureGroupSheet group="weight">
          <RideHeight />
        </FigureGroupSheet>
      </div>
      <MassTable />
    </>
  );
}

function MovesSheet() {
  const { sheet } = useBench();
  const { inputs, set } = useDesign();
  const unitSet = useUnitSet();
  const [lookAt, setLookAt] = useState<'equal' | 'original' | null>(null);
  const advised = useMoveAdvice(lookAt);
  const share = sheet.get(FIGURES.frontShare).value;
  if (!advised || share === null) return null;
  const { aim, school, advice } = advised;
  const now = Math.abs(share - aim.share) <= aim.tolerance + 1e-12;
  const percent = (value: number) => formatQuantity(value, 'share', unitSet);
  return (
    <Sheet title="Which modules to move" aside={`${percent(aim.share)} ± ${percent(aim.tolerance)} front`}>
      <div className="in stack">
        <Segmented
          aria-label="School of weight distribution"
          size="small"
          value={school}
          options={(['original', 'equal'] as const).map((value) => ({ value, label: SCHOOL_NAME[value] }))}
          onChange={setLookAt}
        />
        <p className={now ? 'pass' : 'stop'}>
          Now {percent(share)} on the front axle:{' '}
          {now ? 'the aim is met' : `${percent(Math.abs(share - aim.share))} off`}.
        </p>
        {advice.length === 0 && !now && (
          <p>No move of modules brings it nearer: move other parts, or change the aim.</p>
        )}
        <table className="list" aria-label="Moves">
          <tbody>
            {(now ? [] : advice).map((one) => (
              <tr key={moveText(one)}>
                <td>{moveText(one)}</td>
                <td className={`num ${one.meets ? 'pass' : ''}`}>{percent(one.frontShare)}</td>
                <td className="num">
                  <Button size="small" onClick={() => set({ boxes: afterMoves(inputs.boxes, one) })}>
                    Move
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="soft small">
          Equal shares corner evenly; the maker’s shares keep the handling and brakes the vehicle was built with. The
          brief says which holds; this only looks.
        </p>
      </div>
    </Sheet>
  );
}

function RideHeight() {
  const { sheet } = useBench();
  const set = useUnitSet();
  const front = sheet.get(FIGURES.frontAxleChange).value;
  const rear = sheet.get(FIGURES.rearAxleChange).value;
  const said = [
    ['front', front],
    ['rear', rear],
  ].flatMap(([name, change]) =>
    typeof change === 'number' && Math.abs(change) > 0.1
      ? [
          `The ${name} axle carries ${formatQuantity(Math.abs(change), 'share', set, { digits: 0 })} ${change > 0 ? 'more' : 'less'} than before: it will sit ${change > 0 ? 'lower' : 'higher'}. Look at springs and ride height.`,
        ]
      : [],
  );
  return said.length > 0 ? <p className="wait small">{said.join(' ')}</p> : null;
}

/** Things that are no components: taken out (negative) or put in, with their place. */
function ItemsSheet() {
  const { inputs, set } = useDesign();
  const items = inputs.items ?? [];
  const change = (i: number, next: Partial<(typeof items)[number]>) =>
    set({ items: items.map((item, k) => (k === i ? { ...item, ...next } : item)) });
  return (
    <Sheet title="Put in and taken out besides" aside="taken out counts negative">
      <div className="in stack">
        {items.map((item, i) => (
          <div key={i} className="item-row">
            <TextField label={`Item ${i + 1}`} value={item.name} onChange={(name) => change(i, { name })} />
            <QuantityInput
              label="Mass"
              kind="mass"
              value={item.massKg}
              onChange={(massKg) => massKg !== null && change(i, { massKg })}
            />
            <QuantityInput
              label="Behind front axle"
              kind="length"
              value={item.xMm}
              onChange={(xMm) => xMm !== null && change(i, { xMm })}
            />
            <QuantityInput
              label="Right of middle"
              kind="length"
              value={item.yMm}
              onChange={(yMm) => yMm !== null && change(i, { yMm })}
            />
            <Button
              size="small"
              type="text"
              aria-label={`Take ${item.name || `item ${i + 1}`} off the list`}
              onClick={() => set({ items: items.filter((_, k) => k !== i) })}
            >
              Drop
            </Button>
          </div>
        ))}
        <div>
          <Button onClick={() => set({ items: [...items, { name: 'spare wheel', massKg: -14, xMm: 2000, yMm: 0 }] })}>
            Add an item
          </Button>
        </div>
      </div>
    </Sheet>
  );
}

/** Every mass with its place and moment, as a person would write it down to check by hand. */
function MassTable() {
  const { sheet } = useBench();
  const set = useUnitSet();
  const items = sheet.get(massItems).value;
  if (!items) return null;
  return (
    <Sheet title="Every mass and its place" aside="x behind the front axle, y right of the middle">
      <div className="in" style={{ overflowX: 'auto' }}>
        <table className="list" aria-label="Masses">
          <thead>
            <tr>
              <th>What</th>
              <th className="num">Mass</th>
              <th className="num">x</th>
              <th className="num">y</th>
              <th className="num">On the rear axle</th>
            </tr>
          </thead>
          <tbody>
            {items.map((item, i) => (
              <tr key={i}>
                <td>{item.name}</td>
                <td className="num">{formatQuantity(item.massKg, 'mass', set, { digits: 1 })}</td>
                <td className="num">{formatQuantity(item.xMm, 'length', set)}</td>
                <td className="num">{formatQuantity(item.yMm ?? 0, 'length', set)}</td>
                <td className="num">
                  {formatQuantity((item.massKg * item.xMm) / sheet.slots.vehicle.figures.wheelbase.value, 'mass', set, {
                    digits: 1,
                  })}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}
