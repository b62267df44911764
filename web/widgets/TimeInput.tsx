import { TimePicker } from 'antd';
import dayjs from 'dayjs';
import { useId } from 'react';
import { faultOf, Labelled } from './Labelled.tsx';
import { steady } from './steady.tsx';

interface Props {
  readonly label: string;
  /** Hours since midnight. */
  readonly value: number;
  readonly onChange: (hours: number) => void;
  readonly fault?: string | undefined;
}

/** A time of day, typed or picked. */
export const TimeInput = steady(TimeBox);

function TimeBox({ label, value, onChange, fault }: Props) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault}>
      <TimePicker
        id={id}
        value={dayjs('2026-01-01').add(Math.round(value * 60), 'minute')}
        format="HH:mm"
        minuteStep={5}
        allowClear={false}
        needConfirm={false}
        onChange={(time) => time && onChange(time.hour() + time.minute() / 60)}
        {...faultOf(id, fault)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
