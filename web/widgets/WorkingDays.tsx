import { Checkbox } from 'antd';
import { WEEKDAY_NAME } from '../../wording/workshop.ts';
import { Labelled } from './Labelled.tsx';

/** The days a workshop works, Monday first. */
export function WorkingDays({
  value,
  onChange,
  fault,
}: {
  value: readonly number[];
  onChange: (days: number[]) => void;
  fault?: string | undefined;
}) {
  return (
    <Labelled label="Working days" fault={fault}>
      <Checkbox.Group
        aria-label="Working days"
        value={[...value]}
        options={WEEKDAY_NAME.map((label, i) => ({ label, value: i + 1 }))}
        onChange={(days) => onChange([...days].sort((a, b) => a - b))}
      />
    </Labelled>
  );
}
