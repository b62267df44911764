import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { judgeShaft, NEW_SHAFT, type ShaftChoice, USUAL_LIMIT_DEG } from '../../../../../core/drive/shafts.ts';
import { formatNumber, formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Choice } from '../../../../widgets/Choice.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../../widgets/TextField.tsx';
import { useDesign } from '../design/useDesign.ts';

/** Half shafts and propeller shafts as they would lie: angle, plunge, and the millimetres that cure one too steep. */
export function ShaftsPanel() {
  const { drive, setDrive } = useDesign();
  const { shafts } = drive;
  const put = (next: readonly ShaftChoice[]) => setDrive({ shafts: next });
  return (
    <Panel title="Shafts" aside={shafts.length === 0 ? 'none measured yet' : 'angle at rest, and plunge'}>
      <div className="in stack">
        {shafts.map((shaft, i) => (
          <Shaft
            key={i}
            shaft={shaft}
            change={(next) => put(shafts.map((one, k) => (k === i ? { ...one, ...next } : one)))}
            drop={() => put(shafts.filter((_, k) => k !== i))}
          />
        ))}
        <div>
          <Button size="small" icon={<PlusOutlined />} onClick={() => put([...shafts, NEW_SHAFT])}>
            Add a shaft
          </Button>
        </div>
        <p className="soft small">
          {USUAL_LIMIT_DEG.cross}° for a cross joint and {USUAL_LIMIT_DEG.ball}° for a ball joint at rest are common
          practice; the joint's own sheet comes first.
        </p>
      </div>
    </Panel>
  );
}

interface ShaftProps {
  readonly shaft: ShaftChoice;
  readonly change: (next: Partial<ShaftChoice>) => void;
  readonly drop: () => void;
}

function Shaft({ shaft, change, drop }: ShaftProps) {
  const set = useUnitSet();
  const verdict = judgeShaft(shaft);
  const mm = (value: number) => formatQuantity(value, 'length', set);
  const deg = (value: number) => `${formatNumber(value, 1)}°`;
  const steep = verdict.moveMm > 1e-6;
  const short = verdict.travelLeftMm !== null && verdict.travelLeftMm < 0;
  const length = (label: string, key: 'alongMm' | 'restMm' | 'droopMm' | 'bumpMm') => (
    <QuantityInput
      label={label}
      kind="length"
      value={shaft[key]}
      onChange={(value) => value !== null && change({ [key]: value })}
    />
  );
  return (
    <div data-shaft={shaft.name}>
      <div className="fields">
        <TextField label="Shaft" value={shaft.name} onChange={(name) => change({ name })} />
        <Choice
          label="Joint"
          value={shaft.joint}
          options={[
            { value: 'ball', label: 'ball' },
            { value: 'cross', label: 'cross' },
          ]}
          onChange={(joint) => change({ joint: joint === 'cross' ? 'cross' : 'ball' })}
        />
        {length('Between the joints', 'alongMm')}
        {length('Offset at rest', 'restMm')}
        {length('Offset at full droop', 'droopMm')}
        {length('Offset at full bump', 'bumpMm')}
        <QuantityInput
          label="Travel of the joint"
          kind="length"
          value={shaft.travelMm}
          mayBeEmpty
          onChange={(travelMm) => change({ travelMm })}
        />
        <QuantityInput
          label="Angle of its sheet, °"
          kind="coefficient"
          value={shaft.limitDeg}
          mayBeEmpty
          onChange={(limitDeg) => change({ limitDeg })}
        />
      </div>
      <div className="spread">
        <span className={steep || short ? 'stop' : 'soft'}>
          {deg(verdict.restDeg)} at rest of {deg(verdict.limitDeg)}, {deg(verdict.droopDeg)} at droop,{' '}
          {deg(verdict.bumpDeg)} at bump
          {steep && `: move the unit by ${mm(verdict.moveMm)} towards the other end`}; plunge {mm(verdict.plungeMm)}
          {verdict.travelLeftMm !== null &&
            (short ? `, ${mm(-verdict.travelLeftMm)} more than the joint has` : `, ${mm(verdict.travelLeftMm)} left`)}
        </span>
        <Button size="small" type="text" icon={<DeleteOutlined />} aria-label={`Drop ${shaft.name}`} onClick={drop} />
      </div>
    </div>
  );
}
