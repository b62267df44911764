import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { numbersAddress, type PackRow } from '../../../contract/numbers.ts';
import { hasRole } from '../../../contract/rights.ts';
import { isOpen } from '../../../core/job/states.ts';
import { placeSays } from '../../../wording/stores.ts';
import { useJobs, useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { NewPack } from './NewPack.tsx';
import { useBins } from './useBins.ts';

/** Packs: modules that are one thing and go together; moved whole, split and merged. */
export function PacksPanel() {
  const { data } = useOfAddress(numbersAddress.packs, {});
  const { role } = usePerson();
  const may = hasRole(role, numbersAddress.makePack.may);
  const [making, setMaking] = useState(false);
  const [doing, setDoing] = useState<{ readonly id: string; readonly what: 'move' | 'split' } | null>(null);
  const done = () => setDoing(null);
  return (
    <Panel
      title="Packs"
      aside={
        may && (
          <Button size="small" onClick={() => setMaking(true)}>
            Make one
          </Button>
        )
      }
    >
      <div className="in stack">
        {making && <NewPack done={() => setMaking(false)} />}
        {data?.length === 0 && !making && (
          <p className="soft">None yet. A pack is made of numbered modules, and is moved, split and merged as one.</p>
        )}
        {(data ?? []).map((pack) => (
          <div key={pack.id} className="lesson" data-pack={pack.name}>
            <div className="spread">
              <span className="strong">{pack.name}</span>
              <span className="soft small">{pack.endedAt ? 'split up' : `${pack.modules.length} modules`}</span>
            </div>
            <PackSays pack={pack} />
            {may && !pack.endedAt && (
              <div className="row">
                <Button size="small" onClick={() => setDoing({ id: pack.id, what: 'move' })}>
                  Move
                </Button>
                <Button size="small" onClick={() => setDoing({ id: pack.id, what: 'split' })}>
                  Split or merge
                </Button>
              </div>
            )}
            {doing?.id === pack.id && doing.what === 'move' && <MovePack pack={pack} done={done} />}
            {doing?.id === pack.id && doing.what === 'split' && <SplitPack pack={pack} all={data ?? []} done={done} />}
          </div>
        ))}
      </div>
    </Panel>
  );
}

function PackSays({ pack }: { pack: PackRow }) {
  const places = [...new Map(pack.modules.map(({ place }) => [place.id, place])).values()];
  return (
    <div className="soft small">
      {pack.note && <div>{pack.note}</div>}
      {places.length > 0 && (
        <div>
          {places.map((place, i) => (
            <span key={place.id}>
              {i > 0 && ', '}
              {place.jobNumber ? (
                <Link className="in-text" to={`/jobs/${place.jobNumber}/parts`}>
                  {placeSays(place)}
                </Link>
              ) : (
                placeSays(place)
              )}
            </span>
          ))}
        </div>
      )}
      {pack.cameFrom.length > 0 && <div>{`modules out of ${pack.cameFrom.join(', ')}`}</div>}
      {pack.wentInto.length > 0 && <div>{`modules went on into ${pack.wentInto.join(', ')}`}</div>}
    </div>
  );
}

/** Stands before the id of a bin among the places to choose from. */
const BIN = 'bin ';

function MovePack({ pack, done }: { pack: PackRow; done: () => void }) {
  const bins = useBins();
  const { data: jobs } = useJobs();
  const [to, setTo] = useState<string | null>(null);
  const [why, setWhy] = useState('');
  const body = {
    ...{ binId: to?.startsWith(BIN) ? to.slice(BIN.length) : null, jobNumber: to && !to.startsWith(BIN) ? to : null },
    ...{ why, version: pack.version },
  };
  const form = useChecked(numbersAddress.movePack, { id: pack.id }, body);
  const open = (jobs ?? []).filter(({ state }) => isOpen(state) && state !== 'enquiry');
  return (
    <EntryForm
      small
      save="Move it"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <Choice
        label="To"
        value={to}
        options={[
          ...open.map((job) => ({ value: job.number, label: `${job.number} ${job.title}` })),
          ...bins.map(({ value, label }) => ({ value: `${BIN}${value}`, label })),
        ]}
        onChange={setTo}
        fault={form.faults.binId ?? form.faults.jobNumber}
      />
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
      <Conflict
        of={numbersAddress.movePack}
        params={{ id: pack.id }}
        sending={form.sending}
        theirs={(now: PackRow) => ({ ...body, version: now.version })}
        done={done}
      />
    </EntryForm>
  );
}

function SplitPack({ pack, all, done }: { pack: PackRow; all: readonly PackRow[]; done: () => void }) {
  const [serials, setSerials] = useState<string[]>([]);
  const [intoPackId, setInto] = useState<string | null>(null);
  const [newName, setNewName] = useState('');
  const serialIds = serials.flatMap((serial) => pack.modules.find((one) => one.serial === serial)?.id ?? []);
  const body = { serialIds, intoPackId, newName: intoPackId ? '' : newName, version: pack.version };
  const form = useChecked(numbersAddress.splitPack, { id: pack.id }, body);
  const others = all.filter((one) => one.id !== pack.id && !one.endedAt);
  return (
    <EntryForm
      small
      save="Take them out"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <NumbersInput
        label="Which modules"
        onlyKnown
        value={serials}
        onChange={setSerials}
        known={pack.modules.map(({ serial }) => ({ value: serial, label: serial }))}
        fault={form.faults.serialIds}
      />
      <Choice
        label="Into"
        mayBeEmpty
        placeholder="no pack, or a new one"
        value={intoPackId}
        options={others.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setInto}
        fault={form.faults.intoPackId}
      />
      {!intoPackId && (
        <TextField
          label="Name of the new pack, if they are to be one"
          value={newName}
          onChange={setNewName}
          fault={form.faults.newName ?? form.faults.name}
        />
      )}
      <Conflict
        of={numbersAddress.splitPack}
        params={{ id: pack.id }}
        sending={form.sending}
        theirs={(now: PackRow) => ({ ...body, version: now.version })}
        done={done}
      />
    </EntryForm>
  );
}
