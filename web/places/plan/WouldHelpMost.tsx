import { Button, Progress } from 'antd';
import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { PlanChange } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { formatNumber } from '../../../core/quantity/format.ts';
import { changeText, lateShort } from '../../../wording/workPlan.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { useHelpMost } from './useHelpMost.ts';

/** So many are worth reading. */
const MOST_TOLD = 3;

interface Props {
  readonly facts: PlanFacts;
  readonly plan: StoredPlan;
  /** Shows the plan with it. */
  readonly onTry: (changes: readonly PlanChange[]) => void;
}

/** Where promises are broken: the one change that would help most, each tried in a plan of its own. */
export function WouldHelpMost({ facts, plan, onTry }: Props) {
  const { most, share } = useHelpMost(facts, plan);
  return (
    <Panel title="What one change would help most">
      <div className="in stack" data-helps={most?.helps.length ?? ''}>
        {!most ? (
          <Progress percent={Math.round(share * 100)} size="small" aria-label="Changes tried" />
        ) : most.helps.length === 0 ? (
          <p className="soft">{`None of ${most.tried} that were tried makes a late job sooner.`}</p>
        ) : (
          most.helps.slice(0, MOST_TOLD).map(({ change, savedDays, ...then }) => (
            <div key={JSON.stringify(change)} className="row" style={{ flexWrap: 'nowrap' }} data-help={change.kind}>
              <span style={{ flex: 1 }}>
                {changeText(change, facts)}
                <div className="soft small">{`${formatNumber(savedDays, 1)} days sooner: ${lateShort(then)}`}</div>
              </span>
              <Button size="small" onClick={() => onTry([change])}>
                Show it
              </Button>
            </div>
          ))
        )}
      </div>
    </Panel>
  );
}
