import { Select } from 'antd';
import { useId } from 'react';
import { faultOf, Labelled } from './Labelled.tsx';

interface Props {
  readonly label: string;
  readonly value: readonly string[];
  readonly onChange: (serials: string[]) => void;
  /** Known ones to choose from; what a thing is beside its number. */
  readonly known?: readonly { readonly value: string; readonly label: string }[];
  readonly fault?: string | undefined;
  readonly hideLabel?: boolean;
  /** No others than these may be named. @default false */
  readonly onlyKnown?: boolean;
}

/** Numbers of their own that things carry: typed, chosen, or read by a scanner, which types and ends with Enter. */
export function NumbersInput({ label, value, onChange, known, fault, hideLabel, onlyKnown = false }: Props) {
  const id = useId();
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={hideLabel ?? false}>
      <Select
        id={id}
        mode={onlyKnown ? 'multiple' : 'tags'}
        {...(known && known.length > 0
          ? { options: known.map((one) => ({ ...one })) }
          : { open: false, suffixIcon: null })}
        showSearch={{ optionFilterProp: 'label' }}
        popupMatchSelectWidth={false}
        tokenSeparators={[',', ';', '\n', '\t', ' ']}
        placeholder={onlyKnown ? 'choose' : 'scan or type, each with Enter'}
        value={[...value]}
        onChange={onChange}
        {...faultOf(id, fault)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
