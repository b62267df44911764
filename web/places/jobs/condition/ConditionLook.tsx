import { conditionAddress } from '../../../../contract/condition.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useOpenJob } from '../openJob.ts';
import { CustodyPanel } from './CustodyPanel.tsx';
import { DashPanel } from './DashPanel.tsx';
import { InspectionPanel } from './InspectionPanel.tsx';
import { SettingsPanel } from './SettingsPanel.tsx';

/** What was found on the vehicle, who has had it, how its units are set and what its old dials show. */
export function ConditionLook({ of }: { of: 'arrival' | 'set' }) {
  const { job } = useOpenJob('job');
  const { data, error } = useOfAddress(conditionAddress.sheet, { number: job.number });
  if (!data) return <p className="soft">{error ? error.message : 'One moment …'}</p>;
  return of === 'arrival' ? (
    <div className="stack">
      <InspectionPanel job={job} looks={data.inspections} />
      <CustodyPanel job={job} custody={data.custody} />
    </div>
  ) : (
    <div className="stack">
      <SettingsPanel job={job} versions={data.settings} />
      <DashPanel job={job} lines={data.dash} />
    </div>
  );
}
