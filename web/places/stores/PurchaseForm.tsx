import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { storesAddress } from '../../../contract/stores.ts';
import { supplierAddress } from '../../../contract/suppliers.ts';
import type { Currency } from '../../../core/quantity/currency.ts';
import { type Shelves, useLibrary, useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { CurrencyChoice, RateFields, useCurrencyEntry } from '../../widgets/CurrencyFields.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { type Checked, useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';

interface Line {
  readonly componentId: string | null;
  readonly quantity: number | null;
  readonly priceCents: number | null;
}
const EMPTY: Line = { componentId: null, quantity: null, priceCents: null };

/** An order as it is written: of whom, what, at which price, wanted when; a foreign currency with its rate and day. */
export function PurchaseForm({ stored, onClose }: { stored: PurchaseSheet | null; onClose: () => void }) {
  const { shelves } = useLibrary();
  const navigate = useNavigate();
  const { data: suppliers } = useOfAddress(supplierAddress.list, {});
  const [supplierId, setSupplier] = useState<string | null>(stored?.supplierId ?? null);
  const entry = useCurrencyEntry(stored);
  const [wantedOn, setWantedOn] = useState(stored?.wantedOn ?? '');
  const [note, setNote] = useState(stored?.note ?? '');
  const [lines, setLines] = useState<readonly Line[]>(
    stored?.lines.map(({ componentId, quantity, priceCents }) => ({ componentId, quantity, priceCents })) ?? [EMPTY],
  );
  const body = {
    ...{ supplierId: supplierId ?? '', note, wantedOn: wantedOn || null },
    ...entry.body,
    lines: lines.map((line) => ({ ...line, componentId: line.componentId ?? '' })),
  };
  const adding = useChecked(purchaseAddress.add, {}, body);
  const changing = useChecked(
    purchaseAddress.change,
    { purchase: stored?.number ?? '' },
    { ...body, version: stored?.version ?? 1 },
  );
  const form = stored ? changing : adding;
  const save = async () => {
    if (stored) {
      if (await changing.save()) onClose();
      return;
    }
    const made = await adding.save();
    if (made) {
      onClose();
      navigate(`/stores/orders/${made.number}`);
    }
  };
  const change = (at: number, part: Partial<Line>) =>
    setLines((now) => now.map((line, i) => (i === at ? { ...line, ...part } : line)));
  return (
    <Drawer open title={stored ? `Order ${stored.number}` : 'Write an order'} onClose={onClose} size={680}>
      <EntryForm
        save={stored ? 'Keep it so' : 'Write it'}
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void save()}
        beside={
          <Button icon={<PlusOutlined />} onClick={() => setLines((now) => [...now, EMPTY])}>
            Another part
          </Button>
        }
      >
        <div className="row" style={{ alignItems: 'start' }}>
          <div style={{ width: 220 }}>
            <Choice
              label="Supplier"
              value={supplierId}
              options={(suppliers ?? []).map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setSupplier}
              fault={form.faults.supplierId}
            />
          </div>
          <DayInput shown label="Wanted on" value={wantedOn} onChange={setWantedOn} fault={form.faults.wantedOn} />
          <CurrencyChoice entry={entry} faults={form.faults} />
        </div>
        <RateFields entry={entry} faults={form.faults} />
        {shelves &&
          lines.map((line, at) => (
            <OrderLine
              // Lines have no other name than their place; they are added at the end or dropped.
              key={`${at} of ${lines.length}`}
              shelves={shelves}
              line={line}
              at={at}
              currency={entry.currency}
              form={form}
              change={(part) => change(at, part)}
              drop={lines.length > 1 ? () => setLines((now) => now.filter((_, i) => i !== at)) : null}
            />
          ))}
        <TextField label="Note to the supplier" value={note} onChange={setNote} fault={form.faults.note} />
        {stored && (
          <Conflict
            of={purchaseAddress.change}
            params={{ purchase: stored.number }}
            sending={changing.sending}
            theirs={(now: PurchaseSheet) => ({
              ...{ supplierId: now.supplierId, currency: now.currency, rateMillionths: now.rateMillionths },
              ...{ rateDay: now.rateDay, wantedOn: now.wantedOn, note: now.note, version: now.version },
              lines: now.lines.map(({ componentId, quantity, priceCents }) => ({ componentId, quantity, priceCents })),
            })}
            done={onClose}
          />
        )}
      </EntryForm>
    </Drawer>
  );
}

interface LineProps {
  readonly shelves: Shelves;
  readonly line: Line;
  readonly at: number;
  readonly currency: Currency;
  readonly form: Checked<unknown>;
  readonly change: (part: Partial<Line>) => void;
  readonly drop: (() => void) | null;
}

function OrderLine({ shelves, line, at, currency, form, change, drop }: LineProps) {
  const { data: item } = useOfAddress(storesAddress.item, line.componentId ? { component: line.componentId } : null);
  const fault = (field: string) => form.faults[`lines.${at}.${field}`];
  return (
    <div className="goods-line">
      <ComponentChoice
        label={`Part ${at + 1}`}
        shelves={shelves}
        value={line.componentId}
        onChange={(componentId) => {
          const known = componentId ? shelves.components.get(componentId) : undefined;
          // What the catalogue says, until somebody types another price.
          change({ componentId, priceCents: line.priceCents ?? (known?.priceCents || null) });
        }}
        fault={fault('componentId')}
      />
      <StockInput
        label="So many"
        value={line.quantity}
        unitSize={item?.unitSize ?? 1}
        onChange={(quantity) => change({ quantity })}
        fault={fault('quantity')}
      />
      <QuantityInput
        label={`Each, ${currency}`}
        kind="coefficient"
        digits={2}
        value={line.priceCents === null ? null : line.priceCents / 100}
        onChange={(price) => change({ priceCents: price === null ? null : Math.round(price * 100) })}
        fault={fault('priceCents')}
      />
      {drop && <Button type="text" icon={<DeleteOutlined />} aria-label={`Leave out part ${at + 1}`} onClick={drop} />}
    </div>
  );
}
