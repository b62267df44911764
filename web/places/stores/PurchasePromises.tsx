import { Drawer } from 'antd';
import { useState } from 'react';
import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Promised {
  readonly promisedOn: string;
  readonly priceCents: number | null;
}

/** What a supplier says: when each line comes, at what price. Lines without a day are left as they are. */
export function PurchasePromises({ order, onClose }: { order: PurchaseSheet; onClose: () => void }) {
  const [lines, setLines] = useState<Readonly<Record<string, Promised>>>(
    Object.fromEntries(
      order.lines.map(({ id, promisedOn, priceCents }) => [
        id,
        { promisedOn: promisedOn ?? order.wantedOn ?? '', priceCents },
      ]),
    ),
  );
  const told = order.lines.filter(({ id }) => lines[id]?.promisedOn);
  const form = useChecked(
    purchaseAddress.confirm,
    { purchase: order.number },
    { lines: told.map(({ id }) => ({ lineId: id, ...lines[id]! })), version: order.version },
  );
  const change = (id: string, part: Partial<Promised>) =>
    setLines((now) => ({ ...now, [id]: { ...now[id]!, ...part } }));
  return (
    <Drawer open title={`What ${order.supplier} promises`} onClose={onClose} size={560}>
      <EntryForm
        save="Write it down"
        busy={form.busy}
        refusal={form.refusal ?? form.faults.lines ?? null}
        onSave={() => void form.save().then((saved) => saved && onClose())}
      >
        <DataTable
          label="What they promise"
          rows={order.lines}
          rowKey={({ id }) => id}
          columns={({ words }) => [
            words('Part', ({ name, saidCents }) => (
              <>
                {name}
                {saidCents !== null && <div className="stop small">{`they say ${(saidCents / 100).toFixed(2)}`}</div>}
              </>
            )),
            words('Promised for', ({ id, name }) => (
              <DayInput
                label={`Day ${name} is promised for`}
                value={lines[id]!.promisedOn}
                onChange={(promisedOn) => change(id, { promisedOn })}
                fault={form.faults[`lines.${told.findIndex((one) => one.id === id)}.promisedOn`]}
              />
            )),
            words(`Each, ${order.currency}`, ({ id, name }) => (
              <QuantityInput
                label={`Price of ${name}`}
                hideLabel
                kind="coefficient"
                digits={2}
                width={110}
                value={lines[id]!.priceCents === null ? null : lines[id]!.priceCents / 100}
                onChange={(price) => change(id, { priceCents: price === null ? null : Math.round(price * 100) })}
                fault={form.faults[`lines.${told.findIndex((one) => one.id === id)}.priceCents`]}
              />
            )),
          ]}
        />
      </EntryForm>
    </Drawer>
  );
}
