import equal from 'fast-deep-equal';
import { memo } from 'react';
import { formatQuantity } from '../../core/quantity/format.ts';
import type { VehicleState } from '../../core/vehicle/state.ts';
import { useUnitSet } from '../data/session.tsx';
import { lengthsOf } from './outline.ts';
import type { DrawnPart } from './parts.ts';
import { SideBody } from './SideBody.tsx';
import { type BoxMoving, useBoxDrag } from './useBoxDrag.ts';

export interface AxleText {
  readonly text: string;
  readonly say: string;
  readonly over: boolean;
}

interface Props {
  readonly vehicle: VehicleState;
  readonly parts: readonly DrawnPart[];
  readonly front: AxleText;
  readonly rear: AxleText;
  readonly middle: AxleText;
  readonly centreX: number | null;
  /** Boxes can be moved: draws bays and grid, and tells about moves. */
  readonly moving?: BoxMoving | null;
}

/** Marks along the ground every 100 mm. */
function gridLines(from: number, to: number): number[] {
  const first = Math.ceil(from / 100) * 100;
  return Array.from({ length: Math.floor((to - first) / 100) + 1 }, (_, i) => first + i * 100);
}

/** The vehicle from the side, to scale, with boxes, drive, mass centre, wheelbase and axle loads under the wheels. */
export const VehicleElevation = memo(Elevation, equal);

function Elevation({ vehicle, parts, front, rear, middle, centreX, moving = null }: Props) {
  const dragOf = useBoxDrag(moving);
  const unitSet = useUnitSet();
  const l = lengthsOf(vehicle);
  const pad = 140;
  const long = l.rearX - l.frontX + 2 * pad;
  const top = l.height + 70;
  // Text is sized in mm of the drawing; the drawing is wide, so text keeps the same look for long and short vehicles.
  const letter = Math.max(long, 3600) / 43;
  const below = letter * 5.9;
  const stroke = long / 560;
  const measure = top + letter * 1.15;
  return (
    <svg
      viewBox={`${l.frontX - pad} 0 ${long} ${top + below}`}
      role={moving ? 'group' : 'img'}
      aria-label={`${vehicle.variant.modelName} from the side: front axle ${front.text}, rear axle ${rear.text}`}
      style={{ width: '100%', maxHeight: 'max(330px, 42vh)', display: 'block' }}
    >
      <SideBody vehicle={vehicle} top={top} stroke={stroke} pad={pad} />
      {moving && (
        <g stroke="var(--hairline)" fill="none">
          {gridLines(l.frontX, l.rearX).map((x) => (
            <line key={x} x1={x} x2={x} y1={top - 8} y2={top} strokeWidth={stroke * (x % 500 === 0 ? 1.2 : 0.6)} />
          ))}
          {vehicle.variant.bays.map((bay) => (
            <rect
              key={bay.key}
              x={bay.xMm - bay.lengthMm / 2}
              y={top - bay.zMm - bay.heightMm / 2}
              width={bay.lengthMm}
              height={bay.heightMm}
              strokeWidth={stroke}
              stroke="var(--mist)"
              strokeDasharray={`${stroke * 5} ${stroke * 4}`}
            />
          ))}
        </g>
      )}
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
                y={top - part.z - part.height / 2}
                width={part.length}
                height={part.height}
                rx={16}
                fill={drive ? 'var(--drive)' : 'var(--sheet)'}
                fillOpacity={0.92}
                stroke={colour}
                strokeWidth={stroke * 1.7}
                {...(part.tooBig ? { strokeDasharray: `${stroke * 6} ${stroke * 4}` } : {})}
              />
              <text
                x={part.x}
                y={top - part.z + letter * 0.3}
                textAnchor="middle"
                fontSize={letter * 0.86}
                fill={part.tooBig ? 'var(--stop)' : drive ? 'var(--bar)' : 'var(--hv-ink)'}
              >
                {part.length > part.label.length * letter * 0.46 ? part.label : (part.label.split(' ')[0] ?? '')}
              </text>
            </g>
          );
        })}
      {centreX !== null && (
        <g
          transform={`translate(${centreX} ${top - l.height * 0.42})`}
          stroke="var(--ink)"
          strokeWidth={stroke}
          fill="none"
        >
          <title>centre of mass</title>
          <circle r={letter * 0.5} fill="var(--sheet)" />
          <path d={`M ${-letter * 0.5} 0 H ${letter * 0.5} M 0 ${-letter * 0.5} V ${letter * 0.5}`} />
        </g>
      )}
      <path
        d={`M 0 ${measure - letter * 0.4} V ${measure} H ${l.wheelbase} V ${measure - letter * 0.4}`}
        fill="none"
        stroke="var(--soft)"
        strokeWidth={stroke * 0.7}
      />
      <text
        x={l.wheelbase / 2}
        y={measure + letter * 1}
        textAnchor="middle"
        fontSize={letter * 0.82}
        fill="var(--soft)"
      >
        wheelbase {formatQuantity(l.wheelbase, 'length', unitSet)}
      </text>
      {(
        [
          [0, front],
          [l.wheelbase, rear],
          [l.wheelbase / 2, middle],
        ] as const
      ).map(([x, axle]) => (
        <g key={x} textAnchor="middle">
          <text
            x={x}
            y={measure + letter * 2.75}
            fontSize={letter * 1.16}
            fontWeight={600}
            fill={axle.over ? 'var(--stop)' : 'var(--ink)'}
          >
            {axle.text}
          </text>
          <text x={x} y={measure + letter * 3.9} fontSize={letter * 0.82} fill="var(--soft)">
            {axle.say}
          </text>
        </g>
      ))}
    </svg>
  );
}
