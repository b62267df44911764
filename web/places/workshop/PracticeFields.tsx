import { CalendarOutlined, DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Upload } from 'antd';
import { useState } from 'react';
import type { Region } from '../../../contract/workshop.ts';
import { type Practice, practiceOf } from '../../../core/practice/practice.ts';
import { dayOf } from '../../../wording/dates.ts';
import { useWorkshop } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { EvidenceFields } from './EvidenceFields.tsx';

interface Props {
  readonly value: Partial<Practice>;
  readonly onChange: (practice: Partial<Practice>) => void;
  readonly region: Region;
  readonly faults: Readonly<Record<string, string>>;
}

const DIRECTIONS = [
  ['forwards', 'Forwards'],
  ['sideways', 'Sideways'],
  ['backwards', 'Backwards'],
  ['vertical', 'Up and down'],
] as const;
const DECIMALS = [
  { value: 'comma', label: 'a comma may be the decimal point' },
  { value: 'point', label: 'only a point' },
];

/** How the workshop does things beside what it is: numbers, days closed, what boxes of new designs must stand. */
export function PracticeFields({ value, onChange, region, faults }: Props) {
  const now = practiceOf(value);
  const set = (change: Partial<Practice>) => onChange({ ...value, ...change });
  const { decimalComma } = value;
  return (
    <div className="stack">
      <div className="fields">
        <QuantityInput
          label="First job of a year"
          kind="count"
          value={now.firstJobNumber}
          onChange={(first) => first !== null && set({ firstJobNumber: Math.round(first) })}
          fault={faults['practice.firstJobNumber']}
        />
        <Choice
          label="Numbers are typed with"
          mayBeEmpty
          placeholder="browser’s own way"
          value={decimalComma === undefined ? null : decimalComma ? 'comma' : 'point'}
          options={DECIMALS}
          onChange={(choice) => {
            const { decimalComma: _, ...rest } = value;
            onChange(choice === null ? rest : { ...rest, decimalComma: choice === 'comma' });
          }}
        />
      </div>
      <h3>Boxes of new designs are held against</h3>
      <div className="fields">
        {DIRECTIONS.map(([direction, label]) => (
          <QuantityInput
            key={direction}
            label={`${label}, g`}
            kind="coefficient"
            digits={1}
            value={now.holdingG[direction]}
            onChange={(g) => g !== null && set({ holdingG: { ...now.holdingG, [direction]: g } })}
            fault={faults[`practice.holdingG.${direction}`]}
          />
        ))}
      </div>
      <div className="fields">
        <QuantityInput
          label="Room round a box"
          kind="length"
          value={now.clearanceMm}
          onChange={(clearanceMm) => clearanceMm !== null && set({ clearanceMm })}
          fault={faults['practice.clearanceMm']}
        />
      </div>
      {!(value.holdingG && value.clearanceMm !== undefined) && (
        <p className="soft small">Common practice until you set your own; local rules come first.</p>
      )}
      <h3>Plan</h3>
      <div className="fields">
        <QuantityInput
          label="A told day put off"
          kind="hours"
          value={now.toldHours}
          onChange={(toldHours) => toldHours !== null && set({ toldHours })}
          fault={faults['practice.toldHours']}
        />
      </div>
      <p className="soft small">
        Each day later than the plan told before counts as so many hours of lateness; at 0 days move freely.
        {value.toldHours === undefined && ' Common practice until you set your own.'}
      </p>
      <EvidenceFields value={now.evidence} onChange={(evidence) => set({ evidence })} region={region} faults={faults} />
      <ClosedDays value={now.closedDays} onChange={(closedDays) => set({ closedDays })} faults={faults} />
    </div>
  );
}

type Days = Practice['closedDays'];

function ClosedDays({
  value,
  onChange,
  faults,
}: {
  value: Days;
  onChange: (days: Days) => void;
  faults: Props['faults'];
}) {
  const { timeZone } = useWorkshop();
  const today = dayOf(new Date(), timeZone);
  const [said, setSaid] = useState<{ text: string; fault: boolean } | null>(null);
  const put = (days: Days) => onChange([...days].sort((a, b) => a.day.localeCompare(b.day)));
  const take = async (file: File) => {
    const { readCalendar } = await import('../../widgets/readCalendar.ts');
    const found = readCalendar(await file.text(), today);
    if (found === null) {
      setSaid({ text: `${file.name} is no calendar: a file that ends in .ics is wanted.`, fault: true });
      return;
    }
    const fresh = found.filter(({ day }) => !value.some((one) => one.day === day));
    put([...value, ...fresh]);
    setSaid({ text: `${fresh.length} days from ${file.name}; look them over, then save.`, fault: false });
  };
  return (
    <div className="stack">
      <h3>Closed days</h3>
      {value.length === 0 && <p className="soft small">None yet: dates are reckoned as if you never closed.</p>}
      {value.map(({ day, name }, i) => (
        <div key={`${i} ${day}`} className="row" data-closed-day={day}>
          <DayInput
            label={`Closed day ${i + 1}`}
            value={day}
            onChange={(next) => put(value.map((one, k) => (k === i ? { day: next || today, name } : one)))}
            fault={faults[`practice.closedDays.${i}.day`]}
          />
          <TextField
            label={`Name of closed day ${i + 1}`}
            hideLabel
            value={name}
            onChange={(next) => onChange(value.map((one, k) => (k === i ? { day, name: next } : one)))}
            fault={faults[`practice.closedDays.${i}.name`]}
          />
          <Button
            icon={<DeleteOutlined />}
            aria-label={`Open on ${day}`}
            onClick={() => onChange(value.filter((_, k) => k !== i))}
          />
        </div>
      ))}
      <div className="row">
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => put([...value, { day: nextFree(value, today), name: '' }])}
        >
          Add a closed day
        </Button>
        <Upload
          accept=".ics,text/calendar"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button size="small" icon={<CalendarOutlined />}>
            Take in a calendar
          </Button>
        </Upload>
        {said && <span className={said.fault ? 'stop small' : 'soft small'}>{said.text}</span>}
      </div>
      {faults['practice.closedDays'] && <p className="fault">{faults['practice.closedDays']}</p>}
    </div>
  );
}

const DAY_MS = 86_400_000;
/** The first day from today on that is not in the list yet. */
function nextFree(days: Days, today: string): string {
  let at = Date.parse(`${today}T00:00:00Z`);
  const iso = () => new Date(at).toISOString().slice(0, 10);
  while (days.some(({ day }) => day === iso())) at += DAY_MS;
  return iso();
}
