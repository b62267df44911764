import { Input } from 'antd';
import { useEffect, useId, useRef, useState } from 'react';
import { formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { readTyped, type TypedProblem } from '../../core/quantity/typed.ts';
import { toShown, unitOf } from '../../core/quantity/units.ts';
import { DIMENSION_NAME, type Dimension } from '../../core/quantity/unitWords.ts';
import { useDecimalComma, useUnitSet } from '../data/session.tsx';
import { faultOf, Labelled } from './Labelled.tsx';
import { steady } from './steady.tsx';

function sentence(
  { problem, other }: { problem: TypedProblem; other?: Dimension | undefined },
  symbol: string,
): string {
  if (problem === 'comma') return 'Write decimals with a point, and no commas.';
  if (problem === 'otherUnit' && other)
    return `That is ${DIMENSION_NAME[other]}${symbol ? `; here ${symbol} is wanted` : ', and a number alone is wanted here'}.`;
  if (problem === 'unit')
    return symbol ? `That unit is not known here; ${symbol} is set already.` : 'Type the number only, without a unit.';
  return problem === 'empty' ? 'A number is needed.' : 'This is not a number.';
}

/** Whether decimals are written with a comma where this browser is at home; the workshop's own word comes first. */
const browserComma = new Intl.NumberFormat(globalThis.navigator?.language).formatToParts(1.5)[1]?.value === ',';

interface Props {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly value: number | null;
  /** Base value, or null while the text is empty; not called while the text cannot be read. */
  readonly onChange: (value: number | null) => void;
  /** Told whenever the text becomes unreadable or readable again. */
  readonly onFault?: (fault: string | null) => void;
  readonly fault?: string | undefined;
  readonly hideLabel?: boolean;
  readonly mayBeEmpty?: boolean;
  readonly digits?: number;
  readonly disabled?: boolean;
  readonly onEnter?: () => void;
  readonly width?: number;
}

/** A number in the person's unit. Keeps exactly what was typed; says what is wrong under the field. */
export const QuantityInput = steady(QuantityBox);

function QuantityBox({
  label,
  kind,
  value,
  onChange,
  onFault,
  fault,
  hideLabel,
  mayBeEmpty,
  digits,
  disabled,
  onEnter,
  width,
}: Props) {
  const comma = useDecimalComma() ?? browserComma;
  const set = useUnitSet();
  const unit = unitOf(kind, set);
  const shown =
    value === null
      ? ''
      : String(
          Number(toShown(value, kind, set).toFixed(digits ?? Math.max(unit.digits, kind === 'coefficient' ? 4 : 2))),
        );
  const [text, setText] = useState(shown);
  const [own, setOwn] = useState<string | null>(null);
  const [converted, setConverted] = useState<string | null>(null);
  const lastSent = useRef(value);
  const id = useId();

  // A new value from outside (another design, another unit set) replaces the text; our own echo does not.
  useEffect(() => {
    if (lastSent.current !== value) {
      lastSent.current = value;
      setText(shown);
      setOwn(null);
      setConverted(null);
    }
  }, [value, shown]);
  const setRef = useRef(set);
  useEffect(() => {
    if (setRef.current !== set) {
      setRef.current = set;
      setText(shown);
      setConverted(null);
    }
  }, [set, shown]);

  // A converted value keeps a digit more than a figure is shown with, so that one sees what was understood.
  const more = { digits: unit.digits + 1 };
  const take = (next: string) => {
    setText(next);
    const typed = readTyped(next, kind, set, { comma });
    setConverted(typed.ok && typed.withUnit ? `= ${formatQuantity(typed.value, kind, set, more)}` : null);
    if (typed.ok) {
      setOwn(null);
      onFault?.(null);
      lastSent.current = typed.value;
      onChange(lastSent.current);
      return;
    }
    if (typed.problem === 'empty') {
      setOwn(null);
      onFault?.(mayBeEmpty ? null : sentence(typed, unit.symbol));
      lastSent.current = null;
      onChange(null);
      return;
    }
    const said = sentence(typed, unit.symbol);
    setOwn(said);
    onFault?.(said);
  };
  const wrong = own ?? fault;
  return (
    <Labelled label={label} id={id} fault={wrong ?? undefined} note={converted} hideLabel={hideLabel} width={width}>
      <Input
        id={id}
        data-unreadable={own !== null}
        value={text}
        disabled={disabled ?? false}
        inputMode="decimal"
        autoComplete="off"
        suffix={unit.symbol || undefined}
        {...faultOf(id, wrong)}
        onChange={(event) => take(event.target.value)}
        onPressEnter={() => onEnter?.()}
      />
    </Labelled>
  );
}
