import { STEPS } from './steps.ts';

/**
 * Every key of the application, once: what listens asks here for its keys, and the list a person opens is printed from
 * here. Keys without `press` belong to what has the focus (a box on a drawing).
 */
export const KEYS = {
  find: { press: ['/'], shown: '/', does: 'find a job, vehicle or part' },
  places: {
    press: ['alt+f', 'alt+j', 'alt+k', 'alt+m', 'alt+c', 'alt+s', 'alt+l', 'alt+p'],
    shown: 'Alt F, J, K, M, C, S, L, P',
    does: 'Floor, Jobs, Kits, Models, Components, Stores, Plan, People',
  },
  steps: {
    press: STEPS.map((step) => step.key as string),
    shown: STEPS.map((step) => step.key).join(' '),
    does: STEPS.map((step) => step.name).join(', '),
  },
  bench: { press: ['b'], shown: 'B', does: 'bench of this job' },
  clock: { press: ['c'], shown: 'C', does: 'clock on or off' },
  units: { press: ['u'], shown: 'U', does: 'units: metric, UK road, US' },
  working: { press: ['w'], shown: 'W', does: 'show working of the focused figure' },
  undo: { press: ['z'], shown: 'Ctrl Z, Ctrl ⇧ Z', does: 'step back and forth in a design' },
  move: { press: [] as string[], shown: 'arrows', does: 'move the focused box by 10 mm, with ⇧ by 50' },
  list: { press: ['?'], shown: '?', does: 'this list' },
} as const;
