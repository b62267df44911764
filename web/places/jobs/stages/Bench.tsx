import { Link, useParams } from 'react-router';
import { currentStage } from '../../../../core/stage/stageRules.ts';
import { useJob } from '../../../data/resources.ts';
import { JobNote } from '../JobNote.tsx';
import { LiftNoteAlone } from './LiftNote.tsx';
import { Snags } from './Snags.tsx';
import { StageSheet } from './StageSheet.tsx';

/** The technician's view of the stage in hand: one column, large targets. */
export default function Bench() {
  const { number = '' } = useParams();
  const { data: job, error } = useJob(number);
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
