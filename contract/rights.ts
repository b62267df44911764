import type { JobAction } from '../core/job/states.ts';

/** From the least to the most. */
export const ROLES = ['viewer', 'technician', 'manager'] as const;
export type Role = (typeof ROLES)[number];

/** Least role for each thing that is done to a job; a test holds every address of the server to it. */
export const LEAST_ROLE: Record<JobAction, Role> = {
  brief: 'manager',
  use: 'manager',
  route: 'technician',
  weigh: 'technician',
  measure: 'technician',
  design: 'technician',
  chooseDesign: 'manager',
  sellDesign: 'manager',
  kit: 'manager',
  cover: 'technician',
  decide: 'manager',
  parts: 'technician',
  stages: 'manager',
  clockOn: 'technician',
  clockOff: 'technician',
  confirmLive: 'technician',
  reading: 'technician',
  decideReading: 'manager',
  finish: 'technician',
  snag: 'technician',
  sign: 'technician',
  move: 'manager',
  evidence: 'manager',
  register: 'technician',
  lesson: 'technician',
  offer: 'manager',
  wish: 'technician',
  cost: 'manager',
  state: 'manager',
};

/** Has this role the rights of that one? */
export const hasRole = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);
