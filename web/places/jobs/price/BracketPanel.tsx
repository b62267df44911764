import { jobAddress } from '../../../../contract/jobChange.ts';
import type { PriceSheet } from '../../../../contract/offers.ts';
import { formatHours } from '../../../../core/quantity/format.ts';
import { BASIS_NAME, money } from '../../../../wording/offers.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { Fold } from '../../../widgets/Fold.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { WithReason } from '../../../widgets/WithReason.tsx';
import { useOpenJob } from '../openJob.ts';

/** What can be told to somebody who only asks: price and time of finished jobs like it. */
export function BracketPanel({ bracket }: { bracket: PriceSheet['bracket'] }) {
  const set = useUnitSet();
  const { job } = useOpenJob('job');
  const mayDecline = useMay(job, 'state');
  if (!bracket)
    return (
      <Panel title="What such jobs came to">
        <p className="in soft small">Fewer than two jobs were handed over: there is nothing to tell from yet.</p>
      </Panel>
    );
  const { jobs, cents, hours, days } = bracket;
  return (
    <Panel title="What such jobs came to" aside={`${jobs.length} ${BASIS_NAME[bracket.basis]}`}>
      <div className="in stack" data-bracket={bracket.basis}>
        <div>
          <strong>
            {money(cents.low, set)} to {money(cents.high, set)}
          </strong>
          <span className="soft">, middle {money(cents.middle, set)}</span>
        </div>
        <div className="soft small">
          {[
            hours && `${formatHours(hours.low)} to ${formatHours(hours.high)} of work`,
            days && `${days.low} to ${days.high} days from first work to last`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </div>
        <Fold title="Which jobs">
          <ul className="plain small">
            {jobs.map((job) => (
              <li key={job.number}>
                {job.number} {job.title}, {money(job.totalCents, set)}
                <span className="soft">{job.agreed ? ', as agreed' : ', by today’s prices and its hours'}</span>
              </li>
            ))}
          </ul>
        </Fold>
        {job.state === 'enquiry' && mayDecline && <DeclineEnquiry />}
      </div>
    </Panel>
  );
}

/** An enquiry that is not taken on: told with its reason, which stays to be read. */
function DeclineEnquiry() {
  const { job } = useOpenJob('job');
  return (
    <WithReason
      asks="Decline the enquiry …"
      button={{ size: 'small', type: 'default', style: { justifySelf: 'start' } }}
      field="reason"
      label="Why it is not taken on"
      save="Decline it"
      address={jobAddress.state}
      params={{ number: job.number }}
      body={(reason) => ({ state: 'cancelled' as const, reason, version: job.version })}
    />
  );
}
