import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox } from 'antd';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { Choice } from './Choice.tsx';
import { Labelled } from './Labelled.tsx';
import { QuantityInput } from './QuantityInput.tsx';
import { TextField } from './TextField.tsx';

/** One field of a row: words, a quantity, a choice, or yes and no. Optional ones are left out when they are empty. */
export interface RowField<R> {
  readonly key: keyof R & string;
  readonly label: string;
  readonly type: 'text' | 'flag' | QuantityKind | Readonly<Record<string, string>>;
  readonly optional?: boolean;
  readonly digits?: number;
}

interface Props<R extends object> {
  /** What one row is, for buttons: "gear". */
  readonly what: string;
  readonly rows: readonly R[];
  readonly fields: readonly RowField<R>[];
  readonly start: () => R;
  readonly onChange: (rows: readonly R[]) => void;
  /** By "2.name". */
  readonly faults: Readonly<Record<string, string>>;
  /** The row to be marked. */
  readonly chosen?: number | null;
  /** Rows of one field stand side by side. @default false */
  readonly inline?: boolean;
}

/** A short list of things with a few fields each: added, changed, dropped. */
export function RowsEditor<R extends object>({
  what,
  rows,
  fields,
  start,
  onChange,
  faults,
  chosen = null,
  inline = false,
}: Props<R>) {
  const change = (at: number, key: keyof R & string, value: unknown) =>
    onChange(
      rows.map((row, i) => {
        if (i !== at) return row;
        const { [key]: _, ...rest } = row as Record<string, unknown>;
        const optional = fields.find((field) => field.key === key)?.optional;
        const empty = value === null || value === '' || value === false;
        return (optional && empty ? rest : { ...row, [key]: value }) as R;
      }),
    );
  return (
    <div className={inline ? 'rows-inline' : 'stack'}>
      {rows.map((row, at) => (
        <div key={at} className={`rows-editor${chosen === at ? ' here' : ''}`} data-row={`${what} ${at + 1}`}>
          <div className="fields">
            {fields.map((field) => (
              <Cell
                key={field.key}
                field={field as RowField<object>}
                value={(row as Record<string, unknown>)[field.key]}
                onChange={(value) => change(at, field.key, value)}
                fault={faults[`${at}.${field.key}`]}
              />
            ))}
            <Button
              style={{ alignSelf: 'end' }}
              icon={<DeleteOutlined />}
              aria-label={`Drop ${what} ${at + 1}`}
              onClick={() => onChange(rows.filter((_, i) => i !== at))}
            >
              Drop
            </Button>
          </div>
        </div>
      ))}
      <div>
        <Button size="small" icon={<PlusOutlined />} onClick={() => onChange([...rows, start()])}>
          Add {/^[aeiou]/.test(what) ? 'an' : 'a'} {what}
        </Button>
      </div>
    </div>
  );
}

function Cell({
  field: { label, type, optional, digits },
  value,
  onChange,
  fault,
}: {
  field: RowField<object>;
  value: unknown;
  onChange: (value: unknown) => void;
  fault: string | undefined;
}) {
  if (type === 'text')
    return <TextField label={label} value={(value as string) ?? ''} onChange={onChange} fault={fault} />;
  if (type === 'flag')
    return (
      <Labelled label={label}>
        <Checkbox aria-label={label} checked={value === true} onChange={({ target }) => onChange(target.checked)} />
      </Labelled>
    );
  if (typeof type === 'object')
    return (
      <Choice
        label={label}
        value={(value as string | undefined) ?? null}
        options={Object.entries(type).map(([key, name]) => ({ value: key, label: name }))}
        mayBeEmpty={optional ?? false}
        onChange={(next) => (next !== null || optional) && onChange(next)}
        fault={fault}
      />
    );
  return (
    <QuantityInput
      label={label}
      kind={type}
      value={(value as number | undefined) ?? null}
      mayBeEmpty={optional ?? false}
      {...(digits === undefined ? {} : { digits })}
      onChange={(next) => (next !== null || optional) && onChange(next)}
      fault={fault}
    />
  );
}
