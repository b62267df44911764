import { Link } from 'react-router';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { drawnParts } from '../../drawing/parts.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import type { JudgedJob } from './judgeFloor.ts';
import { useCarried } from './moving.tsx';

/** Scale of a vehicle that stands aside, pixels to a millimetre, where the building is drawn as wide as on a desk. */
export const SMALL_PER_MM = 0.018;

/** A vehicle that stands aside, small, with how far it is. */
export function StandsAside({
  judged,
  perMm = SMALL_PER_MM,
  narrow = false,
}: {
  judged: JudgedJob;
  perMm?: number;
  narrow?: boolean;
}) {
  const { job, vehicle, sheet } = judged;
  const why = !vehicle.weighing ? 'weigh first' : JOB_STATE_NAME[job.state].toLowerCase();
  const stands =
    job.stages.length > 0
      ? `${job.stages.filter((s) => s.state === 'done').length} of ${job.stages.length} stages`
      : why;
  const { carry, handle } = useCarried(job);
  return (
    <div className={narrow ? 'sheet aside narrow' : 'sheet aside'} {...carry}>
      <Link to={`/jobs/${job.number}/brief`}>
        <VehiclePlan
          vehicle={vehicle}
          parts={drawnParts(sheet.slots, false)}
          perMm={perMm}
          title={`${job.title}, seen from above`}
        />
        <span>
          <span className="strong">{narrow ? job.title : `${job.number} ${job.title}`}</span>
          <br />
          <span className="soft small">{narrow ? `${job.number}, ${stands}` : stands}</span>
        </span>
      </Link>
      {handle}
    </div>
  );
}
