import { Segmented } from 'antd';
import { memo, startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { BoxChoice, DesignInputs } from '../../../../../core/design/inputs.ts';
import { unladenLoads } from '../../../../../core/figures/balance/unladenLoads.ts';
import { createSheet } from '../../../../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../../../../core/figures/index.ts';
import { boxGaps } from '../../../../../core/pack/boxGaps.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { SCHOOL_NAME } from '../../../../../wording/brief.ts';
import { MISSING } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useMay } from '../../../../data/useMay.ts';
import { drawnParts } from '../../../../drawing/parts.ts';
import type { BoxMoving, DrawnShift } from '../../../../drawing/useBoxDrag.ts';
import { VehicleElevation } from '../../../../drawing/VehicleElevation.tsx';
import { VehiclePlan } from '../../../../drawing/VehiclePlan.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

/** A box of the design moved by a shift as drawn from the side (fore and aft, up and down) or from above (to the side). */
export function movedBox(box: BoxChoice, { right, down }: DrawnShift, view: 'side' | 'above'): BoxChoice {
  const shiftMm = box.shiftMm + right;
  return view === 'side'
    ? { ...box, shiftMm, shiftZMm: (box.shiftZMm ?? 0) - down }
    : { ...box, shiftMm, shiftYMm: (box.shiftYMm ?? 0) + down };
}

/**
 * Boxes and drive in the vehicle to scale, with axle loads and clearances that follow a box while it is dragged: the
 * drawing works out its own few figures at once, the rest of the page catches up as it can.
 */
