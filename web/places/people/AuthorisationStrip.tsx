import { Tooltip } from 'antd';
import type { PersonRow } from '../../../contract/people.ts';
import { drawnIn } from '../../../core/people/timeline.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';

/** Days shown, and how many of them lie behind. */
export const STRIP_DAYS = 540;
const BEHIND_DAYS = 180;

const firstDay = (today: number) => today - BEHIND_DAYS;

/** When the strips begin and end. */
export function MonthScale({ today }: { today: number }) {
  const year = new Date(today * 86_400_000).getUTCFullYear();
  return (
    <span className="soft small">
      {formatDay(firstDay(today), year)} to {formatDay(firstDay(today) + STRIP_DAYS, year)}
    </span>
  );
}

/** A person's authorisations as they lie in time; ended ones up to the day they were ended. */
export function AuthorisationStrip({ row, today }: { row: PersonRow; today: number }) {
  const first = firstDay(today);
  const byId = new Map(row.authorisations.map((one) => [one.id, one]));
  const spans = row.authorisations.map((one) => ({
    id: one.id,
    from: one.validFrom ? dayNumber(one.validFrom) : first,
    to: dayNumber(one.endedOn ?? one.validUntil),
  }));
  const drawn = drawnIn(spans, first, STRIP_DAYS);
  const year = new Date(today * 86_400_000).getUTCFullYear();
  if (row.authorisations.length === 0) return <span className="soft small">none</span>;
  return (
    <div className="strip">
      {drawn.map(({ id, left, width }) => {
        const one = byId.get(id)!;
        const say = `until ${formatDay(dayNumber(one.validUntil), year)}${one.givenBy ? `, given by ${one.givenBy}` : ''}${one.paper ? `, ${one.paper}` : ''}${one.endedOn ? `; ended ${formatDay(dayNumber(one.endedOn), year)}: ${one.endedWhy}` : ''}`;
        return (
          <Tooltip key={id} title={say}>
            <i
              role="img"
              aria-label={`High-voltage authorisation ${say}`}
              className={one.endedOn || dayNumber(one.validUntil) < today ? 'over' : ''}
              style={{ left: `${left * 100}%`, width: `${width * 100}%` }}
            />
          </Tooltip>
        );
      })}
      <b style={{ left: `${(BEHIND_DAYS / STRIP_DAYS) * 100}%` }} />
    </div>
  );
}
