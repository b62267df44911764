import { choice, group, number, optional, rows, text } from '../field.ts';

/** Cradle: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const cradle = {
  picks: rows(
    'Mounting points it picks up',
    {
      point: text('Point'),
      xMm: number('Aft', 'length', -5000, 20_000),
      yMm: number('To the right', 'length', -3000, 3000),
      zMm: number('Up', 'length', -3000, 5000),
      slotMm: number('Slot travel', 'length', 0, 500, { meaning: 'how far the slot lets it slide, either way' }),
      thread: text('Thread'),
    },
    0,
    40,
  ),
  carries: optional(text('Box it carries', 60, { meaning: 'the bay of the box that moves with it' })),
  aim: optional(
    group('Where its drive turns', {
      xMm: number('Output, aft', 'length', -5000, 20_000),
      zMm: number('Output, up', 'length', 0, 3000),
      alongMm: number('Half shaft, between its joints', 'length', 1, 3000),
      limitDeg: optional(number('Angle the joint stands, degrees', 'coefficient', 0, 60)),
      mostDeg: optional(number('Most it turns, degrees', 'coefficient', 0, 60)),
      travelMm: optional(number('Travel of the joint', 'length', 0, 300)),
    }),
  ),
  handed: optional(choice('Made for steering at the', ['left', 'right', 'either'])),
} as const;
