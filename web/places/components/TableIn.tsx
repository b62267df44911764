import { UploadOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Input, Upload } from 'antd';
import { useMemo, useState } from 'react';
import { componentAddress, type TakenIn } from '../../../contract/components.ts';
import { KIND_NAME } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import type { TableRow } from '../../../wording/componentTable.ts';
import { changesOf, finder, type TableVerdict, verdictOf } from '../../../wording/tableVerdict.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { useShown } from '../../widgets/useShown.ts';
import { useTable } from './useTable.ts';

const MARK: Record<TableVerdict, Mark> = { new: 'pass', changed: 'half', alike: 'done', fault: 'stop' };
const SAY: Record<TableVerdict, string> = { new: 'new', changed: 'changes', alike: 'as it is', fault: 'left out' };
/** Changes told in a line; the rest is a number. */
const MOST_TOLD = 4;

type Counted = readonly (readonly [count: number, what: string])[];
/** "1 new, 13 as they are": what there is none of is not said. */
const parts = (counted: Counted): string =>
  counted
    .filter(([n]) => n > 0)
    .map(([n, what]) => `${n} ${what}`)
    .join(', ');
const tookIn = (counted: Counted): string => `Taken in: ${parts(counted)}.`;

interface Judged {
  readonly row: TableRow;
  readonly verdict: TableVerdict;
  readonly say: string;
}

/** Components from a table or a JSON list: looked at row by row before anything is stored, and undone in one press. */
export function TableIn({ kind, onClose }: { kind: ComponentKind; onClose: () => void }) {
  const { data: library } = useOfAddress(componentAddress.ofKind, { kind });
  const { currency } = useWorkshop();
  const { message } = App.useApp();
  const shown = useShown();
  const [typed, setTyped] = useState('');
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const sending = useSend(false, { typed: false });
  const source = file ?? (typed.trim() === '' ? null : { name: 'what was pasted', text: typed });
  const table = useTable(kind, source?.text ?? null, currency);
  const judged = useMemo<Judged[]>(() => {
    if (!table || !library) return [];
    const find = finder(library);
    return table.rows.map((row) => {
      const stored = find(row);
      const verdict = verdictOf(row, stored);
      if (verdict === 'fault') return { row, verdict, say: row.faults.join(' ') };
      if (verdict !== 'changed' || !stored) return { row, verdict, say: '' };
      const changes = changesOf(row, stored, shown);
      const told = changes.slice(0, MOST_TOLD).map(({ name, values }) => `${name}: ${values[0]} → ${values[1]}`);
      const more = changes.length > MOST_TOLD ? [`${changes.length - MOST_TOLD} more`] : [];
      return { row, verdict, say: [...told, ...more].join('; ') };
    });
  }, [table, library, shown]);
  const count = (verdict: TableVerdict) => judged.filter((one) => one.verdict === verdict).length;
  const good = count('new') + count('changed');
  const take = async () => {
    if (!source) return;
    const answer = await sending.go(componentAddress.takeIn, { kind }, source);
    if (answer) setTaken(answer);
  };
  const undo = async (id: string) => {
    const answer = await sending.go(componentAddress.undo, { id });
    if (!answer) return;
    setTaken(null);
    void message.success(`Undone: ${answer.undone} components are as they were.`);
  };
  return (
    <Drawer open title={`Take in: ${KIND_NAME[kind]}`} onClose={onClose} size={880}>
      <div className="stack">
        <p className="soft small">
          A table (CSV) with the heads of “As CSV”, or a JSON list. Units stand in the heads: “Mass (lb)”, “Peak torque
          (lb ft)”. A row that the library has, by id or name, is changed; others are new.
        </p>
        <div className="row">
          <Upload
            accept=".csv,.txt,.json"
            showUploadList={false}
            beforeUpload={(chosen) => {
              void chosen.text().then((text) => setFile({ name: chosen.name, text }));
              setTaken(null);
              return false;
            }}
          >
            <Button icon={<UploadOutlined />}>Choose a file</Button>
          </Upload>
          {file && (
            <>
              <span className="strong">{file.name}</span>
              <button type="button" className="link" onClick={() => setFile(null)}>
                another one
              </button>
            </>
          )}
        </div>
        {!file && (
          <Labelled label="or paste it here" id="pasted">
            <Input.TextArea
              id="pasted"
              rows={4}
              value={typed}
              onChange={({ target }) => {
                setTyped(target.value);
                setTaken(null);
              }}
            />
          </Labelled>
        )}
        {source && !table && <p className="soft">Reading …</p>}
        {table?.fault && <p className="stop">{table.fault}</p>}
        {taken ? (
          <div className="note row" data-taken-in>
            <span>
              {tookIn([
                [taken.added, 'new'],
                [taken.changed, 'changed'],
                [taken.alike, 'as they were'],
                [taken.left, 'left out'],
              ])}
            </span>
            {taken.added + taken.changed > 0 && (
              <Button size="small" loading={sending.busy} onClick={() => void undo(taken.id)}>
                Undo
              </Button>
            )}
          </div>
        ) : (
          judged.length > 0 && (
            <>
              <div className="row">
                <Button type="primary" disabled={good === 0} loading={sending.busy} onClick={() => void take()}>
                  Take in {good}
                </Button>
                <span className="soft">
                  {parts([
                    [count('new'), 'new'],
                    [count('changed'), 'changed'],
                    [count('alike'), 'as they are'],
                    [count('fault'), 'left out'],
                  ])}
                </span>
              </div>
              {sending.faults.text && <p className="stop">{sending.faults.text}</p>}
              <DataTable
                label="What the table would do"
                rows={judged}
                rowKey={({ row }) => String(row.line)}
                rowMark={({ verdict }) => ({ 'data-verdict': verdict, className: '' })}
                columns={({ words, figures }) => [
                  figures('Line', ({ row }) => row.line),
                  words('Would', ({ verdict }) => (
                    <span className="row">
                      <StateMark mark={MARK[verdict]} /> {SAY[verdict]}
                    </span>
                  )),
                  words('Name', ({ row }) => row.name || '–'),
                  words('What', ({ verdict, say }) => <span className={verdict === 'fault' ? 'stop' : ''}>{say}</span>),
                ]}
              />
            </>
          )
        )}
      </div>
    </Drawer>
  );
}
