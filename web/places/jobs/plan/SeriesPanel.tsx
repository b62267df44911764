import { useState } from 'react';
import { Link } from 'react-router';
import { type SeriesSheet, seriesAddress } from '../../../../contract/series.ts';
import { sisterHold } from '../../../../core/job/sister.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** The first of its kind, whose lessons hold this job, and the jobs this one is the first of. */
export function SeriesPanel() {
  const { job } = useOpenJob('job');
  const { data } = useOfAddress(seriesAddress.sheet, { number: job.number });
  const may = useMay(job, 'move');
  if (!data) return null;
  if (!data.first && data.sisters.length === 0 && (!may || data.choices.length === 0)) return null;
  return (
    <Panel title="Sisters" aside="the first of its kind is driven before the next are begun">
      <div className="in stack">
        {data.sisters.length > 0 && (
          <p>
            The first of its kind for{' '}
            {data.sisters.map(({ number, title }, i) => (
              <span key={number}>
                {i > 0 && ', '}
                <Link className="in-text" to={`/jobs/${number}/plan`}>
                  {number} {title}
                </Link>
              </span>
            ))}
            : they begin when its stages are finished and each of its lessons is settled.
          </p>
        )}
        {data.first && <Held first={data.first} />}
        {may && data.sisters.length === 0 && <Follow key={data.version} data={data} number={job.number} />}
      </div>
    </Panel>
  );
}

function Held({ first }: { first: NonNullable<SeriesSheet['first']> }) {
  const { number, title, over, kitId, lessons } = first;
  const waiting = lessons.filter(({ state }) => state === 'waiting');
  const hold = sisterHold({ ...first, lessons: waiting.length });
  return (
    <div className="stack" data-series={number}>
      <p>
        Sister of{' '}
        <Link className="in-text" to={`/jobs/${number}/plan`}>
          {number} {title}
        </Link>
        {hold?.kind === 'first'
          ? ', which is not through yet: this one is begun after it'
          : over
            ? ', which is over'
            : ', all of whose stages are finished'}
        {waiting.length > 0
          ? `. ${waiting.length === 1 ? 'One lesson' : `${waiting.length} lessons`} of it ${waiting.length === 1 ? 'waits' : 'wait'}:`
          : lessons.length > 0
            ? '. All its lessons are settled.'
            : '. It has taught nothing yet.'}
      </p>
      {waiting.map(({ id, text }) => (
        <div key={id}>
          <StateMark mark="waiting" /> {text}
        </div>
      ))}
      {waiting.length > 0 && kitId && (
        <p>
          <Link className="in-text" to={`/kits/${kitId}`}>
            Take each into the kit, or set it aside
          </Link>
          {hold?.kind === 'lessons' ? ': until then nothing of this job is begun.' : '.'}
        </p>
      )}
    </div>
  );
}

const NONE = '-';

function Follow({ data, number }: { data: SeriesSheet; number: string }) {
  const sending = useSend(true);
  const [first, setFirst] = useState<string>(data.first?.number ?? NONE);
  const save = (next: string | null) => {
    const wanted = next ?? NONE;
    setFirst(wanted);
    void sending.go(
      seriesAddress.follow,
      { number },
      { first: wanted === NONE ? null : wanted, version: data.version },
    );
  };
  return (
    <div style={{ maxWidth: 380 }}>
      <Choice
        label="First of its kind"
        value={first}
        options={[
          { value: NONE, label: 'none: it stands by itself' },
          ...data.choices.map((one) => ({ value: one.number, label: `${one.number} ${one.title}` })),
        ]}
        onChange={save}
        fault={sending.faults.first ?? sending.problem?.detail}
      />
    </div>
  );
}
