import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { impossibleText, planNames } from '../../../wording/workPlan.ts';
import { Panel } from '../../widgets/Panel.tsx';

/** What nobody and nothing there is can do, with its reason; what only waits for it is counted. */
export function CannotBePlanned({ facts, plan }: { facts: PlanFacts; plan: StoredPlan }) {
  const names = planNames(facts);
  const first = plan.impossible.filter(({ why }) => why.kind !== 'before');
  const waiting = plan.impossible.length - first.length;
  return (
    <Panel title="Cannot be planned">
      <div className="in stack">
        {first.map(({ stageId, job, why }) => (
          <p key={stageId} className="stop">
            {`${job}, ${names.stage(stageId)?.name ?? 'a stage'}: ${impossibleText(why, names)}.`}
          </p>
        ))}
        {waiting > 0 && (
          <p className="soft small">{`${waiting} more wait for ${first.length === 1 ? 'it' : 'them'}.`}</p>
        )}
      </div>
    </Panel>
  );
}
