import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { LoadTable } from '../../widgets/LoadTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';

/** Load of people and bays in the next twelve weeks, as the plan has it. */
export function LoadBars({ facts, plan }: { facts: PlanFacts; plan: StoredPlan }) {
  return (
    <div style={{ gridColumn: '1 / -1' }} className="stack">
      <Panel title="Load of people" aside="the next twelve weeks, planned of what each can give">
        <div className="in">
          <LoadTable facts={facts} plan={plan} of="people" />
        </div>
      </Panel>
      <Panel title="Load of bays" aside="hours a vehicle is worked on in each">
        <div className="in">
          <LoadTable facts={facts} plan={plan} of="bays" />
        </div>
      </Panel>
    </div>
  );
}
