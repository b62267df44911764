import { Button } from 'antd';
import { clock } from '../../wording/dates.ts';
import { waitingOf } from '../data/outbox/deliver.ts';
import { seen, sendWaiting, useOutbox } from '../data/outbox/outbox.ts';
import { usePerson, useWorkshop } from '../data/session.tsx';
import { StateMark } from '../widgets/StateMark.tsx';

/** What has been done and not told yet, and what the server would not take, with its reason. */
export function OutboxBar() {
  const { acts, reachable } = useOutbox();
  const { id } = usePerson();
  const { timeZone } = useWorkshop();
  const waiting = waitingOf(acts, id);
  const others = acts.filter((act) => act.personId !== id && act.refused === null).length;
  const refused = acts.filter((act) => act.personId === id && act.refused !== null);
  if (refused.length === 0 && others === 0 && (waiting.length === 0 || reachable)) return null;
  return (
    <div className="outbox stack" role="status">
      {waiting.length > 0 && !reachable && (
        <div className="spread">
          <span>
            <StateMark mark="waiting" /> The server cannot be reached.{' '}
            <strong>
              {waiting.length} {waiting.length === 1 ? 'entry waits' : 'entries wait'}
            </strong>{' '}
            in this browser and {waiting.length === 1 ? 'is' : 'are'} sent by{' '}
            {waiting.length === 1 ? 'itself' : 'themselves'} as soon as it answers:{' '}
            {waiting.map((act) => `${clock(act.made, timeZone)} ${act.says}`).join(' · ')}
          </span>
          <Button size="small" onClick={() => void sendWaiting()}>
            Try now
          </Button>
        </div>
      )}
      {others > 0 && (
        <div>
          <StateMark mark="waiting" /> {others} {others === 1 ? 'entry' : 'entries'} of somebody else wait in this
          browser until they sign in here again.
        </div>
      )}
      {refused.map((act) => (
        <div className="spread" key={act.seq}>
          <span className="stop">
            <StateMark mark="stop" /> Not taken: {clock(act.made, timeZone)} {act.says}. {act.refused} If it was so,
            enter it afterwards.
          </span>
          <Button size="small" onClick={() => void seen(act.seq)}>
            Seen
          </Button>
        </div>
      ))}
    </div>
  );
}
