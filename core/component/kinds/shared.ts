import { choice, number, optional, rows, text } from '../field.ts';

/** On which buses it speaks, how fast, and whether it commands there. */
export const BUSES = rows(
  'Buses',
  {
    bus: text('Bus', 40),
    kbps: number('Rate, kbit/s', 'coefficient', 1, 10_000),
    role: choice('Role', ['commands', 'obeys', 'listens']),
    endOhm: optional(number('Resistor across it, Ω', 'coefficient', 1, 10_000)),
  },
  0,
  12,
  { meaning: 'one part commands on a bus; all on it speak at one rate' },
);

/** What it needs beside it to work: a contactor, diodes, a cut-out, a mate with seal and pins. */
export const COMPANIONS = rows(
  'Needs beside it',
  {
    what: text('What', 80),
    component: text('Component that is it, by id', 60, { meaning: 'or one of its alternatives' }),
  },
  0,
  20,
);

/**
 * What it stands over what it carries for good, by how long: for a fuse, without opening. Without them nobody has said.
 */
export const SHORT_TIME = rows(
  'Stands for a while',
  {
    amps: number('Current', 'current', 0.1, 100_000),
    seconds: number('For', 'duration', 0.001, 86_400),
  },
  0,
  40,
  { meaning: 'points of its time–current curve, beyond what it carries for good; a fuse: without opening' },
);
