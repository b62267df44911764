import { UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type BriefLineBody, briefAddress, type StoredBriefLine } from '../../../../contract/brief.ts';
import { briefLineDifferences } from '../../../../wording/briefDifferences.ts';
import { useDraft } from '../../../data/draft.ts';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { LineEditor } from './LineEditor.tsx';

const bodyOf = ({ kind, firm, amount, school, tolerance, text, done, seen = '' }: BriefLineBody): BriefLineBody => ({
  kind,
  firm,
  amount,
  school,
  tolerance,
  text,
  done,
  seen,
});

/** A line as stored, with its unsaved changes; a stale save shows both sides. */
export function StoredLine({ line }: { line: StoredBriefLine }) {
  const [draft, setDraft] = useDraft<{ body: BriefLineBody; version: number }>(`brief ${line.id}`);
  const sending = useSend(true);
  const body = draft?.body ?? bodyOf(line);
  const same = JSON.stringify(body) === JSON.stringify(bodyOf(line));
  const save = async (version: number) => {
    const saved = await sending.go(briefAddress.change, { id: line.id }, { ...body, version });
    if (saved) setDraft(null);
  };
  return (
    <EntryForm className="" onSave={() => !same && void save(draft?.version ?? line.version)}>
      <LineEditor
        line={body}
        onChange={(next) =>
          setDraft(
            JSON.stringify(next) === JSON.stringify(bodyOf(line))
              ? null
              : { body: next, version: draft?.version ?? line.version },
          )
        }
        onDrop={() => void sending.go(briefAddress.drop, { id: line.id }, { version: line.version })}
        faults={sending.faults}
      />
      {!same && (
        <div className="row" style={{ padding: '6px 0' }}>
          <Button size="small" type="primary" htmlType="submit" loading={sending.busy}>
            Save line
          </Button>
          <Button icon={<UndoOutlined />} size="small" onClick={() => setDraft(null)}>
            Undo
          </Button>
        </div>
      )}
      {sending.problem && !sending.problem.fields && sending.problem.type !== '/problems/stale' && (
        <div className="fault">{sending.problem.detail}</div>
      )}
      <Conflict
        of={briefAddress.change}
        params={{ id: line.id }}
        sending={sending}
        theirs={(now: StoredBriefLine) => ({ ...bodyOf(now), version: now.version })}
        tell={(bodies, shown) => briefLineDifferences(line.kind, bodies, shown)}
        done={() => setDraft(null)}
      />
    </EntryForm>
  );
}
