import { LeftOutlined, RightOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { hoursAddress } from '../../../../contract/hours.ts';
import { peopleAddress } from '../../../../contract/people.ts';
import { hasRole } from '../../../../contract/rights.ts';
import { LONGEST_H } from '../../../../core/hours/entry.ts';
import { hoursOfMs, isForgotten, sumsBy, within } from '../../../../core/hours/sums.ts';
import { dayText } from '../../../../wording/dates.ts';
import { dayAfter, dayBegins, weekOf, zoneDays } from '../../../../wording/zoneDays.ts';
import { fileUrl } from '../../../data/client.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson, useToday, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { TableFile } from '../../../widgets/TableFile.tsx';
import { HoursOfPerson } from './HoursOfPerson.tsx';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const daysFrom = (monday: string) =>
  WEEKDAYS.reduce<string[]>((days) => [...days, days.length === 0 ? monday : dayAfter(days.at(-1)!)], []);
const shift = (day: string, by: number) =>
  new Date(Date.parse(`${day}T12:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10);

/** Hours of everybody, week by week, and one person's in full: entered late, put right, struck out, each with its trace. */
export function HoursLook() {
  const today = useToday();
  const me = usePerson();
  const { timeZone, practice } = useWorkshop();
  const [monday, setMonday] = useState(weekOf(today));
  const [picked, setPicked] = useState<string>(me.id);
  const days = daysFrom(monday);
  const { data, error } = useOfAddress(hoursAddress.list, { from: monday, to: days.at(-1)! });
  const { data: people } = useOfAddress(peopleAddress.list, {});
  const zone = useMemo(() => zoneDays(timeZone), [timeZone]);
  const now = Date.now();
  const clocked = useMemo(() => {
    const all = (data?.entries ?? []).map((row) => ({
      ...{ personId: row.personId, jobNumber: row.jobNumber, stageId: row.stageId, kind: row.kind },
      ...{ from: Date.parse(row.from), to: row.to === null ? null : Date.parse(row.to) },
    }));
    return within(all, dayBegins(monday, timeZone), dayBegins(shift(monday, 7), timeZone), Date.now());
  }, [data, monday, timeZone]);
  const leftRunning = new Set(
    (data?.entries ?? []).flatMap(({ personId, from, to }) =>
      to === null && isForgotten({ from: Date.parse(from), to }, now, zone) ? [personId] : [],
    ),
  );
  const byDay = sumsBy(clocked, now, zone, ({ personId }, day) => `${personId} ${day}`);
  const byPerson = sumsBy(clocked, now, zone, ({ personId }) => personId);
  const lost = sumsBy(
    clocked.filter(({ kind }) => kind === 'rework' || kind === 'waiting'),
    now,
    zone,
    ({ personId, kind }) => `${personId} ${kind}`,
  );
  const shown = (people ?? []).filter(({ id, active, role }) => byPerson.has(id) || (active && role === 'technician'));
  const may = hasRole(me.role, hoursAddress.table.may);
  const month = { from: `${monday.slice(0, 7)}-01`, to: lastOfMonth(monday) };
  const full = (ms: number | undefined) => (ms ? hoursOfMs(ms).toFixed(1) : '');
  return (
    <div className="stack">
      <Panel
        title={`Hours, week of ${dayText(monday)}`}
        aside={
          <span className="row">
            <Button
              size="small"
              icon={<LeftOutlined />}
              aria-label="Week before"
              onClick={() => setMonday(shift(monday, -7))}
            />
            <Button size="small" disabled={monday === weekOf(today)} onClick={() => setMonday(weekOf(today))}>
              This week
            </Button>
            <Button
              size="small"
              icon={<RightOutlined />}
              aria-label="Week after"
              disabled={monday >= weekOf(today)}
              onClick={() => setMonday(shift(monday, 7))}
            />
            {may && (
              <>
                <TableFile
                  href={fileUrl(hoursAddress.table, { from: monday, to: days.at(-1)! })}
                  what="Hours of the week"
                />
                <Button size="small" href={fileUrl(hoursAddress.table, month)}>
                  Month
                </Button>
              </>
            )}
          </span>
        }
      >
        <div className="in">
          {error && <p className="stop">{error.message}</p>}
          <DataTable
            label="Hours of the week"
            rows={shown}
            least={720}
            rowKey={({ id }) => id}
            rowMark={({ id, name }) => ({ 'data-hours-of': name, className: id === picked ? 'picked' : '' })}
            empty={data ? 'Nobody has clocked anything in this week.' : 'One moment …'}
            columns={({ words, figures }) => [
              words('Person', ({ id, name }) => (
                <>
                  <button type="button" className="link-like strong" onClick={() => setPicked(id)}>
                    {name}
                  </button>
                  {leftRunning.has(id) && <div className="wait small">clock left running</div>}
                </>
              )),
              ...days.map((day, i) =>
                figures(
                  <span
                    className={
                      day === today ? 'strong' : practice.closedDays?.some((one) => one.day === day) ? 'soft' : ''
                    }
                  >
                    {WEEKDAYS[i]} {Number(day.slice(8))}
                  </span>,
                  ({ id }) => full(byDay.get(`${id} ${day}`)),
                ),
              ),
              figures('Week', ({ id }) => <span className="strong">{full(byPerson.get(id)) || '0.0'}</span>),
              figures('Rework', ({ id }) => {
                const hours = full(lost.get(`${id} rework`));
                return hours && <span className="wait">{hours}</span>;
              }),
              figures('Waiting', ({ id }) => {
                const hours = full(lost.get(`${id} waiting`));
                return hours && <span className="wait">{hours}</span>;
              }),
            ]}
          />
          <p className="soft small" style={{ paddingTop: 6 }}>
            Hours of 60 minutes, cut at midnight of the workshop; who is on the clock counts until now, a clock left
            running {LONGEST_H} hours until its person says when they stopped.
          </p>
        </div>
      </Panel>
      {people && data && <HoursOfPerson key={picked} personId={picked} sheet={data} people={people} monday={monday} />}
    </div>
  );
}

function lastOfMonth(day: string): string {
  const [year, month] = [Number(day.slice(0, 4)), Number(day.slice(5, 7))];
  return new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10);
}
