import type { JobPiece } from './job.ts';

/** Kinds of things that events tell of. */
export type EventResource =
  | 'job'
  | 'use'
  | 'route'
  | 'brief'
  | 'vehicle'
  | 'design'
  | 'fit'
  | 'match'
  | 'took'
  | 'parts'
  | 'stage'
  | 'hours'
  | 'tool'
  | 'condition'
  | 'snag'
  | 'check'
  | 'component'
  | 'variant'
  | 'workshop'
  | 'person'
  | 'plan'
  | 'file'
  | 'client'
  | 'kit'
  | 'lesson'
  | 'register'
  | 'order'
  | 'stock'
  | 'purchase'
  | 'offer'
  | 'sale'
  | 'workPlan';

/**
 * The one table from what happened to what a page asks for again. A clock-on may begin the building and a finished stage
 * end it, so stages bring the head along; what bumps the version of the job does too. A job that is over holds no parts any more.
 */
export const PIECES_OF: Readonly<Record<EventResource, readonly JobPiece[]>> = {
  job: ['head', 'brief', 'parts'],
  use: ['head'],
  route: ['route', 'head'],
  brief: ['brief'],
  vehicle: ['vehicle'],
  design: ['designs', 'head'],
  fit: ['decisions', 'head'],
  took: ['head', 'stages', 'parts'],
  match: ['decisions', 'head', 'stages', 'parts', 'designs'],
  parts: ['parts'],
  stage: ['stages', 'head'],
  hours: ['stages'],
  tool: [],
  condition: [],
  snag: ['snags'],
  check: ['checks'],
  component: [],
  variant: [],
  workshop: [],
  person: [],
  plan: [],
  file: [],
  client: ['head'],
  kit: [],
  lesson: ['lessons'],
  register: ['register', 'head'],
  order: [],
  stock: ['parts'],
  purchase: [],
  offer: ['head', 'designs', 'parts', 'stages'],
  sale: [],
  workPlan: ['head'],
};

/** What a change touched, as the answer to it tells in its heading. */
export interface Touched {
  /** Null for what belongs to no job. */
  readonly job: string | null;
  readonly resource: EventResource;
}

/** When it was done, by the clock of whoever sends it, and what that clock shows at sending. */
export const MADE_HEADING = 'Dajo-Made-At';
export const CLOCK_HEADING = 'Dajo-Clock';
/** Whose doing it is, by id: whoever did it may not be who is signed in when it arrives. */
export const PERSON_HEADING = 'Dajo-Person';

export const TOUCHED_HEADING = 'Dajo-Touched';

/** Stands for the job where there is none. */
const NO_JOB = '-';

/** "26-101 stage, 26-101 snag" */
export const touchedText = (touched: readonly Touched[]): string =>
  touched.map(({ job, resource }) => `${job ?? NO_JOB} ${resource}`).join(', ');

/** Reads the heading back; what this page does not know is left out. */
export function readTouched(text: string): Touched[] {
  return text.split(', ').flatMap((one) => {
    const [job = '', resource = ''] = one.split(' ');
    return resource in PIECES_OF ? [{ job: job === NO_JOB ? null : job, resource: resource as EventResource }] : [];
  });
}
