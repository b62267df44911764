import { type KeyboardEvent, type PointerEvent, useRef } from 'react';

/** A shift on a drawing, mm, to the right and down as drawn. */
export interface DrawnShift {
  readonly right: number;
  readonly down: number;
}

/** What a drawing tells about a box that somebody moves. */
export interface BoxMoving {
  /** `from` is the shift since the box was taken up; snapped to the grid. */
  readonly onDrag: (key: string, from: DrawnShift, done: boolean) => void;
  /** Something was focused or taken up. */
  readonly onTake?: (key: string) => void;
  /** One step by arrow key. */
  readonly onNudge: (key: string, step: DrawnShift) => void;
}

/** Battery boxes sit on this grid, mm; an arrow key moves by one step, with Shift by five. */
const GRID_MM = 10;

const ARROWS: Record<string, DrawnShift> = {
  ArrowLeft: { right: -1, down: 0 },
  ArrowRight: { right: 1, down: 0 },
  ArrowUp: { right: 0, down: -1 },
  ArrowDown: { right: 0, down: 1 },
};

/**
 * Handlers for one box of an SVG drawing whose user units are millimetres: pointer drags and arrow keys. Moves are told
 * at most once a frame.
 */
export function useBoxDrag(moving: BoxMoving | null, gridMm = GRID_MM) {
  const snap = (mm: number) => Math.round(mm / gridMm) * gridMm;
  const held = useRef<{ key: string; x: number; y: number; perMm: number } | null>(null);
  const frame = useRef(0);
  const last = useRef<DrawnShift>({ right: 0, down: 0 });
  const shiftOf = (event: PointerEvent): DrawnShift => {
    const { x, y, perMm } = held.current!;
    return { right: snap((event.clientX - x) / perMm), down: snap((event.clientY - y) / perMm) };
  };
  return (key: string) =>
    moving === null
      ? {}
      : {
          tabIndex: 0,
          role: 'button',
          style: { cursor: 'grab', touchAction: 'none' } as const,
          onFocus: () => moving.onTake?.(key),
          onPointerDown: (event: PointerEvent<SVGGElement>) => {
            const scale = event.currentTarget.ownerSVGElement?.getScreenCTM()?.a;
            if (!scale) return;
            moving.onTake?.(key);
            event.currentTarget.setPointerCapture(event.pointerId);
            held.current = { key, x: event.clientX, y: event.clientY, perMm: scale };
            last.current = { right: 0, down: 0 };
          },
          onPointerMove: (event: PointerEvent<SVGGElement>) => {
            if (held.current?.key !== key) return;
            const next = shiftOf(event);
            if (next.right === last.current.right && next.down === last.current.down) return;
            last.current = next;
            if (frame.current) return;
            frame.current = requestAnimationFrame(() => {
              frame.current = 0;
              if (held.current) moving.onDrag(key, last.current, false);
            });
          },
          onPointerUp: (event: PointerEvent<SVGGElement>) => {
            if (held.current?.key !== key) return;
            const end = shiftOf(event);
            held.current = null;
            cancelAnimationFrame(frame.current);
            frame.current = 0;
            moving.onDrag(key, end, true);
          },
          onPointerCancel: () => {
            held.current = null;
          },
          onKeyDown: (event: KeyboardEvent<SVGGElement>) => {
            const arrow = ARROWS[event.key];
            if (!arrow) return;
            event.preventDefault();
            const step = gridMm * (event.shiftKey ? 5 : 1);
            moving.onNudge(key, { right: arrow.right * step, down: arrow.down * step });
          },
        };
}
