import { choice, count, flag, optional, text } from '../field.ts';

/** Battery box: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const box = {
  holds: count('Modules it holds', 0, 400),
  bay: text('Bay it is made for'),
  sealed: optional(flag('Sealed against the cabin')),
  vented: optional(flag('Vent that equalises and relieves, led outside')),
  reach: optional(flag('Fuse and management reached without taking it out')),
  handed: optional(choice('Made for steering at the', ['left', 'right', 'either'])),
} as const;
