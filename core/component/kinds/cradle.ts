import { number, rows, text } from '../field.ts';

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
} as const;
