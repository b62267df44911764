import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Drawer, Segmented } from 'antd';
import { useState } from 'react';
import { type GoodsInBody, storesAddress } from '../../../contract/stores.ts';
import { wantsSerials } from '../../../core/order/order.ts';
import { type Shelves, useLibrary, useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { type Checked, useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';
import { useBins } from './useBins.ts';

interface Line {
  readonly componentId: string | null;
  readonly quantity: number | null;
  readonly serials: readonly string[];
  readonly batch: string;
  readonly binId: string | null;
}
const EMPTY: Line = { componentId: null, quantity: null, serials: [], batch: '', binId: null };

const ORIGINS: readonly { readonly value: GoodsInBody['origin']; readonly label: string }[] = [
  { value: 'delivery', label: 'delivered' },
  { value: 'donor', label: 'out of a donor' },
  { value: 'made', label: 'made here' },
];

/** What came in, line by line, into which bin; numbers are read by a scanner, which types and ends with Enter. */
export function GoodsIn({ onClose }: { onClose: () => void }) {
  const { shelves } = useLibrary();
  const [origin, setOrigin] = useState<GoodsInBody['origin']>('delivery');
  const [note, setNote] = useState('');
  const [lines, setLines] = useState<readonly Line[]>([EMPTY]);
  const form = useChecked(
    storesAddress.goodsIn,
    {},
    {
      ...{ origin, note },
      lines: lines.map((line) => ({ ...line, componentId: line.componentId ?? '', serials: [...line.serials] })),
    },
  );
  const change = (at: number, part: Partial<Line>) =>
    setLines((now) => now.map((line, i) => (i === at ? { ...line, ...part } : line)));
  return (
    <Drawer open title="Goods in" onClose={onClose} size={640}>
      <EntryForm
        save="Count them in"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((saved) => saved && onClose())}
        beside={
          <Button icon={<PlusOutlined />} onClick={() => setLines((now) => [...now, EMPTY])}>
            Another part
          </Button>
        }
      >
        <Segmented aria-label="Where it comes from" value={origin} options={[...ORIGINS]} onChange={setOrigin} />
        <TextField
          label={origin === 'donor' ? 'Which donor' : origin === 'made' ? 'Which work' : 'Delivery note'}
          value={note}
          onChange={setNote}
          fault={form.faults.note}
        />
        {shelves &&
          lines.map((line, at) => (
            <OneLine
              // Lines have no other name than their place; they are only added at the end or dropped.
              key={`${at} of ${lines.length}`}
              shelves={shelves}
              line={line}
              at={at}
              form={form}
              change={(part) => change(at, part)}
              drop={lines.length > 1 ? () => setLines((now) => now.filter((_, i) => i !== at)) : null}
            />
          ))}
      </EntryForm>
    </Drawer>
  );
}

interface LineProps {
  readonly shelves: Shelves;
  readonly line: Line;
  readonly at: number;
  readonly form: Checked<unknown>;
  readonly change: (part: Partial<Line>) => void;
  readonly drop: (() => void) | null;
}

function OneLine({ shelves, line, at, form, change, drop }: LineProps) {
  const bins = useBins();
  const part = line.componentId ? shelves.components.get(line.componentId) : undefined;
  const { data: item } = useOfAddress(storesAddress.item, line.componentId ? { component: line.componentId } : null);
  const fault = (field: string) => form.faults[`lines.${at}.${field}`];
  const numbered = part !== undefined && wantsSerials(part.kind);
  return (
    <fieldset className="box-detail stack">
      <legend>{part?.name ?? `Part ${at + 1}`}</legend>
      <div className="goods-line">
        <ComponentChoice
          label="Part"
          shelves={shelves}
          value={line.componentId}
          onChange={(componentId) => change({ componentId })}
          fault={fault('componentId')}
        />
        <StockInput
          label="So many"
          value={line.quantity}
          unitSize={item?.unitSize ?? 1}
          onChange={(quantity) => change({ quantity })}
          fault={fault('quantity')}
        />
        <Choice
          label="Bin"
          mayBeEmpty
          placeholder={item?.binId ? 'its own' : 'the first'}
          value={line.binId}
          options={bins}
          onChange={(binId) => change({ binId })}
          fault={fault('binId')}
        />
        {drop && (
          <Button type="text" icon={<DeleteOutlined />} aria-label={`Leave out part ${at + 1}`} onClick={drop} />
        )}
      </div>
      {numbered && (
        <div className="goods-line numbers">
          <NumbersInput
            label={`Numbers${line.quantity ? `, ${line.serials.length} of ${line.quantity}` : ''}`}
            value={line.serials}
            onChange={(serials) =>
              change({
                serials,
                ...(line.quantity === null || line.quantity < serials.length ? { quantity: serials.length } : {}),
              })
            }
            fault={fault('serials') ?? fault('serials.1')}
          />
          <TextField label="Batch" value={line.batch} onChange={(batch) => change({ batch })} fault={fault('batch')} />
        </div>
      )}
    </fieldset>
  );
}
