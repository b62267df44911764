import { useMemo } from 'react';
import { NavLink } from 'react-router';
import { STEPS, type StepId } from '../../app/steps.ts';
import { useUnitSet } from '../../data/session.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { JobHistory } from './JobHistory.tsx';
import { useOpenJob } from './openJob.ts';
import { StateOfJob } from './StateOfJob.tsx';
import { spineStates } from './spineStates.ts';

/** The steps of the job in the order of work, each with its state and one telling figure. */
export function Spine({ step }: { step: StepId }) {
  const open = useOpenJob('job', 'vehicle', 'lines', 'sheet', 'kit', 'fitOf');
  const set = useUnitSet();
  const { job, vehicle, kit, fitOf } = open;
  // The kit is judged by its own design: it does not follow the design looked at.
  const report = useMemo(() => (kit && job.kit ? fitOf(kit, job.kit.options) : null), [kit, job.kit, fitOf]);
  const states = useMemo(() => spineStates(open, report, set), [open, report, set]);
  return (
    <nav className="spine" aria-label="Steps of the job">
      <div className="head">
        <h1 style={{ fontSize: 17 }}>
          {job.number} {job.title}
        </h1>
        <div className="soft small">
          {vehicle.variant.modelName} {vehicle.variant.name}, {job.vehicle.builtYear}
        </div>
        <div className="spread">
          <StateOfJob />
          <JobHistory number={job.number} />
        </div>
      </div>
      {STEPS.map(({ id, name }) => (
        <NavLink
          key={id}
          to={`/jobs/${job.number}/${id}`}
          className={id === step ? 'here' : ''}
          aria-current={id === step ? 'step' : undefined}
        >
          <span className="mark">
            <StateMark mark={states[id].mark} />
          </span>
          <span className="strong">{name}</span>
          <span className="say">{states[id].say}</span>
        </NavLink>
      ))}
    </nav>
  );
}
