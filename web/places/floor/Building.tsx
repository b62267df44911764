import type { FloorData, Place } from '../../../contract/floor.ts';
import { lengthsOf } from '../../drawing/outline.ts';
import { InBay, WORDS_PX } from './InBay.tsx';
import type { JudgedJob } from './judgeFloor.ts';
import { MovingFloor, PlaceSpot } from './moving.tsx';
import { SMALL_PER_MM, StandsAside } from './StandsAside.tsx';

const DESK_WIDTH_PX = 900;

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
    <MovingFloor floor={floor}>
      <div
        className="building"
        style={{
          height: lengthM * pxPerM,
          background: 'var(--sheet)',
          outline: '3px solid var(--metal)',
          outlineOffset: -1,
        }}
      >
        {inside.length === 0 && (
          <p className="soft" style={{ padding: 24 }}>
            No bays, benches or rooms are drawn yet.
          </p>
        )}
        {bays.map((bay) => (
          <PlaceSpot
            key={bay.id}
            className="spot"
            style={{
              ...box(bay),
              borderRight: '1px dashed var(--hairline)',
              borderBottom: '1px dashed var(--hairline)',
              paddingTop: 30,
            }}
            placeId={bay.id}
            name={bay.name}
          >
            <h2 style={{ position: 'absolute', left: 12, top: 8 }}>
              {bay.name}
              {bay.lift ? ', lift' : ''}
              {bay.alignment ? ', alignment' : ''}
            </h2>
            {jobsAt(bay).map((one) => (
              <InBay key={one.job.number} judged={one} floor={floor} perMm={perMm} partName={partName} />
            ))}
            {jobsAt(bay).length === 0 && (
              <p className="soft" style={{ padding: 12 }}>
                Free
              </p>
            )}
          </PlaceSpot>
        ))}
        {inside
          .filter((place) => place.kind !== 'bay' && place.kind !== 'hvRoom')
          .map((place) => (
            <PlaceSpot
              key={place.id}
              className="spot"
              style={{ ...box(place), padding: '8px 12px', overflowY: 'auto' }}
              placeId={place.id}
              name={place.name}
            >
              <h2 style={{ marginBottom: 6 }}>{place.name}</h2>
              <div style={{ display: 'flex', gap: widthPx < DESK_WIDTH_PX ? 6 : 10, flexWrap: 'wrap' }}>
                {jobsAt(place).map((one) => (
                  <StandsAside key={one.job.number} judged={one} perMm={smallPerMm} narrow={widthPx < DESK_WIDTH_PX} />
                ))}
              </div>
            </PlaceSpot>
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
        <PlaceSpot placeId={null} name="Expected" className="apart">
          <h2 style={{ marginBottom: 6 }}>Expected, not here yet</h2>
          <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
            {expected.map((one) => (
              <StandsAside key={one.job.number} judged={one} />
            ))}
          </div>
        </PlaceSpot>
      )}
      {floor.places
        .filter((place) => place.kind === 'outside')
        .map((place) => (
          <PlaceSpot key={place.id} className="apart" placeId={place.id} name={place.name}>
            <h2 style={{ marginBottom: 6 }}>{place.name}</h2>
            <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
              {jobsAt(place).map((one) => (
                <StandsAside key={one.job.number} judged={one} />
              ))}
              {jobsAt(place).length === 0 && <span className="soft">Nothing is out.</span>}
            </div>
          </PlaceSpot>
        ))}
    </MovingFloor>
  );
}
