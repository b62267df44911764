import { jobAddress } from '../../../../contract/jobChange.ts';
import { orderRule, stageTraps, trapSubject } from '../../../../core/plan/traps.ts';
import { trapText } from '../../../../wording/workPlan.ts';
import { useMay } from '../../../data/useMay.ts';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { WithReason } from '../../../widgets/WithReason.tsx';
import { useOpenJob } from '../openJob.ts';

/** Where the order of this job's stages walks into a trap of the trade; somebody may go against it with a reason. */
export function OrderTraps() {
  const { job } = useOpenJob('job');
  const may = useMay(job, 'decide');
  const open = job.stages.filter(({ state }) => state !== 'done').map(({ key }) => key);
  const found = stageTraps(job.stages).filter(
    ({ first, later }) => open.includes(first.key) && open.includes(later.key),
  );
  if (found.length === 0) return null;
  return (
    <Panel title="Traps in the order" aside="the plan keeps out of them, unless overruled">
      <div className="in stack">
        {found.map((trap) => {
          const [rule, subject] = [orderRule(trap.trap), trapSubject(trap)];
          const last = job.decisions.findLast((one) => one.rule === rule && one.subject === subject);
          const overruled = last?.decision === 'overridden' ? last : null;
          return (
            <div key={`${rule} ${subject}`} className="reason" data-trap={trap.trap}>
              <StateMark mark={overruled ? 'half' : 'stop'} />
              <span>
                {trapText(trap)}
                {overruled && <div className="soft small">{`overruled by ${overruled.by}: ${overruled.reason}`}</div>}
                {may && (
                  <div>
                    <WithReason
                      asks={overruled ? 'Hold to the rule again …' : 'Overrule the order …'}
                      button={{ size: 'small' }}
                      address={jobAddress.decide}
                      params={{ number: job.number }}
                      field="reason"
                      save={overruled ? 'Hold to it' : 'Overrule it'}
                      body={(reason) => ({
                        ...{ rule, subject, reason },
                        decision: overruled ? ('takenBack' as const) : ('overridden' as const),
                      })}
                    />
                  </div>
                )}
              </span>
            </div>
          );
        })}
      </div>
    </Panel>
  );
}
