import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import { useId } from 'react';

interface Props {
  readonly label: string;
  /** ISO date; empty for none. */
  readonly value: string;
  readonly onChange: (iso: string) => void;
  readonly fault?: string | undefined;
}

/** A day, typed or picked; its label is read but not shown. */
export function DayInput({ label, value, onChange, fault }: Props) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id} className="hidden-label">
        {label}
      </label>
      <DatePicker
        id={id}
        value={value ? dayjs(value) : null}
        format="D MMM YYYY"
        placeholder="16 Dec 2026"
        onChange={(day) => onChange(day ? day.format('YYYY-MM-DD') : '')}
        {...(fault ? { status: 'error' as const } : {})}
        style={{ width: '100%' }}
      />
      {fault && <div className="fault">{fault}</div>}
    </div>
  );
}
