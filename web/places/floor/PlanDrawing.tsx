import type { Plan, PlannedPlace } from '../../../core/floor/plan.ts';
import { useBoxDrag } from '../../drawing/useBoxDrag.ts';

/** Places sit on this grid, mm. */
const GRID_MM = 100;
const HANDLE_MM = 420;
const LEAST_M = 0.5;

const metres = (mm: number) => Math.round(mm / 10) / 100;
/** Corner handles and bodies share one handler: a key says which place, and whether its corner is meant. */
const keyOf = (at: number, corner: boolean) => `${at}${corner ? ' corner' : ''}`;

interface Props {
  readonly plan: Plan;
  readonly chosen: number | null;
  readonly faulty: ReadonlySet<number>;
  /** A place was focused, or taken up to be moved. */
  readonly onChoose: (at: number) => void;
  /** `run` names one drag, so that it counts as one step back. */
  readonly onChange: (at: number, change: Partial<PlannedPlace>) => void;
  /** The places as they were when something was taken up. */
  readonly base: () => Plan;
}

/** The building to scale: places are moved by their bodies and resized by their lower right corners, or by arrow keys. */
export function PlanDrawing({ plan, chosen, faulty, onChoose, onChange, base }: Props) {
  const apply = (key: string, right: number, down: number, from: Plan) => {
    const [index = '', corner] = key.split(' ');
    const at = Number(index);
    const place = from.places[at];
    if (!place) return;
    onChange(
      at,
      corner
        ? {
            widthM: Math.max(LEAST_M, metres(place.widthM * 1000 + right)),
            lengthM: Math.max(LEAST_M, metres(place.lengthM * 1000 + down)),
          }
        : { xM: metres(place.xM * 1000 + right), yM: metres(place.yM * 1000 + down) },
    );
  };
  const handlers = useBoxDrag(
    {
      onDrag: (key, { right, down }) => apply(key, right, down, base()),
      onTake: (key) => onChoose(Number(key.split(' ')[0])),
      onNudge: (key, { right, down }) => apply(key, right, down, plan),
    },
    GRID_MM,
  );
  const { widthM, lengthM } = plan.building;
  return (
    <svg
      viewBox={`-60 -60 ${widthM * 1000 + 120} ${lengthM * 1000 + 120}`}
      style={{ width: '100%', display: 'block', background: 'var(--sheet)' }}
      aria-label="Plan of the building"
    >
      <rect width={widthM * 1000} height={lengthM * 1000} fill="var(--sheet)" stroke="var(--metal)" strokeWidth={70} />
      {plan.places.map((place, at) =>
        place.kind === 'outside' ? null : (
          <g key={at} transform={`translate(${place.xM * 1000} ${place.yM * 1000})`}>
            <g {...handlers(keyOf(at, false))} aria-label={`${place.name}: move by arrows`} data-place={place.name}>
              <rect
                width={place.widthM * 1000}
                height={place.lengthM * 1000}
                fill={place.kind === 'hvRoom' ? 'var(--hv-tint)' : chosen === at ? 'var(--tint)' : 'var(--tint-soft)'}
                stroke={faulty.has(at) ? 'var(--stop)' : place.kind === 'hvRoom' ? 'var(--hv)' : 'var(--primary)'}
                strokeWidth={faulty.has(at) || chosen === at ? 70 : 30}
              />
              <text x={180} y={480} fontSize={360} fontWeight={600} fill="var(--ink)">
                {place.name}
              </text>
              <text x={180} y={900} fontSize={300} fill="var(--soft)">
                {place.widthM.toFixed(1)} × {place.lengthM.toFixed(1)} m{place.lift ? ', lift' : ''}
                {place.alignment ? ', alignment' : ''}
              </text>
            </g>
            <g
              {...handlers(keyOf(at, true))}
              style={{ cursor: 'nwse-resize', touchAction: 'none' }}
              aria-label={`${place.name}: resize by arrows`}
              data-corner={place.name}
            >
              <rect
                x={place.widthM * 1000 - HANDLE_MM}
                y={place.lengthM * 1000 - HANDLE_MM}
                width={HANDLE_MM}
                height={HANDLE_MM}
                fill="var(--primary)"
                fillOpacity={chosen === at ? 0.9 : 0.35}
              />
            </g>
          </g>
        ),
      )}
    </svg>
  );
}
