import { Input } from 'antd';
import { useId } from 'react';

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
export function TextField({
  label,
  value,
  onChange,
  fault,
  hideLabel,
  type = 'text',
  autoComplete = 'off',
  onEnter,
}: Props) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id} className={hideLabel ? 'hidden-label' : 'label'}>
        {label}
      </label>
      <Input
        id={id}
        type={type}
        value={value}
        autoComplete={autoComplete}
        {...(fault ? { status: 'error' as const, 'aria-invalid': true, 'aria-describedby': `${id}-fault` } : {})}
        onChange={(event) => onChange(event.target.value)}
        onPressEnter={() => onEnter?.()}
      />
      {fault && (
        <div className="fault" id={`${id}-fault`}>
          {fault}
        </div>
      )}
    </div>
  );
}
