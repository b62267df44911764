import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type HoursRow, type HoursSaid, type HoursSheet, hoursAddress } from '../../../../contract/hours.ts';
import type { PersonRow } from '../../../../contract/people.ts';
import { hasRole } from '../../../../contract/rights.ts';
import { clockedTo } from '../../../../core/hours/entry.ts';
import { hoursOfMs } from '../../../../core/hours/sums.ts';
import { clock, dayAndTime, dayOf, dayText } from '../../../../wording/dates.ts';
import { entryText } from '../../../../wording/work.ts';
import { usePerson, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { WithReason } from '../../../widgets/WithReason.tsx';
import { HoursForm } from './HoursForm.tsx';

interface Props {
  readonly personId: string;
  readonly sheet: HoursSheet;
  readonly people: readonly PersonRow[];
  readonly monday: string;
}

/** One person's hours of a week, to be put right by them or by a manager, with what was done to them afterwards. */
export function HoursOfPerson({ personId, sheet, people, monday }: Props) {
  const me = usePerson();
  const { timeZone } = useWorkshop();
  const [doing, setDoing] = useState<HoursRow | 'new' | null>(null);
  const name = people.find(({ id }) => id === personId)?.name ?? '';
  const rows = sheet.entries.filter((row) => row.personId === personId);
  const traces = sheet.traces.filter((trace) => trace.personId === personId);
  const may = me.id === personId ? hasRole(me.role, hoursAddress.add.may) : hasRole(me.role, 'manager');
  return (
    <Panel
      title={me.id === personId ? 'Your hours' : `Hours of ${name}`}
      aside={
        may && (
          <Button size="small" onClick={() => setDoing('new')}>
            Enter hours late
          </Button>
        )
      }
    >
      <div className="in stack">
        {doing && (
          <HoursForm
            key={doing === 'new' ? 'new' : doing.id}
            personId={personId}
            row={doing === 'new' ? null : doing}
            day={monday}
            done={() => setDoing(null)}
          />
        )}
        <DataTable
          label={`Hours of ${name}`}
          rows={rows}
          least={680}
          rowKey={({ id }) => String(id)}
          rowMark={({ id }) => ({ 'data-entry': String(id), className: '' })}
          empty="Nothing in this week."
          columns={({ words, figures, actions }) => [
            words('Day', (row) => dayText(dayOf(row.from, timeZone)), { width: 70 }),
            words(
              'From, to',
              (row) => `${clock(row.from, timeZone)} – ${row.to ? clock(row.to, timeZone) : 'on the clock'}`,
              { width: 150 },
            ),
            figures('Hours', (row) => hoursOfMs(lasted(row)).toFixed(2)),
            words('Stage', (row) => (
              <>
                <Link className="in-text" to={`/jobs/${row.jobNumber}/build`}>
                  {row.jobNumber}
                </Link>{' '}
                <span className={row.liveHv ? 'live' : ''}>{row.stage}</span>
                <div className="soft small">{row.jobTitle}</div>
              </>
            )),
            words('What for', (row) => (
              <>
                <span className={row.kind === 'rework' || row.kind === 'waiting' ? 'wait' : ''}>
                  {entryText(row.kind, row.cause)}
                </span>
                {row.corrected && <div className="soft small">entered or corrected afterwards</div>}
              </>
            )),
            actions('What can be done', (row) =>
              may ? (
                <span className="row" style={{ justifyContent: 'flex-end' }}>
                  <Button size="small" onClick={() => setDoing(row)} aria-label={`Correct ${row.stage} ${row.from}`}>
                    Correct
                  </Button>
                  {row.to && (
                    <WithReason
                      asks="Strike out …"
                      button={{ size: 'small', 'aria-label': `Strike out ${row.stage} ${row.from}` }}
                      address={hoursAddress.strike}
                      params={{ entry: String(row.id) }}
                      body={(why) => ({ why, version: row.version })}
                      save="Strike out"
                    />
                  )}
                </span>
              ) : null,
            ),
          ]}
        />
        {traces.length > 0 && (
          <div>
            <h3>Done to them afterwards</h3>
            {traces.map((trace) => (
              <p key={trace.id} className="small" data-trace>
                {dayAndTime(trace.at, timeZone)} {trace.by}: {trace.why}{' '}
                <span className="soft">
                  {trace.before ? said(trace.before, timeZone) : 'was not there'} →{' '}
                  {trace.after ? said(trace.after, timeZone) : 'struck out'}
                </span>
              </p>
            ))}
          </div>
        )}
      </div>
    </Panel>
  );
}

const lasted = ({ from, to }: HoursRow): number => {
  const begun = Date.parse(from);
  return clockedTo({ from: begun, to: to === null ? null : Date.parse(to) }, Date.now()) - begun;
};

const said = ({ job, stage, kind, cause, from, to }: HoursSaid, timeZone: string): string =>
  `${dayText(dayOf(from, timeZone))} ${clock(from, timeZone)}–${to ? clock(to, timeZone) : '…'}, ${job} ${stage}, ${entryText(kind, cause).toLowerCase()}`;
