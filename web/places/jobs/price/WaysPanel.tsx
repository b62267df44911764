import { DeleteOutlined, TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { offerAddress, type WayRow } from '../../../../contract/offers.ts';
import { formatDay, formatHours, formatNumber, formatQuantity } from '../../../../core/quantity/format.ts';
import { toCsv } from '../../../../wording/csv.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { saveFile } from '../../../widgets/saveFile.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { NewWayForm } from './NewWayForm.tsx';
import { useWays, type Way } from './useWays.ts';

const USUAL_YEARS = 10;

/** The least of a column, where more than one row has a figure: what is best is marked, so that nobody has to look for it. */
const least = (ways: readonly Way[], of: (way: Way) => number | null): number | null => {
  const all = ways.map(of).filter((value): value is number => value !== null);
  return all.length > 1 ? Math.min(...all) : null;
};

const saveWays = (number: string, ways: readonly Way[], years: number) =>
  saveFile(
    `${number}-ways.csv`,
    new Blob(
      [
        toCsv(
          ['way', 'price with tax', 'range km', 'unladen kg', 'hours', 'ready', `kept ${years} years`],
          ways.map((way) => [
            ...[way.name, way.priceCents && way.priceCents / 100, way.rangeKm, way.massKg, way.hours],
            ...[way.readyDay && formatDay(way.readyDay), way.keptCents && way.keptCents / 100],
          ]),
        ),
      ],
      { type: 'text/csv;charset=utf-8' },
    ),
  );

/** Ways to do a job side by side: what each costs, now and over the years it is kept, how far it goes, what it weighs, when it is ready. */
export function WaysPanel({ ways: stored }: { ways: readonly WayRow[] }) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const may = useMay(job, 'offer');
  const [years, setYears] = useState(USUAL_YEARS);
  const [adding, setAdding] = useState(false);
  const ways = useWays(stored, years);
  const sending = useSend();
  const cheapest = least(ways, ({ priceCents }) => priceCents);
  const keptLeast = least(ways, ({ keptCents }) => keptCents);
  const money = (cents: number | null, best: number | null) =>
    cents === null ? (
      <span className="soft">not known</span>
    ) : (
      <span className={cents === best ? 'pass strong' : ''}>{formatQuantity(cents, 'money', set)}</span>
    );
  return (
    <Panel
      title="Ways to do it"
      aside={
        <span className="row" style={{ alignItems: 'center' }}>
          {stored.length === 0 && <span>every design and the kit of the job</span>}
          <span className="row" style={{ flexWrap: 'nowrap' }}>
            kept for
            <QuantityInput
              label="Years it is kept"
              hideLabel
              kind="count"
              width={60}
              value={years}
              onChange={(next) => next !== null && next >= 0 && next <= 60 && setYears(next)}
            />
            years
          </span>
          {ways.length > 0 && (
            <Button
              size="small"
              icon={<TableOutlined />}
              aria-label="Ways as CSV"
              onClick={() => saveWays(job.number, ways, years)}
            >
              CSV
            </Button>
          )}
          {may && (
            <Button size="small" onClick={() => setAdding(true)}>
              Put a way beside
            </Button>
          )}
        </span>
      }
    >
      <div className="in">
        {ways.length === 0 ? (
          <p className="soft">No design and no kit yet. Make a design in Size or take a kit in Match.</p>
        ) : (
          <DataTable
            label="Ways to do it"
            className="close"
            rows={ways}
            rowKey={({ id, name }) => id ?? name}
            rowMark={({ name }) => ({ 'data-way': name })}
            columns={({ words, figures, actions }) => [
              words(<span className="hidden-label">What</span>, ({ name, note }) => (
                <>
                  {name} {note && <span className="soft small">{note}</span>}
                </>
              )),
              figures('Price with tax', ({ priceCents }) => money(priceCents, cheapest)),
              figures('Range', ({ rangeKm }) => (rangeKm === null ? '–' : formatQuantity(rangeKm, 'distance', set))),
              figures('Unladen', ({ massKg }) => (massKg === null ? '–' : formatQuantity(massKg, 'mass', set))),
              figures('Hours', ({ hours }) => (hours === null ? '–' : formatHours(hours))),
              figures('Ready', ({ readyDay }) => (readyDay === null ? '–' : formatDay(readyDay))),
              figures(`Kept ${formatNumber(years, 0)} y`, ({ keptCents }) => money(keptCents, keptLeast)),
              ...(may && stored.length > 0
                ? [
                    actions('Take out', ({ id, name }) => (
                      <Button
                        type="text"
                        size="small"
                        icon={<DeleteOutlined />}
                        aria-label={`Take ${name} out`}
                        onClick={() => id && void sending.go(offerAddress.dropWay, { id })}
                      />
                    )),
                  ]
                : []),
            ]}
          />
        )}
        <p className="soft small">
          Price by today’s figures with the workshop’s shares; kept: with electricity for the use of the brief, nothing
          for what wears, which nobody knows yet.
        </p>
        {adding && <NewWayForm onClose={() => setAdding(false)} />}
      </div>
    </Panel>
  );
}
