import { Link } from 'react-router';
import type { FloorData, Place } from '../../../contract/floor.ts';
import { clock, JOB_STATE_NAME } from '../../../wording/work.ts';
import { useSession } from '../../data/session.tsx';
import { lengthsOf } from '../../drawing/outline.ts';
import { drawnParts } from '../../drawing/parts.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import type { JudgedJob } from './judgeFloor.ts';

/** Scale of a vehicle that stands aside, pixels to a millimetre, where the building is drawn as wide as on a desk. */
const SMALL_PER_MM = 0.018;
const DESK_WIDTH_PX = 900;

/** Share of a bay's length kept for the words under the vehicle. */
const WORDS_PX = 128;

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

function InBay({
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
  const { workshop } = useSession();
  const on = floor.onTheClock.filter((entry) => entry.jobNumber === job.number);
  const now = stageNow(judged, partName);
  const planned = job.stages.reduce((sum, stage) => sum + stage.hours, 0);
  const over = job.hoursClocked - planned;
  const boxesIn = job.stages.some((stage) => stage.traits.includes('boxesIn') && stage.state === 'done');
  return (
    <div style={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
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
        <Link to={`/jobs/${job.number}/build`} style={{ color: 'inherit', textDecoration: 'none' }}>
          <h2>
            {job.number} {job.title}
          </h2>
        </Link>
        <div
          className={now.waits ? 'wait strong' : 'soft'}
          style={{ whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}
          title={now.text}
        >
          {now.text}
        </div>
        <StageBar judged={judged} />
        <div>
          <span className="strong">{job.hoursClocked.toFixed(1)} h</span> of {planned.toFixed(0)}
          {over > 0 && <span className="stop"> {over.toFixed(1)} h over</span>}
        </div>
        <div className="small soft">
          {on.length > 0
            ? `${on.map((entry) => entry.initials).join(', ')} on it since ${clock(on[0]!.since, workshop.timeZone)}`
            : 'Nobody on it'}
          {on.some((entry) => entry.liveHv) && <span className="live strong">, live work</span>}
        </div>
      </div>
    </div>
  );
}

function Small({
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
  return (
    <Link
      to={`/jobs/${job.number}/brief`}
      className="sheet"
      style={{
        display: 'flex',
        gap: narrow ? 6 : 10,
        alignItems: 'center',
        padding: narrow ? '4px 6px' : '6px 10px',
        color: 'inherit',
        textDecoration: 'none',
      }}
    >
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
  );
}

interface Props {
  readonly floor: FloorData;
  readonly judged: readonly JudgedJob[];
  readonly partName: (id: string) => string;
  readonly widthPx: number;
}

/** The building to scale, every vehicle in its place. */
export function Building({ floor, judged, partName, widthPx }: Props) {
  const { widthM, lengthM } = floor.building;
  const pxPerM = widthPx / widthM;
  const inside = floor.places.filter((place) => place.kind !== 'outside');
  const bays = inside.filter((place) => place.kind === 'bay');
  // One scale for every vehicle, so that a lorry looks longer than a van: the longest must fit its bay.
  const spans = judged.map(({ vehicle }) => {
    const l = lengthsOf(vehicle);
    return l.rearX - l.frontX + 240;
  });
  const bayPx = Math.max(260, (bays[0]?.lengthM ?? 9) * pxPerM);
  const perMm = Math.min((bayPx - WORDS_PX - 34) / Math.max(3500, ...spans), ((bays[0]?.widthM ?? 5) * pxPerM) / 2600);
  // On a narrow screen those that stand aside shrink with the building, so that all of them stay inside its walls.
  const smallPerMm = SMALL_PER_MM * Math.min(1, (widthPx / DESK_WIDTH_PX) ** 2);
  const jobsAt = (place: Place) => judged.filter(({ job }) => job.placeId === place.id);
  const box = (place: Place) => ({
    left: place.xM * pxPerM,
    top: place.yM * pxPerM,
    width: place.widthM * pxPerM,
    height: place.lengthM * pxPerM,
  });
  const expected = judged.filter(({ job }) => job.placeId === null);
  const hvRoom = inside.find((place) => place.kind === 'hvRoom');
  const liveNow = floor.onTheClock.filter((entry) => entry.liveHv);
  return (
    <>
      <div
        className="building"
        style={{
          height: lengthM * pxPerM,
          background: 'var(--sheet)',
          outline: '3px solid var(--metal)',
          outlineOffset: -1,
        }}
      >
        {bays.map((bay) => (
          <section
            key={bay.id}
            className="spot"
            style={{
              ...box(bay),
              borderRight: '1px dashed var(--hairline)',
              borderBottom: '1px dashed var(--hairline)',
              paddingTop: 30,
            }}
            aria-label={bay.name}
          >
            <h2 style={{ position: 'absolute', left: 12, top: 8 }}>
              {bay.name}
              {bay.lift ? ', lift' : ''}
            </h2>
            {jobsAt(bay).map((one) => (
              <InBay key={one.job.number} judged={one} floor={floor} perMm={perMm} partName={partName} />
            ))}
            {jobsAt(bay).length === 0 && (
              <p className="soft" style={{ padding: 12 }}>
                Free
              </p>
            )}
          </section>
        ))}
        {inside
          .filter((place) => place.kind !== 'bay' && place.kind !== 'hvRoom')
          .map((place) => (
            <section
              key={place.id}
              className="spot"
              style={{ ...box(place), padding: '8px 12px', overflowY: 'auto' }}
              aria-label={place.name}
            >
              <h2 style={{ marginBottom: 6 }}>{place.name}</h2>
              <div style={{ display: 'flex', gap: widthPx < DESK_WIDTH_PX ? 6 : 10, flexWrap: 'wrap' }}>
                {jobsAt(place).map((one) => (
                  <Small key={one.job.number} judged={one} perMm={smallPerMm} narrow={widthPx < DESK_WIDTH_PX} />
                ))}
              </div>
            </section>
          ))}
        {hvRoom && (
          <section
            className="spot"
            style={{ ...box(hvRoom), border: '2px solid var(--hv)', background: 'var(--hv-tint)', padding: '8px 12px' }}
            aria-label={hvRoom.name}
          >
            <h2 className="live">{hvRoom.name}</h2>
            <p className="small live">2 persons minimum</p>
            <p className="small" style={{ marginTop: 8 }}>
              {liveNow.length > 0
                ? `Live work now: ${liveNow.map((entry) => `${entry.initials} on ${entry.jobNumber}`).join(', ')}`
                : 'No live work now'}
            </p>
          </section>
        )}
      </div>
      {expected.length > 0 && (
        <section style={{ background: 'var(--tint)', padding: '10px 14px', marginTop: 10 }} aria-label="Expected">
          <h2 style={{ marginBottom: 6 }}>Expected, not here yet</h2>
          <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
            {expected.map((one) => (
              <Small key={one.job.number} judged={one} />
            ))}
          </div>
        </section>
      )}
      {floor.places
        .filter((place) => place.kind === 'outside')
        .map((place) => (
          <section
            key={place.id}
            style={{ background: 'var(--tint)', padding: '10px 14px', marginTop: 10 }}
            aria-label={place.name}
          >
            <h2 style={{ marginBottom: 6 }}>{place.name}</h2>
            <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
              {jobsAt(place).map((one) => (
                <Small key={one.job.number} judged={one} />
              ))}
              {jobsAt(place).length === 0 && <span className="soft">Nothing is out.</span>}
            </div>
          </section>
        ))}
    </>
  );
}
