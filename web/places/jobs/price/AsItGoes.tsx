import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { offerAddress } from '../../../../contract/offers.ts';
import type { Actual } from '../../../../core/actual/actual.ts';
import { formatHours, formatQuantity } from '../../../../core/quantity/format.ts';
import { moneyChange } from '../../../../wording/offers.ts';
import { REWORK_NAME } from '../../../../wording/work.ts';
import { fileUrl } from '../../../data/client.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Fold } from '../../../widgets/Fold.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useOpenJob } from '../openJob.ts';
import { CostsOfJob } from './CostsOfJob.tsx';

/** What the job takes against what was sold: hours by stage, parts, outside work, and what is left of the price at completion. */
export function AsItGoes() {
  const { job } = useOpenJob('job');
  const { data } = useOfAddress(offerAddress.actual, { number: job.number });
  const set = useUnitSet();
  if (!data?.actual) return null;
  const { actual } = data;
  const { quoted, forecast } = actual.marginCents;
  return (
    <Panel
      title="As it goes"
      aside={
        <span className="row">
          <Button
            size="small"
            icon={<TableOutlined />}
            href={fileUrl(offerAddress.actualTable, { number: job.number })}
            aria-label="Actual against quoted as CSV"
          >
            CSV
          </Button>
        </span>
      }
    >
      <div className="in stack" data-actual>
        <p>
          Left at completion{' '}
          <strong className={forecast < quoted ? 'stop' : 'pass'}>{formatQuantity(forecast, 'money', set)}</strong> of{' '}
          {formatQuantity(actual.soldCents, 'money', set)} before tax; {formatQuantity(quoted, 'money', set)} were
          reckoned with ({moneyChange(forecast - quoted, set)}).
          {data.hoursAsSold && (
            <span className="soft small">
              {' '}
              Hours count at what they are sold for, until the workshop says what one costs.
            </span>
          )}
        </p>
        <Sums actual={actual} />
        <Rework actual={actual} />
        <Fold title="Hours by stage">
          <Stages actual={actual} />
        </Fold>
        <Fold title="Parts">
          <Parts actual={actual} />
        </Fold>
        <CostsOfJob costs={data.costs} />
      </div>
    </Panel>
  );
}

function Sums({ actual }: { actual: Actual }) {
  const set = useUnitSet();
  const money = (cents: number) => formatQuantity(cents, 'money', set);
  const rows = [
    {
      key: 'work',
      name: `Hours, ${formatHours(actual.hours.took)} of ${formatHours(actual.hours.quoted)}`,
      ...actual.work,
    },
    { key: 'parts', name: 'Parts', ...actual.partsCost },
    { key: 'outside', name: 'Outside and other', ...actual.outside },
    { key: 'all', name: 'All', ...actual.cost },
  ];
  return (
    <DataTable
      label="Actual against quoted"
      className="close"
      rows={rows}
      rowKey={({ key }) => key}
      rowMark={({ key }) => ({ 'data-actual-row': key })}
      columns={({ words, figures }) => [
        words(<span className="hidden-label">What</span>, ({ key, name }) =>
          key === 'all' ? <strong>{name}</strong> : name,
        ),
        figures('Quoted', ({ quotedCents }) => money(quotedCents)),
        figures('So far', ({ spentCents }) => money(spentCents)),
        figures('At completion', ({ forecastCents }) => money(forecastCents)),
        figures('Over', ({ quotedCents, forecastCents }) => (
          <span className={forecastCents > quotedCents ? 'stop' : ''}>
            {moneyChange(forecastCents - quotedCents, set)}
          </span>
        )),
      ]}
    />
  );
}

function Rework({ actual }: { actual: Actual }) {
  const set = useUnitSet();
  if (actual.rework.length === 0) return null;
  return (
    <p className="small" data-rework>
      Done twice:{' '}
      {actual.rework
        .map(
          ({ cause, hours, cents }) =>
            `${REWORK_NAME[cause as keyof typeof REWORK_NAME] ?? cause} ${formatHours(hours)}, ${formatQuantity(cents, 'money', set)}`,
        )
        .join('; ')}
    </p>
  );
}

function Stages({ actual }: { actual: Actual }) {
  return (
    <DataTable
      label="Hours by stage"
      className="close"
      rows={actual.stages}
      rowKey={({ key }) => key}
      rowMark={({ key }) => ({ 'data-actual-stage': key })}
      columns={({ words, figures }) => [
        words('Stage', ({ name, done }) => (
          <>
            {name} {done && <span className="soft small">done</span>}
          </>
        )),
        figures('Quoted', ({ quotedHours }) => (quotedHours === null ? 'not sold' : formatHours(quotedHours))),
        figures('Took', ({ tookHours }) => formatHours(tookHours)),
        figures('of it again', ({ reworkHours }) => (reworkHours > 0 ? formatHours(reworkHours) : '')),
        figures('At completion', ({ quotedHours, forecastHours }) => (
          <span className={forecastHours > (quotedHours ?? 0) + 1 / 60 ? 'stop' : ''}>
            {formatHours(forecastHours)}
          </span>
        )),
      ]}
    />
  );
}

function Parts({ actual }: { actual: Actual }) {
  const set = useUnitSet();
  const [all, setAll] = useState(false);
  const other = actual.parts.filter(({ quotedCents, forecastCents }) => quotedCents !== forecastCents);
  const rows = all ? actual.parts : other;
  const money = (cents: number) => formatQuantity(cents, 'money', set, { digits: 2 });
  return (
    <div className="stack">
      <Button size="small" type="text" style={{ justifySelf: 'start' }} onClick={() => setAll(!all)}>
        {all ? 'Only what differs' : `All ${actual.parts.length} parts`}
      </Button>
      <DataTable
        label="Parts against quoted"
        className="close"
        rows={rows}
        empty="Every part costs what it was reckoned at."
        rowKey={({ componentId }) => componentId}
        columns={({ words, figures }) => [
          words('Part', ({ name }) => name),
          figures('Sold', ({ quotedQuantity }) => quotedQuantity),
          figures('On the list', ({ quantity }) => quantity),
          figures('Quoted', ({ quotedCents }) => money(quotedCents)),
          figures('Bought', ({ spentCents }) => money(spentCents)),
          figures('At completion', ({ forecastCents }) => money(forecastCents)),
        ]}
      />
    </div>
  );
}
