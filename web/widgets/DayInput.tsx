import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import { useId } from 'react';
import { faultOf, Labelled } from './Labelled.tsx';
import { steady } from './steady.tsx';

interface Props {
  readonly label: string;
  /** ISO date; empty for none. */
  readonly value: string;
  readonly onChange: (iso: string) => void;
  readonly fault?: string | undefined;
  /** The label is shown, not only read out. @default false */
  readonly shown?: boolean;
}

/** A day, typed or picked. */
export const DayInput = steady(DayBox);

function DayBox({ label, value, onChange, fault, shown }: Props) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={!shown}>
      <DatePicker
        id={id}
        value={value ? dayjs(value) : null}
        format="D MMM YYYY"
        placeholder="day month year"
        onChange={(day) => onChange(day ? day.format('YYYY-MM-DD') : '')}
        {...faultOf(id, fault)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
