import { DeleteOutlined } from '@ant-design/icons';
import { Button, Checkbox, Segmented } from 'antd';
import type { BriefLineBody } from '../../../../contract/brief.ts';
import { BRIEF_KINDS, briefKind } from '../../../../core/brief/lines.ts';
import { dayNumber, isoDay } from '../../../../core/quantity/format.ts';
import { BRIEF_NAME, SCHOOL_NAME } from '../../../../wording/brief.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';

interface Props {
  readonly line: BriefLineBody;
  readonly onChange: (line: BriefLineBody) => void;
  readonly onDrop: () => void;
  readonly faults: Readonly<Record<string, string>>;
}

/** One line of the brief: firm or wish, its amount in the person's units, and words. */
export function LineEditor({ line, onChange, onDrop, faults }: Props) {
  const { kind } = BRIEF_KINDS[line.kind];
  const name = BRIEF_NAME[line.kind];
  const set = (change: Partial<BriefLineBody>) => onChange({ ...line, ...change });
  const about = briefKind(line.kind);
  const wants = about.amount;
  return (
    <div
      style={{
        display: 'grid',
        gridTemplateColumns: '150px 104px 206px minmax(90px, 1fr) 56px',
        gap: 10,
        alignItems: 'start',
        borderBottom: '1px solid var(--hairline)',
        paddingBottom: 8,
      }}
      data-brief={line.kind}
    >
      <span className="strong" style={{ paddingTop: 5 }}>
        {name}
      </span>
      <Segmented
        aria-label={`${name}: firm or wish`}
        value={line.firm ? 'firm' : 'wish'}
        options={[
          { label: 'Firm', value: 'firm' },
          { label: 'Wish', value: 'wish' },
        ]}
        onChange={(value) => set({ firm: value === 'firm' })}
      />
      <div>
        {wants !== 'none' && kind === 'date' && (
          <DayInput
            label={`${name}, day`}
            value={line.amount === null ? '' : isoDay(line.amount)}
            onChange={(iso) => set({ amount: iso ? dayNumber(iso) : null })}
            fault={faults.amount}
          />
        )}
        {wants !== 'none' && kind !== 'date' && (
          <QuantityInput
            label={`${name}, amount`}
            hideLabel
            kind={kind}
            value={line.amount}
            onChange={(amount) => set({ amount })}
            fault={faults.amount}
            mayBeEmpty={wants === 'optional'}
          />
        )}
        {line.kind === 'grossMass' && line.amount === null && (
          <span className="soft small">empty: by the vehicle's plate</span>
        )}
        {line.kind === 'axleShare' && (
          <div className="stack" style={{ gap: 4 }}>
            <Choice
              label="School"
              hideLabel
              value={line.school}
              options={[
                { value: 'original', label: SCHOOL_NAME.original },
                { value: 'equal', label: SCHOOL_NAME.equal },
              ]}
              onChange={(school) => set({ school })}
              fault={faults.school}
            />
            <QuantityInput
              label="Tolerance, plus or minus"
              hideLabel
              width={120}
              kind="share"
              value={line.tolerance}
              onChange={(tolerance) => set({ tolerance })}
              fault={faults.tolerance}
            />
          </div>
        )}
        {line.kind === 'luggage' && line.amount === null && (
          <span className="soft small">empty: no less than before</span>
        )}
        {about.figure === null && (
          <div className="stack" style={{ gap: 4 }}>
            <Checkbox checked={line.done} onChange={(event) => set({ done: event.target.checked })}>
              {line.kind === 'free' ? 'done' : 'seen to be so'}
            </Checkbox>
            {line.kind !== 'free' && !line.done && (
              <span className="soft small">{about.look ?? 'decided by Match, or ticked'}</span>
            )}
            {line.kind !== 'free' && line.done && (
              <TextField
                label={`${name}, where it was seen`}
                hideLabel
                value={line.seen ?? ''}
                onChange={(seen) => set({ seen })}
                fault={faults.seen}
              />
            )}
          </div>
        )}
        {line.kind === 'reversible' && <span className="soft">no hole drilled, nothing cut</span>}
      </div>
      <TextField
        label={`${name}, in words`}
        hideLabel
        value={line.text}
        onChange={(text) => set({ text })}
        fault={faults.text}
      />
      <Button icon={<DeleteOutlined />} type="text" onClick={onDrop} aria-label={`Drop the line ${name}`}>
        Drop
      </Button>
    </div>
  );
}