export function WeightDrawing() {
  const {
    vehicle,
    sheet: settled,
    job,
    inputs,
    setInputs,
    slotsOf,
  } = useOpenJob('vehicle', 'sheet', 'job', 'inputs', 'setInputs', 'slotsOf');
  const set = useUnitSet();
  const may = useMay(job, 'design');
  const [view, setView] = useState<'side' | 'above'>('side');
  const [held, setHeld] = useState<DesignInputs | null>(null);
  const start = useRef<DesignInputs | null>(null);
  const run = useRef(0);
  // The page has caught up with the last move: the drawing reads the common figures again.
  useEffect(() => {
    if (held && inputs === held && !start.current) setHeld(null);
  }, [held, inputs]);
  const sheet = useMemo(() => (held ? createSheet(slotsOf(held)) : settled), [held, settled, slotsOf]);
  const move = (from: DesignInputs, key: string, shift: DrawnShift) => ({
    ...from,
    boxes: from.boxes.map((box) => (box.bay === key ? movedBox(box, shift, view) : box)),
  });
  const moving: BoxMoving = {
    onDrag: (key, shift, done) => {
      if (!start.current) {
        start.current = inputs;
        run.current++;
      }
      const next = move(start.current, key, shift);
      setHeld(next);
      if (done) start.current = null;
      startTransition(() => setInputs(next, `drag ${run.current}`));
    },
    onNudge: (key, step) => {
      const next = move(held ?? inputs, key, step);
      setHeld(next);
      startTransition(() => setInputs(next));
    },
  };
  const { figures } = vehicle;
  const value = (id: FigureId) => sheet.get(FIGURES[id]).value;
  const axle = (now: number | null, laden: number | null, before: number, rating: number, name: string) => ({
    text: now === null ? 'not known' : formatQuantity(now, 'mass', set),
    say:
      laden === null
        ? ''
        : `${name}, was ${formatQuantity(before, 'mass', set)}; laden ${formatQuantity(laden, 'mass', set)} of ${formatQuantity(rating, 'mass', set)}`,
    over: laden !== null && laden > rating,
  });
  const share = value('frontShare');
  const before = value('frontShareBefore');
  const aim = job.brief.find((line) => line.kind === 'axleShare');
  const target = aim?.school === 'equal' ? 0.5 : before;
  const off = aim && share !== null && target !== null && Math.abs(share - target) > (aim.tolerance ?? 0);
  const loads = sheet.get(unladenLoads);
  // The same object as long as there is a drawing: it is dear to draw, and draws itself again only when it shows otherwise.
  const latest = useRef(moving);
  latest.current = moving;
  const steadyMoving = useMemo<BoxMoving>(
    () => ({
      onDrag: (...given) => latest.current.onDrag(...given),
      onNudge: (...given) => latest.current.onNudge(...given),
    }),
    [],
  );
  const drag = may ? steadyMoving : null;
  return (
    <Panel
      title="Where the weight goes"
      aside={
        <span className="row">
          {may && <span>Drag a box or move it by arrow keys; it keeps to 10 mm.</span>}
          <ViewChoice view={view} onView={setView} />
        </span>
      }
    >
      <div className="in">
        {loads.reason && <p className="stop">Axle loads: {MISSING[loads.reason]}.</p>}
        {view === 'side' ? (
          <VehicleElevation
            vehicle={vehicle}
            parts={drawnParts(sheet.slots)}
            front={axle(
              value('frontAxleNow'),
              value('frontAxleLaden'),
              figures.frontAxleMass.value,
              figures.frontAxleRating.value,
              'front',
            )}
            rear={axle(
              value('rearAxleNow'),
              value('rearAxleLaden'),
              figures.rearAxleMass.value,
              figures.rearAxleRating.value,
              'rear',
            )}
            middle={{
              text: share === null ? '' : `${formatQuantity(share, 'share', set)} front`,
              say: aim
                ? `aim: ${SCHOOL_NAME[aim.school ?? 'original']}`
                : before === null
                  ? ''
                  : `was ${formatQuantity(before, 'share', set)}`,
              over: Boolean(off),
            }}
            centreX={loads.value?.centreXMm ?? null}
            moving={drag}
          />
        ) : (
          <div style={{ display: 'grid', placeItems: 'center' }}>
            <VehiclePlan
              vehicle={vehicle}
              parts={drawnParts(sheet.slots)}
              perMm={Math.min(0.15, 700 / (figures.length.value + 240), 300 / (figures.width.value + 240))}
              title="Boxes and drive from above"
              moving={drag}
            />
            <div className="row" style={{ gap: 28 }}>
              {(
                [
                  ['front axle', value('frontAxleNow'), value('frontAxleLaden'), figures.frontAxleRating.value],
                  ['rear axle', value('rearAxleNow'), value('rearAxleLaden'), figures.rearAxleRating.value],
                ] as const
              ).map(([name, now, laden, rating]) => (
                <span key={name} className={laden !== null && laden > rating ? 'stop' : ''}>
                  {name} <strong>{now === null ? 'not known' : formatQuantity(now, 'mass', set)}</strong>
                  {laden !== null && (
                    <span className="soft small">
                      {' '}
                      laden {formatQuantity(laden, 'mass', set)} of {formatQuantity(rating, 'mass', set)}
                    </span>
                  )}
                </span>
              ))}
              {value('rightShare') !== null && (
                <span>
                  right wheels <strong>{formatQuantity(value('rightShare')!, 'share', set)}</strong>
                </span>
              )}
            </div>
          </div>
        )}
        <Clearances gaps={boxGaps(sheet.slots.pack.boxes)} wantedMm={sheet.slots.pack.clearanceMm} />
      </div>
    </Panel>
  );
}

type View = 'side' | 'above';
const VIEWS = [
  { label: 'Side', value: 'side' },
  { label: 'Above', value: 'above' },
];
const ViewChoice = memo(function ViewChoice({ view, onView }: { view: View; onView: (view: View) => void }) {
  return (
    <Segmented aria-label="View" size="small" value={view} options={VIEWS} onChange={(next) => onView(next as View)} />
  );
});

/** The tightest way of each box, red where it is under what the design wants. */
function Clearances({ gaps, wantedMm }: { gaps: ReturnType<typeof boxGaps>; wantedMm: number }) {
  const set = useUnitSet();
  const tightest = gaps.filter((gap, i) => gaps.findIndex((other) => other.box === gap.box) === i);
  if (tightest.length === 0) return null;
  return (
    <div className="row small" data-clearances>
      <span className="soft">Clearance, {formatQuantity(wantedMm, 'length', set)} wanted:</span>
      {tightest.map((gap) => (
        <span key={gap.box} className={gap.gapMm < wantedMm ? 'stop strong' : ''} data-clearance={gap.box}>
          {gap.box} {formatQuantity(gap.gapMm, 'length', set)}
          {gap.gapMm < wantedMm ? ` at the ${gap.to}` : ''}
        </span>
      ))}
    </div>
  );
}
