import { Select } from 'antd';
import { useId } from 'react';

interface Props<V extends string> {
  readonly label: string;
  readonly value: V | null;
  readonly options: readonly { readonly value: V; readonly label: string }[];
  readonly onChange: (value: V | null) => void;
  readonly fault?: string | undefined;
  readonly hideLabel?: boolean;
  readonly mayBeEmpty?: boolean;
  readonly placeholder?: string;
  readonly disabled?: boolean;
}

/** A labelled choice from a list; typing searches in it. */
export function Choice<V extends string>({
  label,
  value,
  options,
  onChange,
  fault,
  hideLabel,
  mayBeEmpty,
  placeholder,
  disabled,
}: Props<V>) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id} className={hideLabel ? 'hidden-label' : 'label'}>
        {label}
      </label>
      <Select<V>
        id={id}
        value={value}
        disabled={disabled ?? false}
        showSearch={{ optionFilterProp: 'label' }}
        allowClear={mayBeEmpty ?? false}
        placeholder={placeholder ?? 'Choose'}
        options={options.map((option) => ({ ...option }))}
        popupMatchSelectWidth={false}
        {...(fault ? { status: 'error' as const } : {})}
        onChange={(next) => onChange(next ?? null)}
        style={{ width: '100%' }}
      />
      {fault && <div className="fault">{fault}</div>}
    </div>
  );
}
