import { Link } from 'react-router';
import type { FloorData, FloorJob } from '../../../../contract/floor.ts';
import { workPlanAddress } from '../../../../contract/workPlan.ts';
import { clock, dayOf, dayText, forHowLong, weekdayAndDay } from '../../../../wording/dates.ts';
import { outText } from '../../../../wording/floor.ts';
import { JOB_STATE_NAME } from '../../../../wording/work.ts';
import { useLive } from '../../../data/live.ts';
import { useFloor, useOfAddress } from '../../../data/resources.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useNow } from '../../../widgets/useNow.ts';
import './wall.css';

/** States in which a vehicle is looked for on the wall. */
const SHOWN: ReadonlySet<FloorJob['state']> = new Set(['building', 'proving', 'waitingForPart', 'waitingOutside']);

/** The floor for a screen on the wall: what is in work, who is on it for how long, what it waits for, when it is due. */
export default function WallPlace() {
  useLive();
  const { data: floor, error } = useFloor();
  const { data: plan } = useOfAddress(workPlanAddress.sheet, {});
  const { timeZone } = useWorkshop();
  const now = useNow();
  if (!floor) return <div className="wall">{error ? error.message : ''}</div>;
  const jobs = floor.jobs.filter(({ state }) => SHOWN.has(state));
  const order = new Map(floor.places.map(({ id }, i) => [id, i]));
  const shown = jobs.toSorted(
    (a, b) => (order.get(a.placeId ?? '') ?? 99) - (order.get(b.placeId ?? '') ?? 99) || (a.number < b.number ? -1 : 1),
  );
  const readyOf = (number: string) => plan?.plan?.jobs.find((one) => one.number === number);
  const stamp = new Date(now).toISOString();
  return (
    <div className="wall">
      <header>
        <h1>{weekdayAndDay(stamp, timeZone)}</h1>
        <strong className="num">{clock(stamp, timeZone)}</strong>
        <span>
          {floor.onTheClock.length} of {floor.people.filter(({ role }) => role === 'technician').length} at work
        </span>
        <Link to="/">Floor</Link>
      </header>
      <main className={shown.length > 6 ? 'many' : ''}>
        {shown.map((job) => (
          <OnWall
            key={job.number}
            job={job}
            floor={floor}
            now={now}
            today={dayOf(stamp, timeZone)}
            ready={readyOf(job.number)?.to.slice(0, 10) ?? null}
          />
        ))}
        {shown.length === 0 && <p className="soft">Nothing is in work.</p>}
      </main>
      <People floor={floor} now={now} />
    </div>
  );
}

interface Shown {
  readonly job: FloorJob;
  readonly floor: FloorData;
  readonly now: number;
  readonly today: string;
  /** The day the plan has it ready on. */
  readonly ready: string | null;
}

function OnWall({ job, floor, now, today, ready }: Shown) {
  const { timeZone } = useWorkshop();
  const place = floor.places.find(({ id }) => id === job.placeId);
  const on = floor.onTheClock.filter(({ jobNumber }) => jobNumber === job.number);
  const stopped = job.stages.find(({ state }) => state === 'stopped');
  const inHand = job.stages.find(({ state }) => state === 'inHand');
  const next = job.stages.find(({ state }) => state === 'waiting');
  const waits = job.state === 'waitingForPart' || job.state === 'waitingOutside';
  const done = job.stages.filter(({ state }) => state === 'done').length;
  const late = job.promised !== null && (ready ?? today) > job.promised;
  return (
    <section className={stopped ? 'is-stopped' : waits || job.out ? 'is-waiting' : ''} data-wall={job.number}>
      <div className="head">
        <h2>{job.title}</h2>
        <span>{place?.name ?? 'not here'}</span>
      </div>
      <p className="stage">
        <StateMark mark={stopped ? 'stop' : waits || job.out ? 'waiting' : inHand ? 'half' : 'open'} />{' '}
        {stopped
          ? `Stopped: ${stopped.name}`
          : job.out
            ? outText(job.out, now, timeZone)
            : waits
              ? JOB_STATE_NAME[job.state]
              : (inHand?.name ?? (next ? `Next: ${next.name}` : JOB_STATE_NAME[job.state]))}
      </p>
      <div className="so-far" role="img" aria-label={`${done} of ${job.stages.length} stages finished`}>
        {job.stages.map((stage) => (
          <i key={stage.name} className={stage.state} />
        ))}
      </div>
      <div className="foot">
        <span>
          {on.length === 0 ? (
            <span className="soft">nobody on it</span>
          ) : (
            on.map((entry) => (
              <span key={entry.personId} className={entry.liveHv ? 'who live' : 'who'}>
                {entry.initials} {forHowLong(entry.since, now)}
              </span>
            ))
          )}
        </span>
        <span className={late ? 'late' : ''}>
          {job.promised ? `due ${dayText(job.promised)}` : 'no day promised'}
          {late && ready ? `, ready ${dayText(ready)}` : ''}
        </span>
      </div>
    </section>
  );
}

/** Everybody who works here, and where they are: by the clock, now. */
function People({ floor, now }: { floor: FloorData; now: number }) {
  const people = floor.people.filter(({ role }) => role === 'technician');
  return (
    <footer>
      {people.map(({ personId, name }) => {
        const on = floor.onTheClock.find((entry) => entry.personId === personId);
        const job = on && floor.jobs.find(({ number }) => number === on.jobNumber);
        return (
          <span key={personId} className={on ? (on.liveHv ? 'live' : 'on') : 'soft'}>
            <strong>{name.split(' ')[0]}</strong>{' '}
            {on
              ? `${on.kind === 'waiting' ? 'waits, ' : ''}${job?.title ?? on.jobNumber} ${forHowLong(on.since, now)}`
              : 'not on'}
          </span>
        );
      })}
    </footer>
  );
}
