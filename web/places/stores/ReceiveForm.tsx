import { Checkbox, Drawer } from 'antd';
import { useState } from 'react';
import { type PurchaseLine, type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { stockText } from '../../../wording/stores.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { type Checked, useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';
import { useBins } from './useBins.ts';

interface Counted {
  readonly good: number | null;
  readonly damaged: number | null;
  readonly wrong: number | null;
  readonly serials: readonly string[];
  readonly batch: string;
  readonly binId: string | null;
  readonly remark: string;
}
const NOTHING: Counted = { good: 0, damaged: 0, wrong: 0, serials: [], batch: '', binId: null, remark: '' };

/** A delivery as it is counted: good, damaged, wrong, by its note; numbers by scanner; into which bin. */
export function ReceiveForm({
  order,
  note: announced,
  onClose,
}: {
  order: PurchaseSheet;
  note: string | null;
  onClose: () => void;
}) {
  const said = order.announced.find((one) => one.note === announced);
  const onNote = (line: PurchaseLine) => said?.lines.find(({ lineId }) => lineId === line.id)?.quantity ?? null;
  const shown = order.lines.filter((line) => (said ? onNote(line) !== null : line.outstanding > 0));
  const [note, setNote] = useState(announced ?? '');
  const [keepOver, setKeepOver] = useState(false);
  const [counts, setCounts] = useState<Readonly<Record<string, Counted>>>(
    Object.fromEntries(
      // Numbered pieces are counted by scanning them.
      shown.map((line) => [line.id, { ...NOTHING, good: line.numbered ? 0 : (onNote(line) ?? line.outstanding) }]),
    ),
  );
  const change = (id: string, part: Partial<Counted>) =>
    setCounts((now) => ({ ...now, [id]: { ...now[id]!, ...part } }));
  const form = useChecked(
    purchaseAddress.receive,
    { purchase: order.number },
    {
      ...{ note, keepOver },
      lines: shown.map((line) => ({
        ...{ lineId: line.id, announced: onNote(line) },
        ...counts[line.id]!,
        serials: [...counts[line.id]!.serials],
      })),
    },
  );
  const over = shown.some((line) => (counts[line.id]?.good ?? 0) > line.outstanding);
  return (
    <Drawer open title={`Goods in: ${order.number}, ${order.supplier}`} onClose={onClose} size={680}>
      <EntryForm
        save="Count it in"
        busy={form.busy}
        refusal={form.refusal ?? form.faults.lines ?? null}
        onSave={() => void form.save().then((saved) => saved && onClose())}
      >
        <TextField label="Number of the delivery note" value={note} onChange={setNote} fault={form.faults.note} />
        {shown.map((line, at) => (
          <ArrivedLine
            key={line.id}
            line={line}
            at={at}
            onNote={onNote(line)}
            counted={counts[line.id]!}
            form={form}
            change={(part) => change(line.id, part)}
          />
        ))}
        {over && (
          <Checkbox checked={keepOver} onChange={({ target }) => setKeepOver(target.checked)}>
            More came than is still to come, and it is kept
          </Checkbox>
        )}
      </EntryForm>
    </Drawer>
  );
}

interface LineProps {
  readonly line: PurchaseLine;
  readonly at: number;
  readonly onNote: number | null;
  readonly counted: Counted;
  readonly form: Checked<unknown>;
  readonly change: (part: Partial<Counted>) => void;
}

function ArrivedLine({ line, at, onNote, counted, form, change }: LineProps) {
  const bins = useBins();
  const fault = (field: string) => form.faults[`lines.${at}.${field}`];
  const { unitSize } = line;
  const count = (key: 'good' | 'damaged' | 'wrong', label: string) => (
    <StockInput
      label={label}
      value={counted[key]}
      unitSize={unitSize}
      onChange={(value) => change({ [key]: value })}
      fault={fault(key)}
    />
  );
  return (
    <fieldset className="box-detail stack" data-arrived={line.componentId}>
      <legend>
        {line.name}
        <span className="soft small">
          {` ${stockText(line.outstanding, unitSize)} to come${onNote === null ? '' : `, ${stockText(onNote, unitSize)} by the note`}`}
        </span>
      </legend>
      <div className="arrived-line">
        {count('good', 'Good')}
        {count('damaged', 'Damaged')}
        {count('wrong', 'Wrong')}
        <Choice
          label="Bin"
          mayBeEmpty
          placeholder="its own"
          value={counted.binId}
          options={bins}
          onChange={(binId) => change({ binId })}
          fault={fault('binId')}
        />
      </div>
      {line.numbered && (
        <div className="goods-line numbers">
          <NumbersInput
            label={`Numbers, ${counted.serials.length} of ${counted.good ?? 0}`}
            value={counted.serials}
            // Scanning counts them.
            onChange={(serials) => change({ serials, good: Math.max(counted.good ?? 0, serials.length) })}
            fault={fault('serials') ?? fault('serials.1')}
          />
          <TextField
            label="Batch"
            value={counted.batch}
            onChange={(batch) => change({ batch })}
            fault={fault('batch')}
          />
        </div>
      )}
      {((counted.damaged ?? 0) > 0 || (counted.wrong ?? 0) > 0) && (
        <TextField
          label="What is wrong with it"
          value={counted.remark}
          onChange={(remark) => change({ remark })}
          fault={fault('remark')}
        />
      )}
    </fieldset>
  );
}
