import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Segmented, Tag } from 'antd';
import { useMemo, useState } from 'react';
import type { Component } from '../../../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../../../core/fit/functions.ts';
import type { KitContent, KitLine } from '../../../core/kit/kit.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { FUNCTION_NAME } from '../../../wording/fit.ts';
import { type Shelves, useAtHand } from '../../data/resources.ts';
import { useUnitSet } from '../../data/session.tsx';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { SortableRows } from '../../widgets/SortableRows.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { AppliesWhen } from './AppliesWhen.tsx';
import { OptionsEditor } from './OptionsEditor.tsx';

interface Props {
  readonly content: KitContent;
  readonly shelves: Shelves;
  readonly variants: readonly Variant[];
  readonly onChange: (part: Partial<KitContent>) => void;
  /** By "3.quantity". */
  readonly faults: Readonly<Record<string, string>>;
  readonly optionFaults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
}

type Order = 'asWritten' | 'byCrate' | 'byFunction';

/** A line with its place in the kit, which stays its own however the list is looked at. */
interface Placed {
  readonly line: KitLine;
  readonly at: number;
}

/** The lines of a kit: component, how many, which crate, when it applies; put in order, added, dropped. */
export function LinesEditor({ content, shelves, variants, onChange, faults, optionFaults, disabled }: Props) {
  const set = useUnitSet();
  const [order, setOrder] = useState<Order>('asWritten');
  const [adding, setAdding] = useState<string | null>(null);
  const { lines, options } = content;
  const change = (at: number, part: Partial<KitLine>) =>
    onChange({ lines: lines.map((line, i) => (i === at ? { ...line, ...part } : line)) });
  useAtHand({ components: lines.map(({ componentId }) => componentId) }, shelves);
  const groups = useMemo(() => grouped(lines, order, shelves), [lines, order, shelves]);
  const sum = lines.reduce(
    (all, { componentId, quantity, appliesWhen }) => {
      const part = shelves.components.get(componentId);
      if (!part || appliesWhen?.option) return all;
      return { kg: all.kg + part.massKg * quantity, cents: all.cents + part.priceCents * quantity };
    },
    { kg: 0, cents: 0 },
  );
  const row = ({ line, at }: Placed) => (
    <LineRow
      line={line}
      at={at}
      component={shelves.components.get(line.componentId)}
      variants={variants}
      options={options}
      faults={faults}
      disabled={disabled}
      onChange={(part) => change(at, part)}
      onDrop={() => onChange({ lines: lines.filter((_, i) => i !== at) })}
    />
  );
  return (
    <>
      <div className="spread">
        <Segmented
          size="small"
          aria-label="Order of the lines"
          value={order}
          options={[
            { value: 'asWritten', label: 'as written' },
            { value: 'byCrate', label: 'by crate' },
            { value: 'byFunction', label: 'by function' },
          ]}
          onChange={(next) => setOrder(next as Order)}
        />
        <span className="soft small">
          {lines.length} lines, {formatQuantity(sum.kg, 'mass', set)}, {formatQuantity(sum.cents, 'money', set)} at
          cost, without options
        </span>
      </div>
      <div className="kit-lines">
        <div className="kit-line head soft small">
          <span>Component</span>
          <span>Pieces</span>
          <span>Crate</span>
          <span>Applies</span>
          <span className="num">At cost</span>
          <span />
        </div>
        {order === 'asWritten' ? (
          <SortableRows
            rows={lines.map((line, at): Placed => ({ line, at }))}
            keyOf={({ line, at }) => `${at} ${line.componentId}`}
            nameOf={({ line }) => shelves.components.get(line.componentId)?.name ?? line.componentId}
            onOrder={(next) => onChange({ lines: next.map(({ line }) => line) })}
            disabled={disabled}
          >
            {row}
          </SortableRows>
        ) : (
          groups.map(([name, placed]) => (
            <div key={name}>
              <h3 className="small">{name}</h3>
              {placed.map((one) => (
                <div key={one.at} className="sortable-row">
                  {row(one)}
                </div>
              ))}
            </div>
          ))
        )}
      </div>
      {!disabled && (
        <div className="row">
          <div style={{ width: 320 }}>
            <ComponentChoice
              label="Component to add"
              hideLabel
              placeholder="Component to add"
              value={adding}
              shelves={shelves}
              onChange={setAdding}
            />
          </div>
          <Button
            icon={<PlusOutlined />}
            disabled={!adding}
            onClick={() => {
              if (!adding) return;
              const packedIn = lines.at(-1)?.packedIn ?? 'crate 1';
              onChange({ lines: [...lines, { componentId: adding, quantity: 1, packedIn, appliesWhen: null }] });
              setAdding(null);
            }}
          >
            Add the line
          </Button>
        </div>
      )}
      <OptionsEditor
        options={options}
        content={content}
        onChange={onChange}
        faults={optionFaults}
        disabled={disabled}
      />
    </>
  );
}

