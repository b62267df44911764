import { lazy, memo, Suspense } from 'react';
import { Link, useParams } from 'react-router';
import type { JobSheet } from '../../../contract/job.ts';
import { isStep, type StepId } from '../../app/steps.ts';
import type { Shelves } from '../../data/resources.ts';
import { useAtHand, useJob, useLibrary } from '../../data/resources.ts';
import { JobNote } from './JobNote.tsx';
import { OpenJobProvider, useOpenJob } from './openJob.ts';
import { Spine } from './Spine.tsx';
import { Tally } from './Tally.tsx';
import { useOpening } from './useOpening.ts';

const STEP_VIEW: Record<StepId, ReturnType<typeof lazy>> = {
  brief: lazy(() => import('./brief/BriefStep.tsx')),
  vehicle: lazy(() => import('./vehicle/VehicleStep.tsx')),
  size: lazy(() => import('./size/SizeStep.tsx')),
  match: lazy(() => import('./match/MatchStep.tsx')),
  price: lazy(() => import('./price/PriceStep.tsx')),
  parts: lazy(() => import('./parts/PartsStep.tsx')),
  plan: lazy(() => import('./plan/PlanStep.tsx')),
  build: lazy(() => import('./stages/BuildStep.tsx')),
  prove: lazy(() => import('./prove/ProveStep.tsx')),
};

/** One job: its spine, the step looked at, and the brief against now. */
export default function JobPlace() {
  const { number = '', step } = useParams();
  const { data: job, error } = useJob(number);
  const { shelves } = useLibrary();
  const asking = useAtHand({ variants: job ? [job.vehicle.variantId] : [] }, shelves);
  if (error && !job) {
    return (
      <div className="page">
        <h1>{error.message}</h1>
        <Link to="/jobs">All jobs</Link>
      </div>
    );
  }
  if (!job || !shelves || asking) return <div className="page soft">One moment …</div>;
  if (!isStep(step)) {
    return (
      <div className="page">
        <h1>A job has no step “{step}”</h1>
        <Link to={`/jobs/${number}/brief`}>To the brief</Link>
      </div>
    );
  }
  if (!shelves.variants.has(job.vehicle.variantId)) return <NoModel job={job} />;
  return <JobWith key={job.id} job={job} shelves={shelves} step={step} />;
}

function JobWith({ job, shelves, step }: { job: JobSheet; shelves: Shelves; step: StepId }) {
  const open = useOpening(job, shelves);
  if (!open) return <NoModel job={job} />;
  return (
    <OpenJobProvider open={open}>
      <StepView step={step} />
    </OpenJobProvider>
  );
}

function NoModel({ job }: { job: JobSheet }) {
  return (
    <div className="page">
      <h1>The library has no model “{job.vehicle.variantId}”</h1>
      <p className="soft">
        {job.number} {job.title} was made from it, and none of its figures can be worked out without it. Put it back
        into the library.
      </p>
    </div>
  );
}

/** Drawn again only with the step: what is below asks the open itself for what it reads. */
const StepView = memo(function StepView({ step }: { step: StepId }) {
  const { job } = useOpenJob('job');
  const View = STEP_VIEW[step];
  return (
    <div className="job">
      <Spine step={step} />
      <div className="work">
        <JobNote job={job} step={step} />
        <Suspense fallback={<p className="soft">One moment …</p>}>
          <View />
        </Suspense>
      </div>
      <Tally />
    </div>
  );
});
