import { Button } from 'antd';
import { useState } from 'react';
import { numbersAddress } from '../../../../contract/numbers.ts';
import { type PartLine, partAddress } from '../../../../contract/parts.ts';
import { wantsSerials } from '../../../../core/order/order.ts';
import { PART_STATES, type PartState } from '../../../../core/stores/partMove.ts';
import { numberChoice } from '../../../../wording/stores.ts';
import { PART_STATE_NAME } from '../../../../wording/work.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { NumbersInput } from '../../../widgets/NumbersInput.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

interface Beside {
  readonly due?: string;
  readonly fromShelf?: boolean;
  readonly serials?: readonly string[];
}

/** Saves a line's new state; what was refused is said where it was asked for. */
export function useLineState(line: PartLine) {
  const sending = useSend(true);
  const save = (state: PartState, { due = '', fromShelf = false, serials = [] }: Beside = {}) =>
    sending.go(
      partAddress.change,
      { id: line.id },
      { state, due: state === 'ordered' ? due || null : null, serials: [...serials], fromShelf, version: line.version },
    );
  const conflict = (
    <Conflict
      of={partAddress.change}
      params={{ id: line.id }}
      sending={sending}
      theirs={({ state, due, version }: PartLine) => ({ state, due, serials: [], version })}
    />
  );
  return { sending, save, conflict };
}

/** Does it have to be said which pieces go where a line goes? They come in, or leave their bin or box. */
const asksWhich = (from: PartState, to: PartState): boolean =>
  (from === 'ordered' && to === 'inStores') || (from !== 'fitted' && (to === 'picked' || to === 'fitted'));

/** Where a line goes next: at once, or after the day it is due or the numbers it has are told. */
export function LineState({ line }: { line: PartLine }) {
  const { shelves, job } = useOpenJob('shelves', 'job');
  const may = useMay(job, 'parts');
  const { sending, save, conflict } = useLineState(line);
  const part = shelves.components.get(line.componentId);
  const name = part?.name ?? line.componentId;
  const [telling, setTelling] = useState<PartState | null>(null);
  const [due, setDue] = useState(line.due ?? '');
  const [serials, setSerials] = useState<string[]>([]);
  if (!may) return PART_STATE_NAME[line.state];
  const numbered = part !== undefined && wantsSerials(part.kind);
  const begin = (to: PartState) => {
    if (to === 'ordered') return setTelling(to);
    // What already has its numbers takes them along.
    if (numbered && asksWhich(line.state, to) && line.serials.length < line.quantity) return setTelling(to);
    setTelling(null);
    void save(to);
  };
  const tell = async () => {
    if (telling && (await save(telling, { due, serials }))) setTelling(null);
  };
  return (
    <div className="stack" style={{ gap: 4 }}>
      <div className="row" style={{ flexWrap: 'nowrap' }}>
        <div style={{ width: 118 }}>
          <Choice
            label={`State of ${name}`}
            hideLabel
            value={telling ?? line.state}
            options={PART_STATES.map((value) => ({ value, label: PART_STATE_NAME[value] }))}
            onChange={(to) => to && begin(to)}
          />
        </div>
        {telling === 'ordered' && (
          <DayInput label={`Due day of ${name}`} value={due} onChange={setDue} fault={sending.faults.due} />
        )}
        {telling && (
          <Button size="small" type="primary" loading={sending.busy} onClick={() => void tell()}>
            Save
          </Button>
        )}
      </div>
      {telling && telling !== 'ordered' && (
        <WhichOnes line={line} name={name} coming={line.state === 'ordered'} serials={serials} onChange={setSerials} />
      )}
      {sending.problem && !sending.faults.due && <div className="fault">{sending.problem.detail}</div>}
      {conflict}
    </div>
  );
}

interface WhichProps {
  readonly line: PartLine;
  readonly name: string;
  /** They come in now: their numbers are new. */
  readonly coming: boolean;
  readonly serials: readonly string[];
  readonly onChange: (serials: string[]) => void;
}

/** Which pieces, by their numbers: what lies in bins is to choose from, what has none yet is written on now. */
function WhichOnes({ line, name, coming, serials, onChange }: WhichProps) {
  const { job } = useOpenJob('job');
  const { data } = useOfAddress(numbersAddress.inBins, coming ? null : { component: line.componentId });
  const free = (data ?? []).filter((one) => one.forJob === null || one.forJob === job.number);
  return (
    <div style={{ width: 260 }}>
      <NumbersInput
        label={`Numbers of ${name}`}
        hideLabel
        value={serials}
        onChange={onChange}
        known={free.map(numberChoice)}
      />
      <div className="soft small">{`${serials.length} of ${line.quantity} named`}</div>
    </div>
  );
}