function LineRow({
  line,
  at,
  component,
  variants,
  options,
  faults,
  disabled,
  onChange,
  onDrop,
}: {
  line: KitLine;
  at: number;
  component: Component | undefined;
  variants: readonly Variant[];
  options: KitContent['options'];
  faults: Props['faults'];
  disabled: boolean;
  onChange: (part: Partial<KitLine>) => void;
  onDrop: () => void;
}) {
  const set = useUnitSet();
  const name = component?.name ?? line.componentId;
  return (
    <div className="kit-line" data-line={name}>
      <span>
        {name} {!component && <Tag color="error">not in the catalogue</Tag>}
        {faults[`${at}.componentId`] && <span className="fault">{faults[`${at}.componentId`]}</span>}
      </span>
      {disabled ? (
        <span className="num">{line.quantity}</span>
      ) : (
        <QuantityInput
          label={`Pieces, ${name}`}
          hideLabel
          kind="count"
          value={line.quantity}
          onChange={(quantity) => quantity !== null && onChange({ quantity: Math.round(quantity) })}
          fault={faults[`${at}.quantity`]}
        />
      )}
      {disabled ? (
        <span>{line.packedIn}</span>
      ) : (
        <TextField
          label={`Crate, ${name}`}
          hideLabel
          value={line.packedIn}
          onChange={(packedIn) => onChange({ packedIn })}
          fault={faults[`${at}.packedIn`]}
        />
      )}
      <AppliesWhen
        value={line.appliesWhen}
        onChange={(appliesWhen) => onChange({ appliesWhen })}
        variants={variants}
        options={options}
        of={name}
        fault={faults[`${at}.appliesWhen.option`] ?? faults[`${at}.appliesWhen.without`]}
        disabled={disabled}
      />
      <span className="num">{component ? formatQuantity(component.priceCents * line.quantity, 'money', set) : ''}</span>
      {disabled ? (
        <span />
      ) : (
        <Button size="small" type="text" icon={<DeleteOutlined />} aria-label={`Drop ${name}`} onClick={onDrop} />
      )}
    </div>
  );
}

function grouped(lines: readonly KitLine[], order: Order, shelves: Shelves): [string, Placed[]][] {
  const groups = new Map<string, Placed[]>();
  const put = (name: string, placed: Placed) => groups.set(name, [...(groups.get(name) ?? []), placed]);
  if (order === 'byFunction') for (const name of VEHICLE_FUNCTIONS) groups.set(FUNCTION_NAME[name], []);
  for (const [at, line] of lines.entries()) {
    if (order === 'byCrate') put(line.packedIn || 'no crate', { line, at });
    else {
      const covers = shelves.components.get(line.componentId)?.covers ?? [];
      for (const one of covers) put(FUNCTION_NAME[one as keyof typeof FUNCTION_NAME] ?? one, { line, at });
      if (covers.length === 0) put('covers no function', { line, at });
    }
  }
  return [...groups].filter(([, placed]) => placed.length > 0);
}
