import equal from 'fast-deep-equal';
import { memo } from 'react';
import type { VehicleState } from '../../core/vehicle/state.ts';
import { lengthsOf, planPath } from './outline.ts';
import type { DrawnPart } from './parts.ts';
import { type BoxMoving, useBoxDrag } from './useBoxDrag.ts';

interface Props {
  readonly vehicle: VehicleState;
  readonly parts: readonly DrawnPart[];
  /** Drawing units per mm. */
  readonly perMm: number;
  /** Nose up (on the Floor) or to the left. */
  readonly noseUp?: boolean;
  readonly marks?: readonly {
    readonly x: number;
    readonly y: number;
    readonly good: boolean;
    readonly label: string;
  }[];
  readonly title: string;
  /** Boxes can be moved: draws bays, and tells about moves. Nose to the left only. */
  readonly moving?: BoxMoving | null;
}

/** Whether a box lies over the middle of another part, so that a word there could not be read. */
const covers = (over: DrawnPart, under: DrawnPart): boolean =>
  over !== under &&
  Math.abs(over.x - under.x) < over.length / 2 + under.length * 0.3 &&
  Math.abs(over.y - under.y) < over.width / 2;

/** The vehicle from above, to scale: outline, wheels, screen, boxes and drive. */
export const VehiclePlan = memo(Plan, equal);

function Plan({ vehicle, parts, perMm, noseUp = false, marks = [], title, moving = null }: Props) {
  const dragOf = useBoxDrag(moving);
  const l = lengthsOf(vehicle);
  const pad = 120;
  const long = l.rearX - l.frontX + 2 * pad;
  const wide = l.width + 2 * pad;
  const [w, h] = noseUp ? [wide, long] : [long, wide];
  const turn = noseUp ? `translate(${w / 2} ${pad - l.frontX}) rotate(90)` : `translate(${pad - l.frontX} ${h / 2})`;
  const stroke = 1.3 / perMm;
  const wheels = [0, l.wheelbase].flatMap((x) =>
    [-1, 1].map((side) => ({ x, y: side * (l.width / 2 - l.tyreWidth * 0.22) })),
  );
  const screenX = l.frontX + vehicle.variant.shape.bonnetMm;
  return (
    <svg
      width={w * perMm}
      height={h * perMm}
      viewBox={`0 0 ${w} ${h}`}
      role={moving ? 'group' : 'img'}
      aria-label={title}
      style={{ maxWidth: '100%', display: 'block' }}
    >
      <g transform={turn}>
        {wheels.map(({ x, y }) => (
          <rect
            key={`${x}${y}`}
            x={x - l.wheel / 2}
            y={y - l.tyreWidth / 2}
            width={l.wheel}
            height={l.tyreWidth}
            rx={40}
            fill="var(--metal)"
          />
        ))}
        <path d={planPath(vehicle)} fill="var(--sheet)" stroke="var(--soft)" strokeWidth={stroke} />
        <path
          d={`M ${screenX} ${-l.width * 0.36} Q ${screenX - 150} 0 ${screenX} ${l.width * 0.36} L ${screenX + 210} ${l.width * 0.32} Q ${screenX + 110} 0 ${screenX + 210} ${-l.width * 0.32} Z`}
          fill="var(--glass)"
        />
        {moving &&
          vehicle.variant.bays.map((bay) => (
            <rect
              key={bay.key}
              x={bay.xMm - bay.lengthMm / 2}
              y={bay.yMm - bay.widthMm / 2}
              width={bay.lengthMm}
              height={bay.widthMm}
              fill="none"
              stroke="var(--mist)"
              strokeWidth={stroke}
              strokeDasharray={`${5 / perMm} ${4 / perMm}`}
            />
          ))}
        {[...parts]
          .sort((a) => (a.kind === 'drive' ? -1 : 1))
          .map((part) => {
            const drive = part.kind === 'drive';
            const colour = part.tooBig ? 'var(--stop)' : drive ? 'var(--primary)' : 'var(--hv)';
            return (
              <g
                key={part.key}
                {...(drive ? {} : dragOf(part.key))}
                {...(moving && !drive ? { 'aria-label': `${part.label} box: arrow keys move it` } : {})}
                data-box={drive ? undefined : part.key}
              >
                <rect
                  x={part.x - part.length / 2}
                  y={part.y - part.width / 2}
                  width={part.length}
                  height={part.width}
                  rx={18}
                  fill={drive ? 'var(--drive)' : 'var(--sheet)'}
                  stroke={colour}
                  strokeWidth={stroke * 1.6}
                  {...(part.tooBig || !part.fitted ? { strokeDasharray: `${5 / perMm} ${3 / perMm}` } : {})}
                />
                {moving && !(drive && parts.some((other) => covers(other, part))) && (
                  <text
                    x={part.x}
                    y={part.y + 4 / perMm}
                    textAnchor="middle"
                    fontSize={12 / perMm}
                    fill={drive ? 'var(--bar)' : 'var(--hv-ink)'}
                  >
                    {part.label}
                  </text>
                )}
              </g>
            );
          })}
        {marks.map((mark) => (
          <circle
            key={mark.label}
            cx={mark.x}
            cy={mark.y}
            r={4.5 / perMm}
            fill={mark.good ? 'var(--sheet)' : 'var(--stop)'}
            stroke={mark.good ? 'var(--ink)' : 'var(--stop)'}
            strokeWidth={stroke * 1.4}
          >
            <title>{mark.label}</title>
          </circle>
        ))}
      </g>
    </svg>
  );
}
