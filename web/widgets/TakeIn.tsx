import { UploadOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Input, Upload } from 'antd';
import { type ReactNode, useState } from 'react';
import type { TakenIn } from '../../contract/tableIn.ts';
import { DataTable } from './DataTable.tsx';
import { Labelled } from './Labelled.tsx';
import { type Mark, StateMark } from './StateMark.tsx';

export type Verdict = 'new' | 'changed' | 'alike' | 'fault';
const MARK: Record<Verdict, Mark> = { new: 'pass', changed: 'half', alike: 'done', fault: 'stop' };
const SAY: Record<Verdict, string> = { new: 'new', changed: 'changes', alike: 'as it is', fault: 'left out' };

/** A row of a file with what taking it in would do. */
export interface JudgedRow {
  readonly line: number;
  readonly name: string;
  readonly verdict: Verdict;
  readonly say: string;
}

export interface TableSource {
  readonly name: string;
  readonly text: string;
}

type Counted = readonly (readonly [count: number, what: string])[];
/** "1 new, 13 as they are": what there is none of is not said. */
const parts = (counted: Counted): string =>
  counted
    .filter(([n]) => n > 0)
    .map(([n, what]) => `${n} ${what}`)
    .join(', ');

/** What was chosen or pasted, kept while the drawer is open. */
export function useTableSource() {
  const [typed, setTyped] = useState('');
  const [file, setFile] = useState<TableSource | null>(null);
  const source = file ?? (typed.trim() === '' ? null : { name: 'what was pasted', text: typed });
  return { typed, setTyped, file, setFile, source };
}

interface Props {
  readonly title: string;
  /** What is read, and what becomes of it. */
  readonly children: ReactNode;
  /** "components", "models". */
  readonly what: string;
  readonly from: ReturnType<typeof useTableSource>;
  /** Null while it is read. */
  readonly read: { readonly rows: readonly JudgedRow[]; readonly fault: string | null } | null;
  readonly busy: boolean;
  readonly fault: string | undefined;
  readonly onTake: (source: TableSource) => Promise<TakenIn | null>;
  readonly onUndo: (id: string) => Promise<{ readonly undone: number } | null>;
  readonly onClose: () => void;
}

/** A file taken in: looked at row by row before anything is stored, and undone in one press. */
export function TakeIn({ title, children, what, from, read, busy, fault, onTake, onUndo, onClose }: Props) {
  const { message } = App.useApp();
  const { typed, setTyped, file, setFile, source } = from;
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const rows = read?.rows ?? [];
  const count = (verdict: Verdict) => rows.filter((one) => one.verdict === verdict).length;
  const good = count('new') + count('changed');
  const undo = async (id: string) => {
    const answer = await onUndo(id);
    if (!answer) return;
    setTaken(null);
    void message.success(`Undone: ${answer.undone} ${what} are as they were.`);
  };
  return (
    <Drawer open title={title} onClose={onClose} size={880}>
      <div className="stack">
        <p className="soft small">{children}</p>
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
        {source && !read && <p className="soft">Reading …</p>}
        {source && read?.fault && <p className="stop">{read.fault}</p>}
        {taken ? (
          <div className="note row" data-taken-in>
            <span>
              {`Taken in: ${parts([
                [taken.added, 'new'],
                [taken.changed, 'changed'],
                [taken.alike, 'as they were'],
                [taken.left, 'left out'],
              ])}.`}
            </span>
            {taken.added + taken.changed > 0 && (
              <Button size="small" loading={busy} onClick={() => void undo(taken.id)}>
                Undo
              </Button>
            )}
          </div>
        ) : (
          source &&
          rows.length > 0 && (
            <>
              <div className="row">
                <Button
                  type="primary"
                  disabled={good === 0}
                  loading={busy}
                  onClick={() => void onTake(source).then((answer) => answer && setTaken(answer))}
                >
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
              {fault && <p className="stop">{fault}</p>}
              <DataTable
                label="What the table would do"
                rows={rows}
                rowKey={({ line }) => String(line)}
                rowMark={({ verdict }) => ({ 'data-verdict': verdict, className: '' })}
                columns={({ words, figures }) => [
                  figures('Line', ({ line }) => line),
                  words('Would', ({ verdict }) => (
                    <span className="row">
                      <StateMark mark={MARK[verdict]} /> {SAY[verdict]}
                    </span>
                  )),
                  words('Name', ({ name }) => name || '–'),
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

/** Changes told in a line; the rest is a number. */
const MOST_TOLD = 4;

/** What a row changes, told in a line. */
export const toldChanges = (
  changes: readonly { readonly name: string; readonly values: readonly string[] }[],
): string => {
  const told = changes.slice(0, MOST_TOLD).map(({ name, values }) => `${name}: ${values[0]} → ${values[1]}`);
  const more = changes.length > MOST_TOLD ? [`${changes.length - MOST_TOLD} more`] : [];
  return [...told, ...more].join('; ');
};
