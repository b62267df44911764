import { Button, Popover, Tooltip } from 'antd';
import { Fragment, useRef, useState } from 'react';
import { jobAddress } from '../../../../contract/jobChange.ts';
import { closersOf } from '../../../../core/fit/closers.ts';
import type { CoverLine } from '../../../../core/fit/cover.ts';
import type { CoverChoice } from '../../../../core/kit/kit.ts';
import { COVER_WAYS, type CoverWay } from '../../../../core/kit/kit.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { newestOnly } from '../../../../core/vehicle/revisions.ts';
import { coverName, WAY_NAME } from '../../../../wording/fit.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { startIn } from '../../../widgets/startIn.ts';
import { TextField } from '../../../widgets/TextField.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** Parts offered for a function; the catalogue has them all. */
const MOST_CLOSERS = 3;

function CoverForm({ line, done }: { line: CoverLine; done: () => void }) {
  const { job, shelves } = useOpenJob('job', 'shelves');
  const set = useUnitSet();
  // As it was when this was opened: somebody else may settle it meanwhile.
  const [chosen] = useState(job.cover[line.function] ?? null);
  const [way, setWay] = useState<CoverWay | null>(chosen?.way ?? null);
  const [why, setWhy] = useState(chosen?.why ?? '');
  const sending = useSend(true);
  const save = async (next: CoverWay | null) => {
    if (
      await sending.go(
        jobAddress.settleCover,
        { number: job.number },
        { function: line.function, way: next, why, was: chosen },
      )
    )
      done();
  };
  const closers = closersOf(line.function, newestOnly([...shelves.components.values()])).slice(0, MOST_CLOSERS);
  const add = async (componentId: string) => {
    const body = { function: line.function, componentId, was: chosen };
    if (await sending.go(jobAddress.coverByPart, { number: job.number }, body)) done();
  };
  return (
    <div className="stack" style={{ width: 260 }}>
      {closers.length > 0 && (
        <div>
          <div className="soft small">From the catalogue, onto the parts list</div>
          {closers.map(({ id, name, priceCents }) => (
            <Button
              key={id}
              size="small"
              type="link"
              style={{ padding: 0, display: 'block', whiteSpace: 'normal', height: 'auto', textAlign: 'left' }}
              aria-label={`Add ${name}`}
              onClick={() => void add(id)}
            >
              {name}
              {priceCents > 0 && `, ${formatQuantity(priceCents, 'money', set)}`}
            </Button>
          ))}
        </div>
      )}
      <Choice
        label="Covered by"
        value={way}
        options={COVER_WAYS.map((value) => ({ value, label: WAY_NAME[value] }))}
        onChange={setWay}
        fault={sending.faults.way}
      />
      <TextField
        label="What, or why not"
        value={why}
        onChange={setWhy}
        fault={sending.faults.why}
        onEnter={() => void save(way)}
      />
      {sending.problem && !sending.problem.fields && <div className="fault">{sending.problem.detail}</div>}
      <Conflict
        of={jobAddress.settleCover}
        params={{ number: job.number }}
        sending={sending}
        theirs={(now: CoverChoice | null) => ({
          function: line.function,
          way: now?.way ?? null,
          why: now?.why ?? '',
          was: now,
        })}
        done={done}
      />
      <div className="row">
        <Button type="primary" disabled={!way} loading={sending.busy} onClick={() => void save(way)}>
          Settle
        </Button>
        {chosen && (
          <Button type="text" onClick={() => void save(null)}>
            Take back
          </Button>
        )}
      </div>
    </div>
  );
}

/** Every function a running vehicle needs and what covers it; gaps stand out and are settled here. */
export function CoverGrid({ cover }: { cover: readonly CoverLine[] }) {
  const [open, setOpen] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const { job } = useOpenJob('job');
  const may = useMay(job, 'cover');
  const covered = cover.filter((line) => line.by !== 'gap').length;
  return (
    <Panel title="Is everything there that a vehicle needs?" aside={`${covered} of ${cover.length} covered`}>
      <div className="in cover">
        {cover.map((line) => {
          const tile = (
            <button
              type="button"
              className={line.by === 'gap' ? 'gap' : ''}
              disabled={!may}
              data-function={line.function}
              data-by={line.by}
            >
              <span className={line.by === 'gap' ? 'strong' : ''}>{coverName(line)}</span>
              <br />
              <span className={`small ${line.by === 'gap' ? 'strong' : 'soft'}`}>{WAY_NAME[line.by]}</span>
            </button>
          );
          const told = line.what ? <Tooltip title={line.what}>{tile}</Tooltip> : tile;
          if (line.by === 'kit' || !may) return <Fragment key={line.function}>{told}</Fragment>;
          return (
            <Popover
              key={line.function}
              trigger="click"
              open={open === line.function}
              onOpenChange={(now) => setOpen(now ? line.function : null)}
              afterOpenChange={startIn(box)}
              title={coverName(line)}
              content={
                <div ref={box}>
                  <CoverForm line={line} done={() => setOpen(null)} />
                </div>
              }
              destroyOnHidden
            >
              {told}
            </Popover>
          );
        })}
      </div>
    </Panel>
  );
}
