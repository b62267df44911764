import { vehicleState } from '../../../core/vehicle/state.ts';
import type { Bay, MountingPoint } from '../../../core/vehicle/variant.ts';
import type { VariantBody } from '../../../core/vehicle/variantProblems.ts';
import { lengthsOf, planPath } from '../../drawing/outline.ts';
import { SideBody } from '../../drawing/SideBody.tsx';
import { type DrawnShift, useBoxDrag } from '../../drawing/useBoxDrag.ts';
import type { Underlay } from './TraceFields.tsx';

/** What is chosen on the drawing: a bay or a point, by its place in its list. */
export interface Chosen {
  readonly list: 'bays' | 'mountingPoints';
  readonly at: number;
}

interface Props {
  readonly variant: VariantBody;
  readonly view: 'side' | 'above';
  readonly chosen: Chosen | null;
  readonly underlay: Underlay | null;
  readonly onChoose: (chosen: Chosen) => void;
  readonly onMove: (chosen: Chosen, shift: DrawnShift, view: 'side' | 'above', fromStart: boolean) => void;
}

const PAD = 160;
const keyOf = ({ list, at }: Chosen) => `${list} ${at}`;
const readKey = (key: string): Chosen => {
  const [list, at] = key.split(' ');
  return { list: list as Chosen['list'], at: Number(at) };
};

/** A variant to scale, from the side or from above, with its bays and points, which are moved on it. */
export function VariantDrawing({ variant, view, chosen, underlay, onChoose, onMove }: Props) {
  const state = vehicleState({ ...variant, id: 'draft' }, {}, null);
  const l = lengthsOf(state);
  const long = l.rearX - l.frontX + 2 * PAD;
  const high = view === 'side' ? l.height + 2 * PAD : l.width + 2 * PAD;
  const top = view === 'side' ? l.height + PAD : 0;
  const stroke = long / 560;
  const letter = long / 46;
  const handlers = useBoxDrag({
    onTake: (key) => onChoose(readKey(key)),
    onDrag: (key, shift) => onMove(readKey(key), shift, view, true),
    onNudge: (key, shift) => onMove(readKey(key), shift, view, false),
  });
  const isChosen = (list: Chosen['list'], at: number) => chosen?.list === list && chosen.at === at;
  const downOf = (part: { yMm: number; zMm: number }) => (view === 'side' ? top - part.zMm : part.yMm);
  return (
    <svg
      viewBox={`${l.frontX - PAD} ${view === 'side' ? 0 : -high / 2} ${long} ${high}`}
      role="group"
      aria-label={view === 'side' ? 'The variant from the side' : 'The variant from above'}
      style={{ width: '100%', maxHeight: 380, display: 'block' }}
    >
      {underlay && view === 'side' && (
        <image
          href={underlay.url}
          x={underlay.xMm}
          y={top - underlay.topMm}
          width={underlay.widthMm}
          opacity={underlay.opacity}
          preserveAspectRatio="xMinYMin meet"
        />
      )}
      {view === 'side' ? (
        <SideBody vehicle={state} top={top} stroke={stroke} pad={PAD} clear={underlay !== null} />
      ) : (
        <>
          <path d={planPath(state)} fill="var(--sheet)" stroke="var(--soft)" strokeWidth={stroke} />
          {[0, l.wheelbase].flatMap((x) =>
            [-1, 1].map((side) => (
              <rect
                key={`${x} ${side}`}
                x={x - l.wheel / 2}
                y={side * (l.track / 2) - l.tyreWidth / 2}
                width={l.wheel}
                height={l.tyreWidth}
                rx={40}
                fill="var(--metal)"
                fillOpacity={0.7}
              />
            )),
          )}
        </>
      )}
      {variant.bays.map((bay: Bay, at) => {
        const down = view === 'side' ? bay.heightMm : bay.widthMm;
        return (
          <g
            key={bay.key}
            {...handlers(keyOf({ list: 'bays', at }))}
            aria-label={`Bay ${bay.name}: arrow keys move it`}
            data-bay={bay.key}
          >
            <rect
              x={bay.xMm - bay.lengthMm / 2}
              y={downOf(bay) - down / 2}
              width={bay.lengthMm}
              height={down}
              rx={14}
              fill="var(--tint)"
              fillOpacity={0.75}
              stroke="var(--primary)"
              strokeWidth={stroke * (isChosen('bays', at) ? 3 : 1.4)}
            />
            <text
              x={bay.xMm}
              y={downOf(bay) + letter * 0.3}
              textAnchor="middle"
              fontSize={letter * 0.85}
              fill="var(--ink)"
            >
              {bay.name}
            </text>
          </g>
        );
      })}
      {variant.openings?.map((opening) => (
        <circle
          key={`${opening.name} ${opening.xMm} ${opening.zMm}`}
          cx={opening.xMm}
          cy={downOf(opening)}
          r={opening.diameterMm / 2}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={stroke}
          strokeDasharray={`${stroke * 3} ${stroke * 2}`}
        >
          <title>{opening.name}</title>
        </circle>
      ))}
      {variant.mountingPoints.map((point: MountingPoint, at) => (
        <g
          key={point.key}
          {...handlers(keyOf({ list: 'mountingPoints', at }))}
          aria-label={`Point ${point.name}: arrow keys move it`}
          data-point={point.key}
        >
          <circle cx={point.xMm} cy={downOf(point)} r={letter * 0.9} fill="transparent" />
          <path
            d={hexagon(point.xMm, downOf(point), letter * 0.42)}
            fill={isChosen('mountingPoints', at) ? 'var(--primary)' : 'var(--sheet)'}
            stroke="var(--ink)"
            strokeWidth={stroke}
          />
          <title>{point.name}</title>
        </g>
      ))}
    </svg>
  );
}

/** A bolt head seen from above. */
const hexagon = (x: number, y: number, r: number): string =>
  `${Array.from({ length: 6 }, (_, i) => {
    const angle = (Math.PI / 3) * i;
    return `${i ? 'L' : 'M'} ${x + r * Math.cos(angle)} ${y + r * Math.sin(angle)}`;
  }).join(' ')} Z`;
