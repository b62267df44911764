import { Button } from 'antd';
import { Link, useNavigate } from 'react-router';
import type { JobRow } from '../../../contract/job.ts';
import { dayText, JOB_STATE_NAME } from '../../../wording/work.ts';
import { useJobs } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Sheet } from '../../widgets/Sheet.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';

const MARK: Record<JobRow['state'], Mark> = {
  enquiry: 'open',
  sizing: 'half',
  waitingForClient: 'waiting',
  waitingForPart: 'waiting',
  building: 'half',
  proving: 'half',
  handedOver: 'pass',
  cancelled: 'open',
};

function Rows({ jobs }: { jobs: readonly JobRow[] }) {
  return (
    <table className="list">
      <thead>
        <tr>
          <th>Job</th>
          <th>Client</th>
          <th>Vehicle</th>
          <th>State</th>
          <th>Where</th>
          <th className="num">Stages</th>
          <th className="num">Hours</th>
          <th className="num">Promised</th>
        </tr>
      </thead>
      <tbody>
        {jobs.map((job) => (
          <tr key={job.number}>
            <td>
              <Link to={`/jobs/${job.number}/brief`} className="strong">
                {job.number} {job.title}
              </Link>
            </td>
            <td>{job.client}</td>
            <td>{job.variantName}</td>
            <td>
              <span className="row" style={{ flexWrap: 'nowrap' }}>
                <StateMark mark={MARK[job.state]} label="" /> {JOB_STATE_NAME[job.state]}
              </span>
            </td>
            <td>{job.place ?? (job.state === 'handedOver' ? 'gone' : 'not here yet')}</td>
            <td className="num">{job.stagesAll > 0 ? `${job.stagesDone} of ${job.stagesAll}` : 'none yet'}</td>
            <td className="num">
              {job.stagesAll > 0 ? (
                <>
                  <span className={job.hoursClocked > job.hoursPlanned ? 'stop strong' : 'strong'}>
                    {job.hoursClocked.toFixed(1)}
                  </span>{' '}
                  of {job.hoursPlanned.toFixed(0)}
                </>
              ) : (
                <span className="soft">none yet</span>
              )}
            </td>
            <td className="num">{job.promised ? dayText(job.promised) : <span className="soft">not promised</span>}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Every job: those in hand first, then those handed over. */
export default function JobList() {
  const { data, error } = useJobs();
  const navigate = useNavigate();
  const person = usePerson();
  const open = (data ?? []).filter((job) => job.state !== 'handedOver' && job.state !== 'cancelled');
  const over = (data ?? []).filter((job) => job.state === 'handedOver' || job.state === 'cancelled');
  return (
    <div className="page stack">
      <div className="spread">
        <h1>Jobs</h1>
        {person.role === 'manager' && (
          <Button type="primary" onClick={() => navigate('/jobs/new')}>
            New job
          </Button>
        )}
      </div>
      {error && <p className="stop">{error.message}</p>}
      <Sheet title="In hand" aside={`${open.length} jobs`}>
        <div className="in">
          <Rows jobs={open} />
        </div>
      </Sheet>
      {over.length > 0 && (
        <Sheet title="Handed over" aside={`${over.length} jobs`}>
          <div className="in">
            <Rows jobs={over} />
          </div>
        </Sheet>
      )}
    </div>
  );
}
