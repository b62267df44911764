import { ContactsOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { Link, useNavigate } from 'react-router';
import type { JobRow } from '../../../contract/job.ts';
import { dayText } from '../../../wording/dates.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { useJobs } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';

const MARK: Record<JobRow['state'], Mark> = {
  enquiry: 'open',
  sizing: 'half',
  offered: 'half',
  agreed: 'half',
  waitingForClient: 'waiting',
  waitingForPart: 'waiting',
  waitingOutside: 'waiting',
  building: 'half',
  proving: 'half',
  handedOver: 'pass',
  cancelled: 'open',
};

function Rows({ label, jobs }: { label: string; jobs: readonly JobRow[] }) {
  return (
    <DataTable
      label={label}
      rows={jobs}
      rowKey={(job) => job.number}
      columns={({ words, figures }) => [
        words(
          'Job',
          (job) => (
            <Link to={`/jobs/${job.number}/brief`} className="strong">
              {job.number} {job.title}
            </Link>
          ),
          { width: 230, order: (a, b) => a.number.localeCompare(b.number) },
        ),
        words('Client', (job) => job.client, { order: (a, b) => a.client.localeCompare(b.client) }),
        words('Vehicle', (job) => job.variantName, { width: 210 }),
        words('State', (job) => (
          <span className="row" style={{ flexWrap: 'nowrap' }}>
            <StateMark mark={MARK[job.state]} label="" /> {JOB_STATE_NAME[job.state]}
          </span>
        )),
        words('Where', (job) => job.place ?? (job.state === 'handedOver' ? 'gone' : 'not here yet')),
        figures('Stages', (job) => (job.stagesAll > 0 ? `${job.stagesDone} of ${job.stagesAll}` : 'none yet')),
        figures('Hours', (job) =>
          job.stagesAll > 0 ? (
            <>
              <span className={job.hoursClocked > job.hoursPlanned ? 'stop strong' : 'strong'}>
                {job.hoursClocked.toFixed(1)}
              </span>{' '}
              of {job.hoursPlanned.toFixed(0)}
            </>
          ) : (
            <span className="soft">none yet</span>
          ),
        ),
        figures(
          'Promised',
          (job) => (job.promised ? dayText(job.promised) : <span className="soft">not promised</span>),
          { order: (a, b) => (a.promised ?? '9').localeCompare(b.promised ?? '9') },
        ),
      ]}
    />
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
        <span className="row">
          <Button icon={<ContactsOutlined />} onClick={() => navigate('/clients')}>
            Clients and vehicles
          </Button>
          {person.role === 'manager' && (
            <Button type="primary" icon={<PlusOutlined />} onClick={() => navigate('/jobs/new')}>
              New job
            </Button>
          )}
        </span>
      </div>
      {error && <p className="stop">{error.message}</p>}
      <Panel title="In hand" aside={`${open.length} jobs`}>
        <div className="in">
          <Rows label="Jobs in hand" jobs={open} />
        </div>
      </Panel>
      {over.length > 0 && (
        <Panel title="Handed over" aside={`${over.length} jobs`}>
          <div className="in">
            <Rows label="Jobs handed over" jobs={over} />
          </div>
        </Panel>
      )}
    </div>
  );
}
