import { CloseOutlined, QrcodeOutlined, TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { type ItemSheet, storesAddress } from '../../../contract/stores.ts';
import { dayAndTime, dayText } from '../../../wording/dates.ts';
import { MOVE_KIND_NAME, placeSays, stockText } from '../../../wording/stores.ts';
import { PART_STATE_NAME } from '../../../wording/work.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { GiveNumbers } from './GiveNumbers.tsx';
import { KeepForm } from './KeepForm.tsx';
import { MoveForm } from './MoveForm.tsx';

type Doing = 'keep' | 'move' | 'number' | null;

/** One part as stores know it: where it lies, who holds it, what came and went. */
export function ItemPanel({ id }: { id: string }) {
  const { data, error } = useOfAddress(storesAddress.item, { component: id });
  const { role } = usePerson();
  const [doing, setDoing] = useState<Doing>(null);
  if (error) return <Panel title="Not found">{error.message}</Panel>;
  if (!data) return <Panel title="One moment …">{null}</Panel>;
  const mayMove = hasRole(role, storesAddress.move.may);
  const inBins = data.places.filter(({ place }) => place.kind === 'bin');
  const plain = inBins.filter(({ quantity, numbers }) => numbers < quantity);
  return (
    <Panel
      title={data.name}
      aside={
        <Link to="/stores/counted" aria-label={`Close ${data.name}`}>
          <CloseOutlined />
        </Link>
      }
    >
      <div className="in stack">
        <p className="soft">
          {data.supplier}
          {data.partNumber ? `, ${data.partNumber}` : ''} · {stockText(data.onHand, data.unitSize)} on hand,{' '}
          {stockText(data.held, data.unitSize)} held
          {data.reorderAt !== null &&
            data.reorderTo !== null &&
            ` · again at ${stockText(data.reorderAt, data.unitSize)}, up to ${stockText(data.reorderTo, data.unitSize)}`}
        </p>
        <div className="row">
          {mayMove && inBins.length > 0 && (
            <Button size="small" onClick={() => setDoing('move')}>
              Move or scrap
            </Button>
          )}
          {mayMove && data.numbered && plain.length > 0 && (
            <Button size="small" onClick={() => setDoing('number')}>
              Number them
            </Button>
          )}
          {hasRole(role, storesAddress.keep.may) && (
            <Button size="small" onClick={() => setDoing('keep')}>
              Bin and levels
            </Button>
          )}
          <Button
            size="small"
            icon={<QrcodeOutlined />}
            href={fileUrl(storesAddress.label, { component: id })}
            aria-label={`Label of ${data.name}`}
          >
            Label
          </Button>
          <Button
            size="small"
            icon={<TableOutlined />}
            href={fileUrl(storesAddress.moves, { component: id })}
            aria-label={`Movements of ${data.name} as CSV`}
          >
            CSV
          </Button>
        </div>
        {doing === 'keep' && <KeepForm item={data} done={() => setDoing(null)} />}
        {doing === 'move' && <MoveForm item={data} done={() => setDoing(null)} />}
        {doing === 'number' && <GiveNumbers item={data} done={() => setDoing(null)} />}
        {data.places.length > 0 && <Places item={data} />}
        {data.holders.length > 0 && <Holders item={data} />}
        <Moves item={data} />
      </div>
    </Panel>
  );
}

function Places({ item }: { item: ItemSheet }) {
  return (
    <DataTable
      label="Where it is"
      rows={item.places}
      rowKey={({ place }) => place.id}
      columns={({ words, figures }) => [
        words('Where it is', ({ place }) =>
          place.jobNumber ? <Link to={`/jobs/${place.jobNumber}/parts`}>{placeSays(place)}</Link> : placeSays(place),
        ),
        figures('So many', ({ quantity, numbers }) => (
          <>
            {stockText(quantity, item.unitSize)}
            {item.numbered && numbers < quantity && (
              <span className="wait small"> {quantity - numbers} without number</span>
            )}
          </>
        )),
      ]}
    />
  );
}

function Holders({ item }: { item: ItemSheet }) {
  return (
    <DataTable
      label="Who wants it"
      rows={item.holders}
      rowKey={({ partId }) => partId}
      columns={({ words, figures }) => [
        words('Who wants it', (line) => (
          <>
            <Link className="in-text" to={`/jobs/${line.jobNumber}/parts`}>
              {line.jobNumber}
            </Link>{' '}
            <span className="soft">{line.jobTitle}</span>
          </>
        )),
        words('Stands', (line) =>
          line.state === 'ordered' && line.due ? `due ${dayText(line.due)}` : PART_STATE_NAME[line.state].toLowerCase(),
        ),
        words('Promised', (line) => (line.promised ? dayText(line.promised) : <span className="soft">no day</span>)),
        figures('So many', (line) => stockText(line.quantity * item.unitSize, item.unitSize)),
      ]}
    />
  );
}

const SHOWN = 12;

function Moves({ item }: { item: ItemSheet }) {
  const { timeZone } = useWorkshop();
  const [all, setAll] = useState(false);
  const rows = all ? item.moves : item.moves.slice(0, SHOWN);
  return (
    <>
      <DataTable
        label="What came and went"
        rows={rows}
        rowKey={({ id }) => String(id)}
        empty="Nothing has come or gone yet."
        columns={({ words, figures }) => [
          words('What came and went', (move) => (
            <>
              {MOVE_KIND_NAME[move.kind]}{' '}
              <span className="soft">
                {placeSays(move.from)} → {placeSays(move.to)}
              </span>
              <div className="soft small">
                {[dayAndTime(move.at, timeZone), move.by, move.note, move.serials.slice(0, 4).join(', ')]
                  .filter(Boolean)
                  .join(' · ')}
                {move.serials.length > 4 && ` and ${move.serials.length - 4} more`}
              </div>
            </>
          )),
          figures('So many', (move) => stockText(move.quantity, item.unitSize)),
        ]}
      />
      {item.moves.length > SHOWN && !all && (
        <button type="button" className="link" onClick={() => setAll(true)}>
          {`All ${item.moves.length} of them`}
        </button>
      )}
    </>
  );
}
