import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { kitFileAddress } from '../../../contract/kitFile.ts';
import { type KitRevisionRow, type KitSheet, kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import { countDifferences, kitDifference } from '../../../core/kit/difference.ts';
import { dayText } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { usePerson } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

const MARK: Record<KitRevisionRow['state'], Mark> = { draft: 'open', released: 'pass', withdrawn: 'stop' };

/** What a revision is, in a line. */
function said(revision: KitRevisionRow, all: readonly KitRevisionRow[]): string {
  if (revision.state === 'withdrawn') return `withdrawn: ${revision.withdrawnWhy}`;
  if (revision.state === 'released')
    return `released${revision.releasedAt ? ` ${dayText(revision.releasedAt.slice(0, 10))}` : ''}`;
  const base = all.find(({ id }) => id === revision.basedOn);
  if (!base) return 'draft';
  const n = countDifferences(kitDifference(base, revision));
  return `draft, ${n} ${n === 1 ? 'thing differs' : 'things differ'} from ${base.revision}`;
}

interface Props {
  readonly kit: KitSheet;
  readonly shown: string | null;
  readonly onShow: (letter: string) => void;
  readonly onSister: () => void;
}

/** Revisions of a kit, newest first, with the jobs that carry each. */
export function RevisionList({ kit, shown, onShow, onSister }: Props) {
  const { role } = usePerson();
  const may = hasRole(role, kitAddress.addRevision.may);
  const [beginning, setBeginning] = useState(false);
  const from = kit.revisions.find(({ id }) => id === shown);
  return (
    <Panel title="Revisions">
      {kit.revisions.map((revision) => (
        <div
          key={revision.id}
          className={`revision${revision.id === shown ? ' here' : ''}`}
          data-revision={revision.revision}
        >
          <StateMark mark={MARK[revision.state]} label={revision.state} />
          <div>
            <button type="button" className="link-like strong" onClick={() => onShow(revision.revision)}>
              {revision.revision}
              {revision.state === 'draft' ? ', draft' : ''}
            </button>
            <div className="soft small">{said(revision, kit.revisions)}</div>
            {revision.note && <div className="small">{revision.note}</div>}
            {revision.orders.length > 0 && (
              <div className={revision.state === 'withdrawn' ? 'small stop' : 'soft small'}>
                sent as{' '}
                {revision.orders.map((order, i) => (
                  <span key={order.number}>
                    {i > 0 && ', '}
                    <Link className="in-text" to={`/kits/orders/${order.number}`}>
                      {order.number}
                    </Link>
                  </span>
                ))}
              </div>
            )}
            {revision.jobs.length > 0 && (
              <div className={revision.state === 'withdrawn' ? 'small stop' : 'soft small'}>
                {revision.state === 'withdrawn' ? 'still carried by ' : 'in '}
                {revision.jobs.map((job, i) => (
                  <span key={job.number}>
                    {i > 0 && ', '}
                    <Link className="in-text" to={`/jobs/${job.number}/match`}>
                      {job.number}
                    </Link>
                  </span>
                ))}
              </div>
            )}
          </div>
        </div>
      ))}
      {may && from && (
        <div className="in stack">
          {beginning ? (
            <NewRevision kit={kit} from={from} onShow={onShow} done={() => setBeginning(false)} />
          ) : (
            <div className="row">
              <Button size="small" onClick={() => setBeginning(true)}>
                New revision from {from.revision}
              </Button>
              <Button size="small" onClick={onSister}>
                Sister kit
              </Button>
              <Button size="small" href={fileUrl(kitFileAddress.out, { revision: from.id })} download>
                Save as file
              </Button>
            </div>
          )}
        </div>
      )}
    </Panel>
  );
}

function NewRevision({
  kit,
  from,
  onShow,
  done,
}: {
  kit: KitSheet;
  from: KitRevisionRow;
  onShow: (letter: string) => void;
  done: () => void;
}) {
  const [note, setNote] = useState('');
  const form = useChecked(kitAddress.addRevision, { kit: kit.id }, { from: from.id, note });
  const begin = async () => {
    const made = await form.save();
    if (!made) return;
    onShow(made.id.slice(kit.id.length + 1).toUpperCase());
    done();
  };
  return (
    <EntryForm
      small
      save="Begin the draft"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void begin()}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField label="What it is for" value={note} onChange={setNote} fault={form.faults.note} />
    </EntryForm>
  );
}
