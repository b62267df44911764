import { Link, useParams } from 'react-router';
import type { StageRow } from '../../../../contract/stages.ts';
import { currentStage } from '../../../../core/stage/stageRules.ts';
import { useStanding } from '../../../data/outbox/useStanding.ts';
import { useJob } from '../../../data/resources.ts';
import { ServiceLock } from '../condition/ServiceLock.tsx';
import { JobNote } from '../JobNote.tsx';
import { LiftNoteAlone } from './LiftNote.tsx';
import { Snags } from './Snags.tsx';
import { StageSheet } from './StageSheet.tsx';

const NO_STAGES: readonly StageRow[] = [];

/** The technician's view of the stage in hand: one column, large targets. */
export default function Bench() {
  const { number = '' } = useParams();
  const { data: sheet, error } = useJob(number);
  const stages = useStanding(sheet?.stages ?? NO_STAGES);
  const job = sheet && { ...sheet, stages };
  if (!job)
    return (
      <div className="bench">
        {error ? <p className="stop">{error.message}</p> : <p className="soft">One moment …</p>}
      </div>
    );
  const stage = currentStage(job.stages);
  const next = job.stages.filter((s) => s.state === 'waiting' && s.id !== stage?.id).slice(0, 2);
  return (
    <div className="bench stack">
      <div className="spread">
        <h1>
          {job.number} {job.title}
        </h1>
        <Link to={`/jobs/${job.number}/build`}>Whole job</Link>
      </div>
      <JobNote job={job} step="build" />
      <ServiceLock job={job} />
      {stage ? (
        <StageSheet stage={stage} job={job} lift={<LiftNoteAlone job={job} name={stage.name} />} />
      ) : (
        <p className="note">{job.stages.length === 0 ? 'No stages yet.' : 'Every stage is finished.'}</p>
      )}
      {next.length > 0 && <p className="soft">Next: {next.map((s) => s.name).join(', then ')}.</p>}
      <Snags job={job} />
    </div>
  );
}
