import { Tooltip } from 'antd';
import { Link } from 'react-router';
import type { FloorData } from '../../../contract/floor.ts';
import { clock, forHowLong } from '../../../wording/dates.ts';
import { outText } from '../../../wording/floor.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { useWorkshop } from '../../data/session.tsx';
import { drawnParts } from '../../drawing/parts.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { useNow } from '../../widgets/useNow.ts';
import type { JudgedJob } from './judgeFloor.ts';
import { useCarried } from './moving.tsx';

/** Height kept for the words under the vehicle, px. */
export const WORDS_PX = 128;

function StageBar({ judged: { job } }: { judged: JudgedJob }) {
  if (job.stages.length === 0) return null;
  const waits = job.waitingParts.length > 0;
  const next = job.stages.findIndex((stage) => stage.state !== 'done');
  return (
    <div
      className="stagebar"
      role="img"
      aria-label={`${job.stages.filter((s) => s.state === 'done').length} of ${job.stages.length} stages finished`}
    >
      {job.stages.map((stage, i) => (
        <i key={stage.name} className={waits && i === next && stage.state === 'waiting' ? 'waits' : stage.state} />
      ))}
    </div>
  );
}

function stageNow({ job }: JudgedJob, partName: (id: string) => string): { text: string; waits: boolean } {
  const late = job.waitingParts.find((part) => part.due !== null);
  const inHand = job.stages.find((stage) => stage.state === 'inHand' || stage.state === 'stopped');
  if (inHand) return { text: inHand.name, waits: inHand.state === 'stopped' };
  if (late) return { text: `Waiting: ${partName(late.componentId)}`, waits: true };
  const next = job.stages.find((stage) => stage.state === 'waiting');
  return { text: next ? `Next: ${next.name}` : JOB_STATE_NAME[job.state], waits: false };
}

/** A vehicle in its bay, to scale, with its stage, hours and people. */
export function InBay({
  judged,
  floor,
  perMm,
  partName,
}: {
  judged: JudgedJob;
  floor: FloorData;
  perMm: number;
  partName: (id: string) => string;
}) {
  const { job, vehicle, sheet } = judged;
  const workshop = useWorkshop();
  const { carry, handle } = useCarried(job);
  const on = floor.onTheClock.filter((entry) => entry.jobNumber === job.number);
  const time = useNow();
  // Whoever was handed it has it, though nobody has moved it on the Floor.
  const now = job.out ? { text: outText(job.out, time, workshop.timeZone), waits: true } : stageNow(judged, partName);
  const planned = job.stages.reduce((sum, stage) => sum + stage.hours, 0);
  const over = job.hoursClocked - planned;
  const boxesIn = job.stages.some((stage) => stage.traits.includes('boxesIn') && stage.state === 'done');
  return (
    <div className="in-bay" {...carry}>
      <div style={{ flex: 1, minHeight: 0, display: 'grid', placeItems: 'center' }}>
        <VehiclePlan
          vehicle={vehicle}
          parts={drawnParts(sheet.slots, boxesIn)}
          perMm={perMm}
          noseUp
          title={`${job.number} ${job.title}, seen from above${boxesIn ? '' : ', boxes not in yet'}`}
        />
      </div>
      <div style={{ height: WORDS_PX, padding: '0 12px', display: 'grid', gap: 2, alignContent: 'start' }}>
        <div className="spread">
          <Link to={`/jobs/${job.number}/build`} style={{ color: 'inherit', textDecoration: 'none', minWidth: 0 }}>
            <h2>
              {job.number} {job.title}
            </h2>
          </Link>
          {handle}
        </div>
        <Tooltip title={now.text}>
          <div
            className={now.waits ? 'wait strong' : 'soft'}
            style={{ whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}
          >
            {now.text}
          </div>
        </Tooltip>
        <StageBar judged={judged} />
        <div>
          <span className="strong">{job.hoursClocked.toFixed(1)} h</span> of {planned.toFixed(0)}
          {over > 0 && <span className="stop"> {over.toFixed(1)} h over</span>}
        </div>
        <div className="small soft">
          {on.length > 0
            ? `${on.map((entry) => entry.initials).join(', ')} on it since ${clock(on[0]!.since, workshop.timeZone)}, ${forHowLong(on[0]!.since, time)}`
            : 'Nobody on it'}
          {on.some((entry) => entry.liveHv) && <span className="live strong">, live work</span>}
        </div>
      </div>
    </div>
  );
}
