import { QuantityInput } from '../../widgets/QuantityInput.tsx';

interface Props {
  readonly label: string;
  /** In ledger units. */
  readonly value: number | null;
  /** 1000 for what is kept by length: then metres are typed. */
  readonly unitSize: number;
  readonly onChange: (quantity: number | null) => void;
  readonly fault?: string | undefined;
  readonly hideLabel?: boolean;
  readonly width?: number;
  readonly mayBeEmpty?: boolean;
}

/** A quantity of stores: pieces, or metres of what is kept by length. */
export function StockInput({ label, value, unitSize, onChange, ...rest }: Props) {
  return (
    <QuantityInput
      {...rest}
      label={unitSize > 1 ? `${label}, m` : label}
      kind="count"
      digits={unitSize > 1 ? 3 : 0}
      value={value === null ? null : value / unitSize}
      onChange={(typed) => onChange(typed === null ? null : Math.round(typed * unitSize))}
    />
  );
}
