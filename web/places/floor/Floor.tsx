import { EditOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { lazy, Suspense, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { planAddress } from '../../../contract/plan.ts';
import { hasRole } from '../../../contract/rights.ts';
import { designComponents } from '../../../core/design/inputs.ts';
import { dayOf, weekdayAndDay } from '../../../wording/dates.ts';
import { useAtHand, useFloor, useLibrary } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { Building } from './Building.tsx';
import { DecisionItem } from './DecisionItem.tsx';
import { HoursToday } from './HoursToday.tsx';
import { judgeFloorJob, needsDecision } from './judgeFloor.ts';
import { ToBegin } from './ToBegin.tsx';

// Drawn seldom: what the Floor loads at first stays small.
const PlanEditor = lazy(() => import('./PlanEditor.tsx').then(({ PlanEditor: one }) => ({ default: one })));

/** The whole workshop at a glance, and what waits for a decision. */
export default function Floor() {
  const { data: floor, error } = useFloor();
  const { shelves } = useLibrary();
  const named = useMemo(
    () => ({
      variants: floor?.jobs.map((job) => job.vehicle.variantId) ?? [],
      components:
        floor?.jobs.flatMap(({ design, waitingParts }) => [
          ...(design ? designComponents(design.inputs).map(({ componentId }) => componentId) : []),
          ...waitingParts.map(({ componentId }) => componentId),
        ]) ?? [],
    }),
    [floor],
  );
  useAtHand(named, shelves);
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
  const outside = new Set(floor?.places.filter(({ kind }) => kind === 'outside').map(({ id }) => id));
  const out = floor?.jobs.filter((job) => job.placeId !== null && outside.has(job.placeId)).length ?? 0;
  const [planning, setPlanning] = useState(false);
  const mayPlan = hasRole(usePerson().role, planAddress.change.may);
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
        {floor && mayPlan && !planning && (
          <Button size="small" type="text" icon={<EditOutlined />} onClick={() => setPlanning(true)}>
            Change the building
          </Button>
        )}
        {floor && !planning && (
          <Link to="/wall" className="in-text small">
            for the wall
          </Link>
        )}
      </div>
      {error && <p className="stop">{error.message}</p>}
      {planning && floor && (
        <Suspense fallback={<p className="soft">One moment …</p>}>
          <PlanEditor floor={floor} onClose={() => setPlanning(false)} />
        </Suspense>
      )}
      <div className="floor" hidden={planning}>
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
          {floor?.jobs.length === 0 && shelves && (
            <ToBegin floor={floor} shelves={shelves} onPlan={() => setPlanning(true)} />
          )}
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
