import { Button } from 'antd';
import { useState } from 'react';
import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { lineCents } from '../../../core/buying/purchase.ts';
import { useToday, useWorkshop } from '../../data/session.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';

interface Line {
  readonly quantity: number | null;
  readonly priceCents: number | null;
}

const inUnits = (cents: number | null) => (cents === null ? null : cents / 100);

/** An invoice as it lies there; what was received and ordered stands in it until somebody types what it says. */
export function NewInvoice({ order, done }: { order: PurchaseSheet; done: () => void }) {
  const { taxShare } = useWorkshop();
  const [number, setNumber] = useState('');
  const [day, setDay] = useState(useToday());
  const came = order.lines.filter(({ accepted, returned }) => accepted > returned);
  const shown = came.length > 0 ? came : order.lines;
  const [lines, setLines] = useState<Readonly<Record<string, Line>>>(
    Object.fromEntries(
      shown.map((line) => [line.id, { quantity: line.accepted - line.returned, priceCents: line.priceCents }]),
    ),
  );
  const net = shown.reduce(
    (sum, { id, unitSize }) => sum + lineCents(lines[id]?.quantity ?? 0, unitSize, lines[id]?.priceCents ?? 0),
    0,
  );
  const [tax, setTax] = useState<number | null>(null);
  const [total, setTotal] = useState<number | null>(null);
  const taxCents = tax ?? Math.round(net * taxShare);
  const form = useChecked(
    purchaseAddress.invoice,
    { purchase: order.number },
    {
      ...{ number, day, taxCents, totalCents: total ?? net + taxCents },
      lines: shown.flatMap(({ id }) => ((lines[id]?.quantity ?? 0) > 0 ? [{ lineId: id, ...lines[id]! }] : [])),
    },
  );
  const change = (id: string, part: Partial<Line>) => setLines((now) => ({ ...now, [id]: { ...now[id]!, ...part } }));
  const money = (label: string, cents: number, set: (cents: number | null) => void, fault: string | undefined) => (
    <QuantityInput
      label={`${label}, ${order.currency}`}
      kind="coefficient"
      digits={2}
      width={120}
      value={cents / 100}
      onChange={(value) => set(value === null ? null : Math.round(value * 100))}
      fault={fault}
    />
  );
  return (
    <EntryForm
      small
      save="Enter it"
      busy={form.busy}
      refusal={form.refusal ?? form.faults.lines ?? null}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <div className="row" style={{ alignItems: 'start' }}>
        <div style={{ width: 180 }}>
          <TextField label="Number of the invoice" value={number} onChange={setNumber} fault={form.faults.number} />
        </div>
        <DayInput shown label="Of" value={day} onChange={setDay} fault={form.faults.day} />
      </div>
      {shown.map((line) => (
        <div key={line.id} className="row" style={{ alignItems: 'start' }}>
          <span style={{ width: 180, alignSelf: 'center' }}>{line.name}</span>
          <StockInput
            label={`Invoiced of ${line.name}`}
            hideLabel
            width={90}
            value={lines[line.id]!.quantity}
            unitSize={line.unitSize}
            onChange={(quantity) => change(line.id, { quantity })}
          />
          <QuantityInput
            label={`Price of ${line.name} on the invoice`}
            hideLabel
            kind="coefficient"
            digits={2}
            width={110}
            value={inUnits(lines[line.id]!.priceCents)}
            onChange={(price) => change(line.id, { priceCents: price === null ? null : Math.round(price * 100) })}
          />
        </div>
      ))}
      <div className="row" style={{ alignItems: 'start' }}>
        {money('Tax', taxCents, setTax, form.faults.taxCents)}
        {money('Total', total ?? net + taxCents, setTotal, form.faults.totalCents)}
      </div>
    </EntryForm>
  );
}
