import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { StageRow } from '../../../../contract/stages.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { currentStage, openBefore } from '../../../../core/stage/stageRules.ts';
import { fileUrl } from '../../../data/client.ts';
import { useStanding } from '../../../data/outbox/useStanding.ts';
import { useMay } from '../../../data/useMay.ts';
import { LessonsOfJob } from '../../../learning/LessonsOfJob.tsx';
import { RegisterPanel } from '../../../learning/RegisterPanel.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { ConditionLook } from '../condition/ConditionLook.tsx';
import { ServiceLock } from '../condition/ServiceLock.tsx';
import { useOpenJob } from '../openJob.ts';
import { LiftNote } from './LiftNote.tsx';
import { Snags } from './Snags.tsx';
import { StageSheet } from './StageSheet.tsx';

const BUILD_LOOKS = [
  { value: 'stages', label: 'Stages' },
  { value: 'arrival', label: 'Arrival and custody' },
  { value: 'set', label: 'Settings and dash' },
] as const;
type BuildLook = (typeof BUILD_LOOKS)[number]['value'];

const MARK: Record<StageRow['state'], Mark> = { waiting: 'open', inHand: 'half', stopped: 'stop', done: 'done' };

/** Stages from the kit's template: which is in hand, what holds up the rest, and the sheet of the one picked. */
export default function BuildStep() {
  const { job: told, kit, sheet } = useOpenJob('job', 'kit', 'sheet');
  const stages = useStanding(told.stages);
  const job = { ...told, stages };
  const manager = useMay(job, 'stages');
  const sending = useSend(false, { typed: false });
  const [picked, setPicked] = useState<string | null>(null);
  const [look, setLook] = useState<BuildLook>('stages');
  const stage = job.stages.find((s) => s.id === picked) ?? currentStage(job.stages) ?? job.stages[0];
  const looks = (
    <div>
      <Segmented aria-label="Look at" value={look} options={[...BUILD_LOOKS]} onChange={setLook} />
    </div>
  );
  if (look !== 'stages')
    return (
      <div className="stack">
        {looks}
        <ConditionLook of={look} />
      </div>
    );
  if (!stage) {
    return (
      <div className="stack">
        {looks}
        <Panel title="Build">
          <div className="in stack">
            <p className="soft">
              {kit
                ? `No stages yet. They are made from the template of the ${kit.kitName}, revision ${kit.revision}.`
                : 'No stages yet. Take a kit in Match first: the stages come from its template.'}
            </p>
            {manager && kit && (
              <div>
                <Button
                  type="primary"
                  loading={sending.busy}
                  onClick={() => void sending.go(stageAddress.makeFromKit, { number: job.number })}
                >
                  Make {kit.stages.length} stages
                </Button>
              </div>
            )}
          </div>
        </Panel>
      </div>
    );
  }
  const planned = job.stages.reduce((sum, s) => sum + s.hours, 0);
  const clocked = job.stages.reduce((sum, s) => sum + s.hoursClocked, 0);
  return (
    <div className="stack">
      {looks}
      <ServiceLock job={job} />
      <div className="two" style={{ gridTemplateColumns: '236px minmax(0, 1fr)' }}>
        <Panel title="Stages" aside={`${clocked.toFixed(0)} of ${planned.toFixed(0)} h`}>
          <div className="stage-list" style={{ paddingBottom: 6 }}>
            {job.stages.map((s) => {
              const held = s.state === 'waiting' && openBefore(s, job.stages).length > 0;
              return (
                <button
                  key={s.id}
                  type="button"
                  className={s.id === stage.id ? 'here' : ''}
                  aria-pressed={s.id === stage.id}
                  onClick={() => setPicked(s.id)}
                  data-stage-key={s.key}
                >
                  <StateMark mark={MARK[s.state]} />
                  <span className={held ? 'soft' : s.liveHv ? 'live' : ''}>{s.name}</span>
                  <span className="soft small num">
                    {s.onIt.length > 0 ? s.onIt.map((entry) => entry.initials).join(' ') : `${s.hours} h`}
                  </span>
                </button>
              );
            })}
          </div>
        </Panel>
        <div className="stack">
          <StageSheet
            key={stage.id}
            stage={stage}
            job={job}
            lift={<LiftNote sheet={sheet} job={job} name={stage.name} />}
          />
          <div className="spread">
            <Link to={`/jobs/${job.number}/bench`}>Open on the bench</Link>
            <a className="small" href={fileUrl(stageAddress.card, { number: job.number })}>
              Job card
            </a>
          </div>
          <Snags job={job} />
          <LessonsOfJob job={job} />
          <RegisterPanel job={job} />
        </div>
      </div>
    </div>
  );
}
