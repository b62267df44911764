import { Tooltip } from 'antd';
import type { FloorData } from '../../../contract/floor.ts';
import { Panel } from '../../widgets/Panel.tsx';

/** Each technician's day so far against the plan; orange is live work, tan is rework. */
export function HoursToday({ floor }: { floor: FloorData }) {
  const people = floor.people.filter((person) => person.role === 'technician');
  return (
    <Panel title="Hours today" aside="clocked / planned">
      <div className="in">
        {people.map((person) => {
          const all = person.workHours + person.liveHours + person.reworkHours;
          const scale = Math.max(person.hoursPlanned, all, 0.1);
          const on = floor.onTheClock.find((entry) => entry.personId === person.personId);
          return (
            <Tooltip
              key={person.personId}
              title={on ? `${person.name}: ${on.stage}, ${on.jobNumber}` : `${person.name}: not clocked on`}
            >
              <div className="hours">
                <span className={on ? 'strong' : 'soft'}>{person.initials}</span>
                <div className="track">
                  <i style={{ width: `${(person.workHours / scale) * 100}%`, background: 'var(--primary)' }} />
                  <i style={{ width: `${(person.liveHours / scale) * 100}%`, background: 'var(--hv)' }} />
                  <i style={{ width: `${(person.reworkHours / scale) * 100}%`, background: 'var(--tan)' }} />
                </div>
                <span className="num">
                  <span className="strong">{all.toFixed(1)}</span> / {person.hoursPlanned.toFixed(1)}
                </span>
              </div>
            </Tooltip>
          );
        })}
        <p className="soft small">
          {people.length === 0
            ? 'No technician has been added yet.'
            : 'Orange is live high-voltage work. Tan is rework.'}
        </p>
      </div>
    </Panel>
  );
}
