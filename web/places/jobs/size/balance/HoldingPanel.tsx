import { Button } from 'antd';
import { boxesHeld } from '../../../../../core/figures/pack/boxHolding.ts';
import {
  BOLT_GRADES,
  BOLT_SIZES,
  type BoxHold,
  type HoldingG,
  USUAL_HOLD,
  USUAL_HOLDING_G,
} from '../../../../../core/pack/holding.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';

const DIRECTIONS: readonly [keyof HoldingG, string][] = [
  ['forwards', 'Forwards, g'],
  ['sideways', 'Sideways, g'],
  ['backwards', 'Backwards, g'],
  ['vertical', 'Up and down, g'],
];

/** What holds each box against a crash: bolts, straps and brackets, with the weakest named. */
export function HoldingPanel() {
  const { sheet, vehicle } = useOpenJob('sheet', 'vehicle');
  const { inputs, set, setBox } = useDesign();
  const unitSet = useUnitSet();
  const held = sheet.get(boxesHeld).value;
  const name = (key: string) => vehicle.variant.bays.find((bay) => bay.key === key)?.name ?? key;
  const g = inputs.holdingG ?? USUAL_HOLDING_G;
  const worst = held?.[0];
  return (
    <Panel
      title="What holds the boxes"
      aside={
        worst
          ? `weakest: ${worst.by} of ${worst.box}, ${worst.direction}, ${formatQuantity(worst.margin - 1, 'share', unitSet, { signed: true, digits: 0 })}`
          : 'not stated yet'
      }
    >
      <div className="in stack">
        {inputs.boxes
          .filter((box) => box.modules > 0)
          .map((box) => {
            const hold = box.hold ?? null;
            const own = held?.find((one) => one.box === name(box.bay));
            if (!hold)
              return (
                <div key={box.bay}>
                  <Button size="small" onClick={() => setBox(box.bay, { hold: USUAL_HOLD })}>
                    Say what holds {name(box.bay)}
                  </Button>
                </div>
              );
            const change = (next: Partial<BoxHold>) => setBox(box.bay, { hold: { ...hold, ...next } });
            return (
              <div key={box.bay} data-hold={box.bay}>
                <div className="spread">
                  <span className="strong">{name(box.bay)}</span>
                  {own && (
                    <span className={own.margin < 1 ? 'stop' : 'soft'}>
                      {own.by} {own.margin < 1 ? 'let go' : 'hold'} {own.direction}:{' '}
                      {formatQuantity(own.holdsN, 'force', unitSet)} for {formatQuantity(own.forceN, 'force', unitSet)}
                    </span>
                  )}
                </div>
                <div className="fields">
                  <QuantityInput
                    label="Bolts"
                    kind="count"
                    value={hold.bolts}
                    onChange={(bolts) => bolts !== null && change({ bolts })}
                  />
                  <Choice
                    label="Size"
                    value={hold.size}
                    options={BOLT_SIZES.map((size) => ({ value: size, label: size }))}
                    onChange={(size) => size && change({ size: size as BoxHold['size'] })}
                  />
                  <Choice
                    label="Grade"
                    value={hold.grade}
                    options={BOLT_GRADES.map((grade) => ({ value: grade, label: grade }))}
                    onChange={(grade) => grade && change({ grade: grade as BoxHold['grade'] })}
                  />
                  <QuantityInput
                    label="Straps, all"
                    kind="force"
                    value={hold.strapsN}
                    mayBeEmpty
                    onChange={(strapsN) => change({ strapsN })}
                  />
                  <QuantityInput
                    label="Brackets, all"
                    kind="force"
                    value={hold.bracketsN}
                    mayBeEmpty
                    onChange={(bracketsN) => change({ bracketsN })}
                  />
                </div>
              </div>
            );
          })}
        <Fold title={<>Accelerations</>}>
          <div className="fields" style={{ paddingTop: 6 }}>
            {DIRECTIONS.map(([key, label]) => (
              <QuantityInput
                key={key}
                label={label}
                kind="coefficient"
                value={g[key]}
                onChange={(value) => value !== null && set({ holdingG: { ...g, [key]: value } })}
              />
            ))}
          </div>
        </Fold>
        <p className="soft small">
          Proof loads of ISO 898-1, halved; accelerations are common practice. Local rules and a licensed tester come
          first: this is a working aid, not an approval.
        </p>
      </div>
    </Panel>
  );
}
