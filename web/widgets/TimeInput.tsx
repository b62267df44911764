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
  readonly hideLabel?: boolean;
  /** Minutes from one choice to the next. @default 5 */
  readonly stepMin?: 1 | 5;
}

/** A time of day, typed or picked. */
export const TimeInput = steady(TimeBox);

function TimeBox({ label, value, onChange, fault, hideLabel = false, stepMin = 5 }: Props) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={hideLabel}>
      <TimePicker
        id={id}
        value={dayjs('2026-01-01').add(Math.round(value * 60), 'minute')}
        format="HH:mm"
        minuteStep={stepMin}
        allowClear={false}
        needConfirm={false}
        onChange={(time) => time && onChange(time.hour() + time.minute() / 60)}
        {...faultOf(id, fault)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
