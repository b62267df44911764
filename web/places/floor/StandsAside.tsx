import { Link } from 'react-router';
import { outText, overdue } from '../../../wording/floor.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { useWorkshop } from '../../data/session.tsx';
import { drawnParts } from '../../drawing/parts.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { useNow } from '../../widgets/useNow.ts';
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
  const now = useNow();
  const { timeZone } = useWorkshop();
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
          {job.out && (
            <>
              <br />
              <span className={`small ${overdue(job.out, now) ? 'stop' : ''}`} data-out={job.number}>
                {outText(job.out, now, timeZone)}
              </span>
            </>
          )}
        </span>
      </Link>
      {handle}
    </div>
  );
}
