import { Drawer } from 'antd';
import { useEffect, useState } from 'react';
import { type BinLine, storesAddress } from '../../../contract/stores.ts';
import { stockText } from '../../../wording/stores.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';
import { useBins } from './useBins.ts';

interface Counted {
  readonly counted: number | null;
  readonly gone: readonly string[];
}

/** A bin is counted line by line; what differs from the books is shown before it is booked. */
export function CountBin({ onClose }: { onClose: () => void }) {
  const bins = useBins();
  const [binId, setBinId] = useState<string | null>(null);
  return (
    <Drawer open title="Count a bin" onClose={onClose} size={620}>
      <div className="stack">
        <Choice label="Bin" value={binId} options={bins} onChange={setBinId} />
        {binId && <Counting key={binId} binId={binId} done={onClose} />}
      </div>
    </Drawer>
  );
}

function Counting({ binId, done }: { binId: string; done: () => void }) {
  // What the books said when the count began; what moves meanwhile is told when it is saved.
  const { data } = useOfAddress(storesAddress.inBin, { id: binId });
  const [lines, setLines] = useState<readonly BinLine[] | null>(null);
  useEffect(() => setLines((was) => was ?? data ?? null), [data]);
  const [counts, setCounts] = useState<Readonly<Record<string, Counted>>>({});
  const [note, setNote] = useState('');
  const rows = lines ?? [];
  const of = (line: BinLine): Counted => counts[line.componentId] ?? { counted: null, gone: [] };
  const change = (line: BinLine, part: Partial<Counted>) =>
    setCounts((now) => ({ ...now, [line.componentId]: { ...of(line), ...part } }));
  const counted = rows.filter((line) => of(line).counted !== null);
  const differing = counted.filter((line) => of(line).counted !== line.quantity);
  const form = useChecked(
    storesAddress.count,
    { id: binId },
    {
      note,
      lines: counted.map((line) => ({
        ...{ componentId: line.componentId, expected: line.quantity },
        ...{ counted: of(line).counted, gone: [...of(line).gone] },
      })),
    },
  );
  if (!lines) return <p className="soft">One moment …</p>;
  if (rows.length === 0)
    return <p className="soft">By the books this bin is empty. What is found in it comes in with Goods in.</p>;
  const faultOf = (line: BinLine, field: string) => form.faults[`lines.${counted.indexOf(line)}.${field}`];
  return (
    <EntryForm
      save={differing.length > 0 ? `Book ${differing.length} that differ` : 'All as in the books'}
      disabled={false}
      busy={form.busy}
      refusal={form.refusal ?? form.faults.lines ?? null}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <p className="soft">{`${counted.length} of ${rows.length} counted. Lines left empty are left alone.`}</p>
      <DataTable
        label="What lies in the bin"
        rows={rows}
        rowKey={({ componentId }) => componentId}
        columns={({ words, figures }) => [
          words('Part', (line) => (
            <>
              {line.name}
              {line.serials.length > 0 && (of(line).counted ?? line.quantity) < line.quantity && (
                <div style={{ maxWidth: 300 }}>
                  <NumbersInput
                    label={`Numbers of ${line.name} that are gone`}
                    onlyKnown
                    value={of(line).gone}
                    onChange={(gone) => change(line, { gone })}
                    known={line.serials.map((serial) => ({ value: serial, label: serial }))}
                    fault={faultOf(line, 'gone')}
                  />
                </div>
              )}
            </>
          )),
          figures('Counted', (line) => (
            <StockInput
              label={`Counted of ${line.name}`}
              hideLabel
              mayBeEmpty
              width={110}
              value={of(line).counted}
              unitSize={line.unitSize}
              onChange={(value) => change(line, { counted: value })}
              fault={faultOf(line, 'counted')}
            />
          )),
          // Shown once it was counted: whoever counts does not copy.
          figures('In the books', (line) => {
            const found = of(line).counted;
            if (found === null) return <span className="soft">…</span>;
            return (
              <span className={found === line.quantity ? 'pass' : 'stop strong'}>
                {stockText(line.quantity, line.unitSize)}
              </span>
            );
          }),
        ]}
      />
      <TextField label="Note" value={note} onChange={setNote} fault={form.faults.note} />
    </EntryForm>
  );
}
