import { Checkbox } from 'antd';
import { WEEKDAY_NAME } from '../../wording/workshop.ts';
import { Labelled } from './Labelled.tsx';

/** Days of the week, those a workshop works or a firm has slots on; Monday first. */
export function WorkingDays({
  value,
  onChange,
  fault,
  label = 'Working days',
}: {
  label?: string;
  value: readonly number[];
  onChange: (days: number[]) => void;
  fault?: string | undefined;
}) {
  return (
    <Labelled label={label} fault={fault}>
      <Checkbox.Group
        aria-label={label}
        value={[...value]}
        options={WEEKDAY_NAME.map((label, i) => ({ label, value: i + 1 }))}
        onChange={(days) => onChange([...days].sort((a, b) => a - b))}
      />
    </Labelled>
  );
}
