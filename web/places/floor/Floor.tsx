import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { dayOf, weekdayAndDay } from '../../../wording/dates.ts';
import { useFloor, useLibrary } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { Building } from './Building.tsx';
import { DecisionItem } from './DecisionItem.tsx';
import { HoursToday } from './HoursToday.tsx';
import { judgeFloorJob, needsDecision } from './judgeFloor.ts';

/** The whole workshop at a glance, and what waits for a decision. */
export default function Floor() {
  const { data: floor, error } = useFloor();
  const { shelves } = useLibrary();
  const workshop = useWorkshop();
  const holder = useRef<HTMLDivElement>(null);
  const [widthPx, setWidthPx] = useState(900);
  useLayoutEffect(() => {
    const element = holder.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setWidthPx(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const today = floor ? dayOf(floor.now, workshop.timeZone) : '';
  const judged = useMemo(
    () => (floor && shelves ? floor.jobs.flatMap((job) => judgeFloorJob(job, shelves, today, workshop) ?? []) : []),
    [floor, shelves, today, workshop],
  );
  const decisions = useMemo(
    () => (floor && shelves ? needsDecision(floor, judged, shelves, today) : []),
    [floor, judged, shelves, today],
  );
  const building = judged.filter(
    ({ job }) => job.state === 'building' || job.state === 'proving' || job.state === 'waitingForPart',
  );
  const out = floor?.jobs.filter((job) => job.placeId === 'outside').length ?? 0;
  const heading = floor ? weekdayAndDay(floor.now, workshop.timeZone).replace(',', '') : 'Floor';
  return (
    <div className="page">
      <div className="row" style={{ marginBottom: 8, alignItems: 'baseline' }}>
        <h1>{heading}</h1>
        {floor && (
          <span className="soft small">
            {building.length} vehicles in work{out > 0 ? `, ${out} out of the building` : ''}, {decisions.length} to
            decide
          </span>
        )}
      </div>
      {error && <p className="stop">{error.message}</p>}
      <div className="floor">
        <div ref={holder}>
          {floor && shelves && (
            <Building
              floor={floor}
              judged={judged}
              widthPx={widthPx}
              partName={(id) => shelves.components.get(id)?.name ?? id}
            />
          )}
        </div>
        <div className="stack">
          <Panel title="Needs a decision" aside={<strong>{decisions.length}</strong>}>
            {decisions.map((decision) => (
              <DecisionItem key={decision.key} decision={decision} />
            ))}
            {floor && decisions.length === 0 && <p className="in soft">Nothing waits for you.</p>}
          </Panel>
          {floor && <HoursToday floor={floor} />}
        </div>
      </div>
    </div>
  );
}
