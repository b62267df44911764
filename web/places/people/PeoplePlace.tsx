import { UserAddOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { type PersonRow, peopleAddress } from '../../../contract/people.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayNumber, formatDay, formatQuantity } from '../../../core/quantity/format.ts';
import { dayOf } from '../../../wording/dates.ts';
import { ROLE_NAME } from '../../../wording/people.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { AuthorisationStrip, MonthScale, STRIP_DAYS } from './AuthorisationStrip.tsx';
import { HoursLook } from './hours/HoursLook.tsx';
import { LoadLook } from './hours/LoadLook.tsx';
import { NewPersonForm } from './NewPersonForm.tsx';
import { PersonDrawer } from './PersonDrawer.tsx';

/** From this many days before an authorisation ends it is said. */
const SOON_DAYS = 30;

const LOOKS = [
  { value: 'people', label: 'People' },
  { value: 'hours', label: 'Hours' },
  { value: 'load', label: 'Load' },
] as const;

/** People by what one looks for: who they are and may do, or their hours. */
export default function PeoplePlace() {
  const { look = 'people' } = useParams();
  const navigate = useNavigate();
  const { role } = usePerson();
  return (
    <div className="page stack">
      <h1 className="hidden-label">People</h1>
      {hasRole(role, 'technician') && (
        <div>
          <Segmented
            aria-label="Look at"
            value={look}
            options={[...LOOKS]}
            onChange={(next) => navigate(next === 'people' ? '/people' : `/people/${next}`)}
          />
        </div>
      )}
      {look === 'hours' ? <HoursLook /> : look === 'load' ? <LoadLook /> : <PeopleLook />}
    </div>
  );
}

/** Everybody in the workshop: what they do, whether they can sign in, and their authorisations in time. */
function PeopleLook() {
  const { data: people, error } = useOfAddress(peopleAddress.list, {});
  const { role } = usePerson();
  const set = useUnitSet();
  const workshop = useWorkshop();
  const [adding, setAdding] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const may = hasRole(role, peopleAddress.add.may);
  const today = dayNumber(dayOf(new Date(), workshop.timeZone));
  const opened = people?.find((one) => one.id === open);
  return (
    <div className="stack">
      {error && <p className="stop">{error.message}</p>}
      {people && <Ending people={people} today={today} />}
      <Panel
        title="People"
        aside={
          may && (
            <Button size="small" type="primary" icon={<UserAddOutlined />} onClick={() => setAdding(true)}>
              Add somebody
            </Button>
          )
        }
      >
        <div className="in" style={{ overflowX: 'auto' }}>
          <DataTable
            label="People"
            rows={people ?? []}
            rowKey={({ id }) => id}
            rowMark={(row) => ({ 'data-person': row.name, className: row.active ? '' : 'soft' })}
            columns={({ words, figures }) => [
              words('Name', (row) => (
                <div style={{ minWidth: 150 }}>
                  {may ? (
                    <Button type="link" style={{ padding: 0, height: 'auto' }} onClick={() => setOpen(row.id)}>
                      {row.name}
                    </Button>
                  ) : (
                    <span className="strong">{row.name}</span>
                  )}
                  <div className="soft small">{stateOf(row)}</div>
                </div>
              )),
              words('Role', (row) => ROLE_NAME[row.role]),
              words('Skills', (row) => row.skills.join(', ') || '–'),
              figures('Day', (row) => formatQuantity(row.dayHours ?? workshopDay(workshop), 'hours', set)),
              ...(may
                ? [figures('Rate', (row) => formatQuantity(row.rateCents ?? workshop.rateCents, 'money', set))]
                : []),
              words(
                <span className="row" style={{ justifyContent: 'space-between' }}>
                  <span>High-voltage authorisation</span>
                  <MonthScale today={today} />
                </span>,
                (row) => <AuthorisationStrip row={row} today={today} />,
                { width: '42%' },
              ),
            ]}
          />
          <p className="soft small" style={{ paddingTop: 6 }}>
            The strips show {Math.round(STRIP_DAYS / 30)} months; the upright line is today.
          </p>
        </div>
      </Panel>
      <SafetyNote about="approval" />
      {adding && <NewPersonForm onClose={() => setAdding(false)} />}
      {opened && <PersonDrawer key={`${opened.id} ${opened.version}`} row={opened} onClose={() => setOpen(null)} />}
    </div>
  );
}

const workshopDay = ({ dayStartH, dayEndH, breakH }: { dayStartH: number; dayEndH: number; breakH: number }) =>
  dayEndH - dayStartH - breakH;

function stateOf({ active, joined, invitedUntil, initials }: PersonRow): string {
  if (!active) return `${initials}, switched off`;
  if (joined) return initials;
  return invitedUntil
    ? `${initials}, invited until ${formatDay(dayNumber(invitedUntil))}`
    : `${initials}, cannot sign in: invite again`;
}

/** The authorisation that runs longest of those begun and not ended; null without one. */
const runsUntil = (row: PersonRow, today: number): number | null => {
  const ends = row.authorisations
    .filter((one) => one.endedOn === null && (one.validFrom === null || dayNumber(one.validFrom) <= today))
    .map((one) => dayNumber(one.validUntil));
  return ends.length > 0 ? Math.max(...ends) : null;
};

/** Whose authorisation ends soon or has run out, and how many may still do live work. */
function Ending({ people, today }: { people: readonly PersonRow[]; today: number }) {
  const runs = people.flatMap((row) => {
    const until = row.active ? runsUntil(row, today) : null;
    return until === null ? [] : [{ row, left: until - today }];
  });
  const able = runs.filter(({ left }) => left >= 0);
  const soon = runs.filter(({ left }) => left < SOON_DAYS);
  return (
    <div className="stack">
      {able.length === 0 && (
        <div className="note wait">
          <StateMark mark="waiting" /> Nobody has a current high-voltage authorisation: no live work can be begun.
        </div>
      )}
      {soon.map(({ row, left }) => (
        <div key={row.id} className="note wait">
          <StateMark mark="waiting" />{' '}
          {left < 0
            ? `${row.name}'s high-voltage authorisation ran out ${-left} ${left === -1 ? 'day' : 'days'} ago.`
            : `${row.name}'s high-voltage authorisation ends in ${left} ${left === 1 ? 'day' : 'days'}; ${able.length - 1} other ${able.length === 2 ? 'person has' : 'people have'} one.`}
        </div>
      ))}
    </div>
  );
}
