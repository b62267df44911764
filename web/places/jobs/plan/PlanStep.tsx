import { useState } from 'react';
import { Link } from 'react-router';
import { hasRole } from '../../../../contract/rights.ts';
import { type WorkPlanSheet, workPlanAddress } from '../../../../contract/workPlan.ts';
import type { PlanChange } from '../../../../core/plan/planChange.ts';
import { causeText, impossibleText, localText, planNames } from '../../../../wording/workPlan.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { IfYouAccept } from '../../plan/IfYouAccept.tsx';
import { JobOfPlan } from '../../plan/JobOfPlan.tsx';
import { useThought } from '../../plan/useThought.ts';
import { useOpenJob } from '../openJob.ts';
import { OrderTraps } from './OrderTraps.tsx';
import { SeriesPanel } from './SeriesPanel.tsx';

/** When each stage of this job is done, by whom and where, and why it is not sooner: its part of the plan of all. */
export default function PlanStep() {
  const { data, error } = useOfAddress(workPlanAddress.sheet, {});
  if (!data)
    return <Panel title="Plan">{<div className="in soft">{error ? error.message : 'One moment …'}</div>}</Panel>;
  return <JobInPlan sheet={data} />;
}

function JobInPlan({ sheet }: { sheet: WorkPlanSheet }) {
  const { job } = useOpenJob('job');
  const { role } = usePerson();
  const [picked, setPicked] = useState<string | null>(null);
  const [hand, setHand] = useState<readonly PlanChange[] | null>(null);
  const { would, shown: plan, sure } = useThought(sheet, hand, picked !== null);
  const { facts } = sheet;
  const own = facts.jobs.find(({ number }) => number === job.number);
  if (!own || !plan)
    return (
      <div className="stack">
        <Panel title="Plan">
          <div className="in">
            {own
              ? 'No plan has been made yet.'
              : 'This job is not planned: it is planned from when it is agreed until it is handed over.'}
          </div>
        </Panel>
        <SeriesPanel />
      </div>
    );
  const names = planNames(facts);
  const rows = own.stages
    .flatMap((stage) => {
      const planned = plan.stages.find(({ id }) => id === stage.id);
      const never = plan.impossible.find(({ stageId }) => stageId === stage.id);
      return stage.state === 'done' ? [] : [{ stage, planned, never }];
    })
    .toSorted((a, b) => ((a.planned?.from ?? '9') < (b.planned?.from ?? '9') ? -1 : 1));
  const may = hasRole(role, workPlanAddress.hand.may);
  return (
    <div className="stack">
      {hand && <IfYouAccept sheet={sheet} changes={hand} would={would} scenario={null} onDone={() => setHand(null)} />}
      {picked && (
        <JobOfPlan
          key={picked}
          sheet={sheet}
          plan={plan}
          picked={picked}
          sure={sure}
          onPick={setPicked}
          onHand={may ? setHand : null}
        />
      )}
      <OrderTraps />
      <SeriesPanel />
      <Panel
        title="What is still to do, and when"
        aside={
          <Link className="in-text" to="/plan">
            all jobs in Plan
          </Link>
        }
      >
        <div className="in">
          <DataTable
            label="Stages of the plan"
            rows={rows}
            rowKey={({ stage }) => stage.id}
            rowMark={({ stage }) => ({
              'data-planned-stage': stage.key,
              className: stage.id === picked ? 'picked' : '',
            })}
            empty="Every stage is finished."
            columns={({ words }) => [
              words('Stage', ({ stage, planned }) =>
                planned ? (
                  <button type="button" className="link-like" onClick={() => setPicked(stage.id)}>
                    {stage.name}
                  </button>
                ) : (
                  stage.name
                ),
              ),
              words('Begins', ({ planned }) => (planned ? localText(planned.from) : '–'), { width: 128 }),
              words('Ends', ({ planned }) => (planned ? localText(planned.to) : '–'), { width: 128 }),
              words('Who and where', ({ planned, stage }) =>
                planned
                  ? [
                      ...planned.people.map(names.person),
                      planned.placeId && names.place(planned.placeId),
                      stage.firm && names.firm(stage.firm.id),
                    ]
                      .filter(Boolean)
                      .join(', ')
                  : '',
              ),
              words('Why not sooner', ({ planned, never }) => {
                if (never) return <span className="stop">{impossibleText(never.why, names)}</span>;
                const [first] = planned?.causes ?? [];
                if (!first || !planned) return '';
                return (
                  <span className="row" style={{ flexWrap: 'nowrap', gap: 6 }}>
                    <StateMark mark={first.kind === 'begun' ? 'half' : 'waiting'} />
                    {causeText(first, planned, names).text}
                  </span>
                );
              }),
            ]}
          />
        </div>
      </Panel>
    </div>
  );
}
