import { Select } from 'antd';
import type { ReactNode } from 'react';
import { useId } from 'react';
import { faultOf, Labelled } from './Labelled.tsx';
import { steady } from './steady.tsx';

export interface ChoiceProps<V extends string> {
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
export const Choice = steady(ChoiceBox) as <V extends string>(props: ChoiceProps<V>) => ReactNode;

function ChoiceBox<V extends string>({
  label,
  value,
  options,
  onChange,
  fault,
  hideLabel,
  mayBeEmpty,
  placeholder,
  disabled,
}: ChoiceProps<V>) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={hideLabel}>
      <Select<V>
        id={id}
        value={value}
        disabled={disabled ?? false}
        showSearch={{ optionFilterProp: 'label' }}
        allowClear={mayBeEmpty ?? false}
        placeholder={placeholder ?? 'Choose'}
        options={options.map((option) => ({ ...option }))}
        popupMatchSelectWidth={false}
        {...faultOf(id, fault)}
        onChange={(next) => onChange(next ?? null)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
