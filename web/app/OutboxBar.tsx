import { Button, Popconfirm } from 'antd';
import type { WaitingAct } from '../../contract/benchActs.ts';
import { clock } from '../../wording/dates.ts';
import { waitingOf } from '../data/outbox/deliver.ts';
import { seen, sendWaiting, useOutbox } from '../data/outbox/outbox.ts';
import { usePerson, useWorkshop } from '../data/session.tsx';
import { StateMark } from '../widgets/StateMark.tsx';

const WHY = {
  cut: 'The server cannot be reached.',
  signedOut: 'You are signed out.',
  another: 'Somebody else has signed in in this browser.',
} as const;
const WHEN = {
  cut: 'as soon as it answers',
  signedOut: 'as soon as you have signed in again',
  another: 'as soon as you have signed in again',
} as const;

/** What has been done and not told yet, and what the server would not take, with its reason. */
export function OutboxBar() {
  const { acts, held } = useOutbox();
  const { id, role } = usePerson();
  const { timeZone } = useWorkshop();
  const waiting = waitingOf(acts, id);
  const others = acts.filter((act) => act.personId !== id);
  const refused = acts.filter((act) => act.personId === id && act.refused !== null);
  if (refused.length === 0 && others.length === 0 && (waiting.length === 0 || held === null)) return null;
  return (
    <div className="outbox stack" role="status">
      {waiting.length > 0 && held !== null && (
        <div className="spread">
          <span>
            <StateMark mark="waiting" /> {WHY[held]}{' '}
            <strong>
              {waiting.length} {waiting.length === 1 ? 'entry waits' : 'entries wait'}
            </strong>{' '}
            in this browser and {waiting.length === 1 ? 'is' : 'are'} sent by{' '}
            {waiting.length === 1 ? 'itself' : 'themselves'} {WHEN[held]}:{' '}
            {waiting.map((act) => `${clock(act.made, timeZone)} ${act.says}`).join(' · ')}
          </span>
          <Button size="small" onClick={() => void sendWaiting()}>
            Try now
          </Button>
        </div>
      )}
      {[...new Set(others.map(({ personId }) => personId))].map((of) => (
        <Theirs key={of} acts={others.filter(({ personId }) => personId === of)} mayDecide={role === 'manager'} />
      ))}
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

/** What another did here and has not been sent: only they can send it. A manager sees it, and may decide that it goes. */
function Theirs({ acts, mayDecide }: { acts: readonly WaitingAct[]; mayDecide: boolean }) {
  const { timeZone } = useWorkshop();
  const name = acts[0]?.personName ?? 'somebody else';
  return (
    <div className="stack" data-waits-of={name}>
      <div>
        <StateMark mark="waiting" /> {acts.length} {acts.length === 1 ? 'entry' : 'entries'} of {name}{' '}
        {acts.length === 1 ? 'waits' : 'wait'} in this browser until they sign in here again: nobody else can send{' '}
        {acts.length === 1 ? 'it' : 'them'}.
      </div>
      {mayDecide &&
        acts.map((act) => (
          <div className="spread" key={act.seq}>
            <span>
              {clock(act.made, timeZone)} {act.says}
              {act.refused !== null && `. Not taken: ${act.refused}`}
            </span>
            <Popconfirm
              title={`Throw away what ${name} did here?`}
              description="It is then nowhere. What was so is entered afterwards, in Hours or at the stage."
              okText="Throw away"
              onConfirm={() => void seen(act.seq)}
            >
              <Button size="small">Throw away</Button>
            </Popconfirm>
          </div>
        ))}
    </div>
  );
}
