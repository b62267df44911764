import { workPlanAddress } from '../../../../contract/workPlan.ts';
import { isFull, loadOf } from '../../../../core/plan/load.ts';
import { dayText } from '../../../../wording/dates.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { LoadTable } from '../../../widgets/LoadTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';

/** What the plan asks of each person in the next twelve weeks, and who has more than they can give. */
export function LoadLook() {
  const { data, error } = useOfAddress(workPlanAddress.sheet, {});
  if (!data) return <p className="soft">{error ? error.message : 'One moment …'}</p>;
  const { facts, plan } = data;
  if (!plan) return <Panel title="Load">{<p className="in soft">No plan has been made yet: see Plan.</p>}</Panel>;
  const { people } = loadOf(facts, plan);
  const full = people.flatMap(({ name, weeks }) => {
    const first = weeks.find(isFull);
    return first ? [`${name} from ${dayText(first.week)}`] : [];
  });
  const free = people.filter(({ weeks }) => weeks.slice(0, 4).every(({ planned }) => planned < 0.5));
  return (
    <div className="stack">
      {full.length > 0 && (
        <div className="note wait">
          <StateMark mark="waiting" /> Full, with nothing to spare: {full.join(', ')}.
        </div>
      )}
      {free.length > 0 && (
        <div className="note">
          Nothing is planned in the next four weeks for {free.map(({ name }) => name).join(', ')}.
        </div>
      )}
      <Panel
        title="Load of the next twelve weeks"
        aside="hours the plan asks, of what each can give; days away taken off"
      >
        <div className="in">
          <LoadTable facts={facts} plan={plan} of="people" />
        </div>
      </Panel>
    </div>
  );
}
