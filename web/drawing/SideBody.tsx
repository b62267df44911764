import type { VehicleState } from '../../core/vehicle/state.ts';
import { lengthsOf, type Point, sideOutline, sideWindow } from './outline.ts';

const path = (points: readonly Point[], top: number) =>
  `${points.map(([x, z], i) => `${i ? 'L' : 'M'} ${x} ${top - z}`).join(' ')} Z`;

interface Props {
  readonly vehicle: VehicleState;
  /** Where the ground lies in the drawing, mm down. */
  readonly top: number;
  readonly stroke: number;
  /** How far the ground goes beyond the vehicle, mm. */
  readonly pad: number;
  /** What lies underneath shows through. @default false */
  readonly clear?: boolean;
}

/** Body, window, ground and wheels of a vehicle from the side, in millimetres of the vehicle. */
export function SideBody({ vehicle, top, stroke, pad, clear = false }: Props) {
  const l = lengthsOf(vehicle);
  const window = sideWindow(vehicle);
  return (
    <>
      <path
        d={path(sideOutline(vehicle), top)}
        fill="var(--ground)"
        fillOpacity={0.35}
        stroke="var(--soft)"
        strokeWidth={stroke}
        strokeLinejoin="round"
      />
      {window && (
        <path
          d={path(window, top)}
          fill="var(--glass)"
          fillOpacity={clear ? 0.6 : 1}
          stroke="var(--hairline)"
          strokeWidth={stroke * 0.7}
        />
      )}
      <line
        x1={l.frontX - pad}
        x2={l.rearX + pad}
        y1={top}
        y2={top}
        stroke="var(--hairline)"
        strokeWidth={stroke * 0.8}
      />
      {[0, l.wheelbase].map((x) => (
        <circle
          key={x}
          cx={x}
          cy={top - l.wheel / 2}
          r={l.wheel / 2 - 24}
          fill={clear ? 'none' : 'var(--sheet)'}
          stroke="var(--metal)"
          strokeWidth={52}
        />
      ))}
    </>
  );
}
