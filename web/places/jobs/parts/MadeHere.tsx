import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type FabricationRow, fabricationAddress } from '../../../../contract/fabrication.ts';
import {
  FABRICATION_STATES,
  FABRICATION_STEPS,
  type FabricationState,
  fabricationRefusal,
  goesBack,
} from '../../../../core/fabrication/fabrication.ts';
import { dayText } from '../../../../wording/dates.ts';
import { FABRICATION_NAME, fabricationSentence } from '../../../../wording/fabrication.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useMay } from '../../../data/useMay.ts';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** Parts that are made in the house, from drawing to coat; each may come back. */
export function MadeHere() {
  const { job } = useOpenJob('job');
  const { data } = useOfAddress(fabricationAddress.list, { number: job.number });
  const may = useMay(job, 'parts');
  const [adding, setAdding] = useState(false);
  if (!data || (data.length === 0 && !may)) return null;
  const open = data.filter(({ state, droppedWhy }) => state !== 'made' && droppedWhy === null).length;
  return (
    <Panel
      title="Made here"
      aside={
        <span className="row">
          {data.length > 0 && `${open} in hand`}
          {may && (
            <Button size="small" onClick={() => setAdding(!adding)}>
              Make a part
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {adding && <NewPart number={job.number} done={() => setAdding(false)} />}
        {data.length === 0 && !adding && (
          <p className="soft small">
            Brackets, cradles and boxes that are made in the house go from drawing to coat here; each step may come
            back.
          </p>
        )}
        {data.map((row) => (
          <OnePart key={row.id} row={row} may={may} />
        ))}
      </div>
    </Panel>
  );
}

function OnePart({ row, may }: { row: FabricationRow; may: boolean }) {
  const sending = useSend();
  const at = FABRICATION_STATES.indexOf(row.state);
  const next = FABRICATION_STATES[at + 1];
  const back = row.moves.filter(({ from, to }) => goesBack(from, to)).at(-1);
  return (
    <div className="lesson" data-made={row.name} data-state={row.state}>
      <div className="spread">
        <span>
          <strong>{row.name}</strong> <span className="soft small">{row.material}</span>
        </span>
        {row.droppedWhy !== null ? (
          <span className="soft small">not made: {row.droppedWhy}</span>
        ) : (
          may && (
            <span className="row">
              {next && fabricationRefusal(row.state, next, '', row.drawings) !== 'noDrawing' && (
                <Button
                  size="small"
                  type="primary"
                  loading={sending.busy}
                  onClick={() =>
                    void sending.go(
                      fabricationAddress.move,
                      { id: row.id },
                      { to: next, reason: '', version: row.version },
                    )
                  }
                >
                  {next === 'made' ? 'It is made' : `On to ${FABRICATION_NAME[next].toLowerCase()}`}
                </Button>
              )}
              <Elsewhere row={row} />
            </span>
          )
        )}
      </div>
      {row.droppedWhy === null && (
        <ol className="made-steps" aria-label={`Steps of ${row.name}`}>
          {FABRICATION_STEPS.map((step, i) => (
            <li key={step} className={i === at ? 'strong' : 'soft'}>
              <StateMark mark={i < at ? 'done' : i === at ? 'half' : 'open'} />
              {FABRICATION_NAME[step]}
            </li>
          ))}
        </ol>
      )}
      {row.drawings === 0 && row.droppedWhy === null && (
        <p className="wait small">No drawing yet: nothing is cut without one.</p>
      )}
      {back && (
        <p className="soft small">
          came back to {FABRICATION_NAME[back.to].toLowerCase()} on {dayText(back.at.slice(0, 10))}: {back.reason},{' '}
          {back.by}
        </p>
      )}
      <FilesOf about="fabrication" of={row.id} name={row.name} />
    </div>
  );
}

/** To another step than the next, or not made after all: with a reason. */
function Elsewhere({ row }: { row: FabricationRow }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={<ElsewhereForm row={row} done={() => setOpen(false)} />}
    >
      <Button size="small">To another step …</Button>
    </Popover>
  );
}

function ElsewhereForm({ row, done }: { row: FabricationRow; done: () => void }) {
  const [reason, setReason] = useState('');
  const [to, setTo] = useState<FabricationState | 'drop' | null>(null);
  const moving = useChecked(
    fabricationAddress.move,
    { id: row.id },
    { to: to === 'drop' || to === null ? row.state : to, reason, version: row.version },
  );
  const dropping = useChecked(fabricationAddress.drop, { id: row.id }, { why: reason, version: row.version });
  const form = to === 'drop' ? dropping : moving;
  const go = async () => {
    const saved = to === 'drop' ? await dropping.save() : await moving.save();
    if (saved) done();
  };
  const refusal = to !== null && to !== 'drop' ? fabricationRefusal(row.state, to, reason, row.drawings) : null;
  return (
    <EntryForm
      small
      save="Take it there"
      busy={form.busy}
      refusal={form.refusal ?? (refusal === 'noDrawing' ? fabricationSentence(refusal) : null)}
      style={{ width: 280 }}
      onSave={() => void go()}
    >
      <div className="row" role="radiogroup" aria-label="Where to">
        {FABRICATION_STATES.filter((state) => state !== row.state).map((state) => (
          <Button
            key={state}
            size="small"
            role="radio"
            aria-checked={to === state}
            type={to === state ? 'primary' : 'default'}
            onClick={() => setTo(state)}
          >
            {FABRICATION_NAME[state]}
          </Button>
        ))}
        <Button
          size="small"
          role="radio"
          aria-checked={to === 'drop'}
          type={to === 'drop' ? 'primary' : 'default'}
          onClick={() => setTo('drop')}
        >
          Not made
        </Button>
      </div>
      <TextField
        label="Why"
        value={reason}
        onChange={setReason}
        fault={to === 'drop' ? dropping.faults.why : moving.faults.reason}
      />
    </EntryForm>
  );
}

function NewPart({ number, done }: { number: string; done: () => void }) {
  const [name, setName] = useState('');
  const [material, setMaterial] = useState('');
  const form = useChecked(fabricationAddress.add, { number }, { name, material });
  return (
    <EntryForm
      save="Begin with its drawing"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((made) => made && done())}
    >
      <div className="fields pair">
        <TextField label="What is made" value={name} onChange={setName} fault={form.faults.name} />
        <TextField label="Of what" value={material} onChange={setMaterial} fault={form.faults.material} />
      </div>
    </EntryForm>
  );
}
