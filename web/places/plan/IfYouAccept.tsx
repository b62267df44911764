import { Button } from 'antd';
import { hasRole } from '../../../contract/rights.ts';
import { type ScenarioRow, type WorkPlanSheet, workPlanAddress } from '../../../contract/workPlan.ts';
import { overtimeHours } from '../../../core/plan/overtime.ts';
import { NOT_BY_PLANNING, type PlanChange } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { changeText, lateText } from '../../../wording/workPlan.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useSend } from '../../widgets/useSend.ts';

interface Props {
  readonly sheet: WorkPlanSheet;
  readonly changes: readonly PlanChange[];
  /** Null while it is worked out. */
  readonly would: StoredPlan | null;
  /** The what-if it is, where it is one that is kept. */
  readonly scenario: ScenarioRow | null;
  readonly onDone: () => void;
}

/** What a change does to each job, before anybody accepts it. */
export function IfYouAccept({ sheet, changes, would, scenario, onDone }: Props) {
  const { facts, plan, planId } = sheet;
  const { role } = usePerson();
  const set = useUnitSet();
  const { practice, rateCents } = useWorkshop();
  const hourCostCents = practice.hourCostCents ?? rateCents;
  const sending = useSend(true, { typed: false });
  const dayOf = (of: StoredPlan | null, number: string) => of?.jobs.find((one) => one.number === number) ?? null;
  const rows = facts.jobs
    .map((job) => ({ job, now: dayOf(plan, job.number), later: dayOf(would, job.number) }))
    .filter(({ now, later }) => now?.to.slice(0, 10) !== later?.to.slice(0, 10));
  const over = would ? overtimeHours(facts, changes, would) : 0;
  const stale = sending.problem?.type === '/problems/stale';
  const accept = async () => {
    const done = scenario
      ? await sending.go(workPlanAddress.adopt, { id: scenario.id }, { version: scenario.version, planId })
      : await sending.go(workPlanAddress.hand, {}, { changes, planId });
    if (done) onDone();
  };
  const elsewhere = changes.flatMap(({ kind }) => NOT_BY_PLANNING[kind] ?? []);
  const keep = async () => {
    const name = changes
      .map((change) => changeText(change, facts))
      .join('; ')
      .slice(0, 60);
    if (await sending.go(workPlanAddress.addScenario, {}, { name, changes })) onDone();
  };
  const throwAway = async () => {
    if (!scenario) return onDone();
    if (await sending.go(workPlanAddress.throwAway, { id: scenario.id }, { version: scenario.version })) onDone();
  };
  return (
    <Panel title={scenario ? `What if: ${scenario.name}` : 'If you accept'}>
      <div className="in stack" data-if-accepted>
        {changes.map((change) => (
          <p key={JSON.stringify(change)}>{changeText(change, facts)}</p>
        ))}
        {!would ? (
          <p className="soft">Working it out …</p>
        ) : rows.length === 0 ? (
          <p className="soft">No job is ready on another day.</p>
        ) : (
          <DataTable
            label="What it does"
            className="close"
            rows={rows}
            rowKey={({ job }) => job.number}
            rowMark={({ job }) => ({ 'data-moved': job.number })}
            columns={({ words, figures }) => [
              words('Job', ({ job }) => `${job.number} ${job.title}`),
              figures('Promised', ({ job }) => (job.promised ? dayText(job.promised) : '–'), { width: 66 }),
              figures('Now', ({ now }) => (now ? dayText(now.to.slice(0, 10)) : '–'), { width: 56 }),
              figures(
                'Then',
                ({ now, later }) => (
                  <span
                    className={
                      later && now && later.to > now.to ? (later.lateDays > 0 ? 'stop strong' : '') : 'pass strong'
                    }
                  >
                    {later ? dayText(later.to.slice(0, 10)) : 'not at all'}
                    {later && later.lateDays > 0 && <div className="small">{`${later.lateDays} late`}</div>}
                  </span>
                ),
                { width: 64 },
              ),
            ]}
          />
        )}
        {would && plan && (
          <p className="soft small">{`${lateText(would.jobs)}; as it stands ${lateText(plan.jobs)}. Stages that have begun stay where they are.`}</p>
        )}
        {over > 0 && (
          <p>
            Asks for <strong>{formatQuantity(over, 'hours', set)}</strong> of overtime,{' '}
            {formatQuantity(Math.round(over * hourCostCents), 'money', set)} at what an hour costs the workshop, without
            any surcharge.
          </p>
        )}
        {elsewhere.map((text) => (
          <p key={text} className="note">
            {text}
          </p>
        ))}
        {stale && (
          <p className="note wait">
            The plan has moved meanwhile: what you see now is worked out on the new one. Accept it again if it still
            holds.
          </p>
        )}
        {sending.problem && !stale && <p className="fault">{sending.problem.detail}</p>}
        <div className="row">
          {elsewhere.length === 0 && hasRole(role, (scenario ? workPlanAddress.adopt : workPlanAddress.hand).may) && (
            <Button type="primary" disabled={!would} loading={sending.busy} onClick={() => void accept()}>
              {scenario ? 'Adopt it' : 'Accept'}
            </Button>
          )}
          {scenario ? (
            hasRole(role, workPlanAddress.throwAway.may) && (
              <Button onClick={() => void throwAway()}>Throw it away</Button>
            )
          ) : (
            <Button onClick={onDone}>Put it back</Button>
          )}
          {!scenario && hasRole(role, workPlanAddress.addScenario.may) && (
            <Button onClick={() => void keep()}>Keep as a what-if</Button>
          )}
        </div>
      </div>
    </Panel>
  );
}
