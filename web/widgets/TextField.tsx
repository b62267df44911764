import { Input } from 'antd';
import { useId } from 'react';
import { faultOf, Labelled } from './Labelled.tsx';
import { steady } from './steady.tsx';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly fault?: string | undefined;
  readonly hideLabel?: boolean;
  readonly type?: 'text' | 'password' | 'date';
  readonly autoComplete?: string;
  readonly onEnter?: () => void;
}

/** A labelled line of text with its fault under it. */
export const TextField = steady(TextBox);

function TextBox({ label, value, onChange, fault, hideLabel, type = 'text', autoComplete = 'off', onEnter }: Props) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={hideLabel}>
      <Input
        id={id}
        type={type}
        value={value}
        autoComplete={autoComplete}
        {...faultOf(id, fault)}
        onChange={(event) => onChange(event.target.value)}
        onPressEnter={() => onEnter?.()}
      />
    </Labelled>
  );
}
