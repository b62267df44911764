import { CloseOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { WorkPlanSheet } from '../../../contract/workPlan.ts';
import { PRIORITIES } from '../../../core/plan/facts.ts';
import type { PlanChange } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { formatHours } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { causeText, localText, PRIORITY_NAME, planNames } from '../../../wording/workPlan.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { HowSure } from './HowSure.tsx';
import type { Sureness } from './useSure.ts';
import { WhoDoesIt } from './WhoDoesIt.tsx';

interface Props {
  readonly sheet: WorkPlanSheet;
  readonly plan: StoredPlan;
  /** A stage. */
  readonly picked: string;
  readonly sure: Sureness;
  readonly onPick: (stageId: string | null) => void;
  /** Null: this person changes nothing. */
  readonly onHand: ((changes: readonly PlanChange[]) => void) | null;
}

/** One stage of the plan: when, by whom, why not sooner, and what may be done about it. */
export function JobOfPlan({ sheet, plan, picked, sure, onPick, onHand }: Props) {
  const { facts } = sheet;
  const planned = plan.stages.find(({ id }) => id === picked);
  const job = facts.jobs.find(({ number }) => number === planned?.job);
  const stage = job?.stages.find(({ id }) => id === picked);
  const [until, setUntil] = useState(stage?.notBefore ?? '');
  if (!planned || !job || !stage)
    return (
      <Panel title="Not in the plan any more">
        <div className="in">It was finished or taken out meanwhile.</div>
      </Panel>
    );
  const names = planNames(facts);
  const reasons = planned.causes.filter(({ kind }) => kind !== 'now').map((cause) => causeText(cause, planned, names));
  const whole = plan.jobs.find(({ number }) => number === job.number);
  const order = plan.stages.filter((one) => one.job === job.number).toSorted((a, b) => (a.from < b.from ? -1 : 1));
  const at = order.findIndex(({ id }) => id === picked);
  const left = Math.max(stage.hours - stage.hoursClocked, 0);
  return (
    <Panel
      title={stage.name}
      aside={
        <button type="button" className="link-like" aria-label={`Close ${stage.name}`} onClick={() => onPick(null)}>
          <CloseOutlined />
        </button>
      }
    >
      <div className="in stack" data-planned={stage.key}>
        <div>
          <Link className="in-text" to={`/jobs/${job.number}/build`}>{`${job.number} ${job.title}`}</Link>
          <div className="strong">{`${localText(planned.from)} → ${localText(planned.to)}`}</div>
          <div className="soft small">
            {[
              stage.firm ? `${stage.firm.days} days there` : `${formatHours(left)} to do`,
              planned.people.map((id) => names.person(id)).join(', '),
              planned.placeId && names.place(planned.placeId),
              stage.firm && names.firm(stage.firm.id),
            ]
              .filter(Boolean)
              .join(' · ')}
          </div>
        </div>
        {stage.state === 'stopped' && (
          <p className="note stop">
            Stopped: a reading is out of its limits. It is planned as if it went on; somebody has to decide in Build.
          </p>
        )}
        <div>
          <h3>Why not sooner</h3>
          {reasons.length === 0 && <p className="soft">It begins as soon as the plan does.</p>}
          {reasons.map(({ text, sooner }, i) => (
            <div key={text} className="reason">
              <StateMark mark={i === 0 ? 'waiting' : 'open'} />
              <span>
                <span className={i === 0 ? 'strong' : ''}>{text}</span>
                {i === 0 && sooner && <div className="soft small">{`sooner: ${sooner}`}</div>}
              </span>
            </div>
          ))}
        </div>
        {whole && (
          <p className={whole.lateDays > 0 ? 'stop' : 'soft'}>
            {`Ready ${dayText(whole.to.slice(0, 10))}, ${
              job.promised
                ? `promised ${dayText(job.promised)}${whole.lateDays > 0 ? `: ${whole.lateDays} days late` : ''}`
                : 'nothing promised'
            }.`}
          </p>
        )}
        <HowSure sure={sure} number={job.number} names={names} />
        {onHand && planned.causes[0]?.kind !== 'begun' && (
          <div className="row" style={{ alignItems: 'end', flexWrap: 'nowrap' }}>
            <DayInput shown label="Not before" value={until} onChange={setUntil} />
            <Button
              disabled={until === (stage.notBefore ?? '')}
              onClick={() => onHand([{ kind: 'hold', stageId: stage.id, day: until || null }])}
            >
              {until ? 'Hold it' : 'Let it go'}
            </Button>
          </div>
        )}
        {onHand && !stage.liveHv && facts.firms.length > 0 && (
          <WhoDoesIt key={`${stage.firm?.id} ${stage.firm?.days}`} stage={stage} firms={facts.firms} onHand={onHand} />
        )}
        {onHand && (
          <Choice
            label="This job is planned"
            value={job.priority}
            options={PRIORITIES.map((value) => ({ value, label: PRIORITY_NAME[value] }))}
            onChange={(priority) =>
              priority && priority !== job.priority && onHand([{ kind: 'priority', job: job.number, priority }])
            }
          />
        )}
        <div className="row">
          <Button size="small" disabled={at <= 0} onClick={() => onPick(order[at - 1]!.id)}>
            Stage before
          </Button>
          <Button size="small" disabled={at >= order.length - 1} onClick={() => onPick(order[at + 1]!.id)}>
            Next stage
          </Button>
        </div>
      </div>
    </Panel>
  );
}
