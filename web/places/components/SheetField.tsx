import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input } from 'antd';
import { useId, useState } from 'react';
import { cellText, type LeafField, readCell, type SheetColumn } from '../../../core/component/cells.ts';
import type { Fields } from '../../../core/component/field.ts';
import { baseSymbol } from '../../../core/quantity/units.ts';
import { optionText } from '../../../wording/components.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';

interface Props {
  readonly column: Pick<SheetColumn, 'label' | 'field' | 'optional'>;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
  /** Field path below this one → sentence; '' is the field itself. */
  readonly fault: (path?: string) => string | undefined;
  readonly hideLabel?: boolean;
}

/** The input that belongs to a field of a descriptor, whatever its type. */
export function SheetField({ column: { label, field, optional }, value, onChange, fault, hideLabel = false }: Props) {
  switch (field.type) {
    case 'number':
      return (
        <QuantityInput
          label={label}
          kind={field.quantity}
          value={(value as number | undefined) ?? null}
          onChange={(next) => onChange(next ?? undefined)}
          fault={fault()}
          hideLabel={hideLabel}
          mayBeEmpty
        />
      );
    case 'choice':
      return (
        <Choice
          label={label}
          value={value === undefined ? null : String(value)}
          options={field.options.map((option) => ({ value: String(option), label: optionText(option) }))}
          onChange={(next) => onChange(field.options.find((option) => String(option) === next))}
          fault={fault()}
          hideLabel={hideLabel}
          mayBeEmpty={optional}
        />
      );
    case 'flag':
      return (
        <Checkbox checked={value === true} onChange={(event) => onChange(event.target.checked)}>
          {label}
        </Checkbox>
      );
    case 'text':
      return (
        <TextField
          label={label}
          value={(value as string | undefined) ?? ''}
          onChange={(next) => onChange(next)}
          fault={fault()}
          hideLabel={hideLabel}
        />
      );
    case 'rows':
      return <Rows label={label} of={field.of} value={value} onChange={onChange} fault={fault} />;
    default:
      return <Numbers label={label} field={field} value={value} onChange={onChange} fault={fault()} />;
  }
}

/** Numbers in a row, or rows of them, as pasted from a table: the text is kept until it can be read. */
function Numbers({
  label,
  field,
  value,
  onChange,
  fault,
}: {
  label: string;
  field: LeafField & { readonly type: 'series' | 'grid' };
  value: unknown;
  onChange: (value: unknown) => void;
  fault: string | undefined;
}) {
  const id = useId();
  const [text, setText] = useState(() => cellText(field, value).replace(/; /g, '\n'));
  const unread = 'problem' in readCell(field, text);
  const symbol = baseSymbol(field.each.quantity);
  return (
    <Labelled
      label={symbol ? `${label}, ${symbol}` : label}
      id={id}
      fault={unread ? 'Only numbers, with spaces between.' : fault}
    >
      <Input.TextArea
        id={id}
        rows={field.type === 'grid' ? 4 : 1}
        value={text}
        data-unreadable={unread}
        onChange={(event) => {
          setText(event.target.value);
          const read = readCell(field, event.target.value);
          if ('value' in read) onChange((read.value as unknown[]).length === 0 ? undefined : read.value);
        }}
      />
    </Labelled>
  );
}

type Entry = Readonly<Record<string, unknown>>;

/** Entries of the same fields, one a line. */
function Rows({
  label,
  of,
  value,
  onChange,
  fault,
}: {
  label: string;
  of: Fields;
  value: unknown;
  onChange: (value: unknown) => void;
  fault: Props['fault'];
}) {
  const entries = (value as readonly Entry[] | undefined) ?? [];
  const put = (next: readonly Entry[]) => onChange(next.length === 0 ? undefined : next);
  return (
    <fieldset className="sheet-rows">
      <legend className="soft small">{label}</legend>
      {entries.length > 0 && (
        <DataTable
          label={label}
          className="close"
          rows={entries}
          columns={({ actions, words }) => [
            ...Object.entries(of).map(([name, field]) =>
              words(field.label, (entry, i) => (
                <SheetField
                  column={{ label: `${field.label} ${i + 1}`, field: field as LeafField, optional: false }}
                  hideLabel
                  value={entry[name]}
                  onChange={(next) => put(entries.map((one, k) => (k === i ? { ...one, [name]: next } : one)))}
                  fault={() => fault(`${i}.${name}`)}
                />
              )),
            ),
            actions('Change', (_, i) => (
              <Button
                size="small"
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Drop ${label.toLowerCase()} ${i + 1}`}
                onClick={() => put(entries.filter((_, k) => k !== i))}
              />
            )),
          ]}
        />
      )}
      <Button size="small" icon={<PlusOutlined />} onClick={() => put([...entries, {}])}>
        Add to {label.toLowerCase()}
      </Button>
      {fault() && <div className="fault">{fault()}</div>}
    </fieldset>
  );
}
