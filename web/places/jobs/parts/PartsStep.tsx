import { Button } from 'antd';
import type { PartLine } from '../../../../contract/parts.ts';
import { partAddress } from '../../../../contract/parts.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { PART_STATES, type PartState } from '../../../../core/stores/partMove.ts';
import { dayAndTime, dayText } from '../../../../wording/dates.ts';
import { PART_STATE_NAME } from '../../../../wording/work.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { ComponentChoice } from '../../../widgets/ComponentChoice.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { LineState, useLineState } from './LineState.tsx';
import { MadeHere } from './MadeHere.tsx';
import { NeededFrom, useNeededDays } from './NeededFrom.tsx';

const MARK: Record<PartState, Mark> = {
  missing: 'stop',
  ordered: 'waiting',
  inStores: 'half',
  picked: 'half',
  fitted: 'done',
};

function PartName({ line }: { line: PartLine }) {
  const { shelves } = useOpenJob('shelves');
  return (
    <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
      <StateMark mark={MARK[line.state]} label={PART_STATE_NAME[line.state]} />
      <span>
        {shelves.components.get(line.componentId)?.name ?? line.componentId}
        <span className="soft small"> {line.packedIn || (line.from === 'added' ? 'added' : 'beyond the kit')}</span>
      </span>
    </span>
  );
}

const MOST_NUMBERS = 4;
const numbersText = (serials: readonly string[]): string =>
  serials.length > MOST_NUMBERS
    ? `${serials.slice(0, MOST_NUMBERS).join(', ')} and ${serials.length - MOST_NUMBERS} more`
    : serials.join(', ');

/** Where a line stands: fitted by whom, due when, how many lie free. */
function Standing({ line }: { line: PartLine }) {
  const { shelves, today, job } = useOpenJob('shelves', 'today', 'job');
  const workshop = useWorkshop();
  const may = useMay(job, 'parts');
  const { sending, save, conflict } = useLineState(line);
  const part = shelves.components.get(line.componentId);
  const late = line.state === 'ordered' && (line.due ?? '') < today;
  const stock = shelves.free.get(line.componentId) ?? 0;
  return (
    <>
      {line.state === 'picked' &&
        line.pickedAt &&
        `picked by ${line.pickedBy}, ${dayAndTime(line.pickedAt, workshop.timeZone)}`}
      {line.state === 'fitted' && line.fittedAt && `${line.fittedBy}, ${dayAndTime(line.fittedAt, workshop.timeZone)}`}
      {line.state === 'ordered' && line.due && (
        <span className={late ? 'stop strong' : ''}>
          {late ? `was due ${dayText(line.due)}, late` : `due ${dayText(line.due)}`}
        </span>
      )}
      {late && may && stock >= line.quantity && (
        <Button
          size="small"
          onClick={() => void save('inStores', { fromShelf: true })}
          aria-label={`Take ${part?.name ?? line.componentId} from stores`}
        >
          Take it from stores, {stock} free
        </Button>
      )}
      {line.state === 'missing' && (
        <span className="soft">{`${stock} free in stores, ${part?.leadDays ?? 0} days to get`}</span>
      )}
      {line.state === 'inStores' && <span className="soft">held for {job.number}</span>}
      {line.serials.length > 0 && (
        <div className="soft small">
          {numbersText(line.serials)}
          {line.batches.length > 0 && `; batch ${line.batches.join(', ')}`}
        </div>
      )}
      {sending.problem && <div className="fault">{sending.problem.detail}</div>}
      {conflict}
    </>
  );
}

/** The job's list from kit and design: in stores, ordered with its day, missing, or fitted by whom and when. */
export default function PartsStep() {
  const { job, shelves } = useOpenJob('job', 'shelves');
  const set = useUnitSet();
  const may = useMay(job, 'parts');
  const sending = useSend();
  const needed = useNeededDays();
  const lines = [...job.parts].sort((a, b) => PART_STATES.indexOf(a.state) - PART_STATES.indexOf(b.state));
  const worth = job.parts.reduce(
    (sum, line) => sum + (shelves.components.get(line.componentId)?.priceCents ?? 0) * line.quantity,
    0,
  );
  const counts = PART_STATES.map((state) => [job.parts.filter((line) => line.state === state).length, state] as const)
    .filter(([n]) => n > 0)
    .map(([n, state]) => `${n} ${PART_STATE_NAME[state].toLowerCase()}`);
  return (
    <div className="stack">
      <Panel
        title="Parts"
        aside={
          <span className="row">
            {job.parts.length > 0 && `${counts.join(', ')}; ${formatQuantity(worth, 'money', set)}`}
            {may && (
              <Button
                type={job.parts.length === 0 ? 'primary' : 'default'}
                loading={sending.busy}
                onClick={() => void sending.go(partAddress.fill, { number: job.number })}
              >
                {job.parts.length === 0 ? 'Make the list' : 'Add what kit and design have new'}
              </Button>
            )}
          </span>
        }
      >
        <div className="in">
          {job.parts.length === 0 ? (
            <p className="soft">No list yet. It is made from the kit taken in Match and the design chosen in Size.</p>
          ) : (
            <DataTable
              label="Parts"
              rows={lines}
              rowKey={(line) => line.id}
              rowMark={(line) => ({ 'data-part': line.componentId, 'data-state': line.state, className: '' })}
              columns={({ words, figures }) => [
                words('Part', (line) => <PartName line={line} />),
                figures('Quantity', (line) => line.quantity, { width: 80 }),
                words('Needed from', (line) => <NeededFrom line={line} needed={needed(line.componentId)} />, {
                  width: 92,
                }),
                words('Where it stands', (line) => <Standing line={line} />, { width: 210 }),
                words('Change', (line) => <LineState line={line} />, { width: 150 }),
              ]}
            />
          )}
        </div>
      </Panel>
      <MadeHere />
      {may && (
        <div style={{ width: 320 }}>
          <ComponentChoice
            label="Add a part"
            hideLabel
            value={null}
            placeholder="Add a part to the list"
            shelves={shelves}
            onChange={(componentId) =>
              componentId && void sending.go(partAddress.add, { number: job.number }, { componentId, quantity: 1 })
            }
          />
        </div>
      )}
    </div>
  );
}
