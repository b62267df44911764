import Joi from 'joi';
import type { RouteNote, RouteNoteCode } from '../core/road/cleanTrack.ts';
import type { PackedRoute } from '../core/road/packedRoute.ts';
import { LONGEST_ROUTE_S } from '../core/road/route.ts';
import { address, answers } from './address.ts';
import { USUAL_BOUNDS } from './bounds.ts';
import type { Versioned } from './fields.ts';
import { type Mutable, number, text, version, whole } from './fields.ts';

const NOTE_CODES: readonly RouteNoteCode[] = [
  'badPositions',
  'duplicates',
  'jumps',
  'noElevation',
  'elevationGaps',
  'noTimes',
  'timesOutOfOrder',
  'timeGaps',
  'parked',
];

/**
 * Whole numbers, one a second. Looked at in one loop: the longest route has eighty thousand, and the schema library
 * would take a third of a second over them.
 */
const samples = (label: string, min: number, max: number) =>
  Joi.any()
    .custom((value: unknown, helpers) => {
      if (!Array.isArray(value)) return helpers.error('array.base');
      if (value.length < 2 || value.length > LONGEST_ROUTE_S + 1)
        return helpers.error('string.pattern.name', { name: `has 2 to ${LONGEST_ROUTE_S + 1} entries` });
      for (const one of value as unknown[]) {
        if (!Number.isInteger(one) || (one as number) < min || (one as number) > max)
          return helpers.error('string.pattern.name', { name: `has whole numbers from ${min} to ${max}` });
      }
      return value;
    })
    .label(label) as unknown as Joi.ArraySchema<number[]>;

export const routeSchema = Joi.object<Mutable<PackedRoute>, true>({
  name: text('Name of the route', 60).allow('').required(),
  speedCms: samples('Speeds', 0, 10_000).required(),
  gradeE4: samples('Grades', -10_000, 10_000).required(),
  startM: number('Height at the start', -500, 9000).required(),
  distanceM: number('Length', 1, 5_000_000).required(),
  climbM: number('Climb', 0, 100_000).required(),
  track: Joi.array()
    .items(Joi.array().ordered(Joi.number().min(-90).max(90).required(), Joi.number().min(-180).max(180).required()))
    .max(2000)
    .label('Track')
    .required() as unknown as Joi.ArraySchema<Mutable<PackedRoute['track']>>,
  notes: Joi.array()
    .items(
      Joi.object<RouteNote, true>({
        code: Joi.string()
          .valid(...NOTE_CODES)
          .required(),
        count: whole('Count', 0, 10_000_000).required(),
      }),
    )
    .max(20)
    .label('Notes')
    .required(),
})
  .custom((route: PackedRoute, helpers) =>
    route.speedCms.length === route.gradeE4.length
      ? route
      : helpers.error('string.pattern.name', { name: 'needs as many grades as speeds' }),
  )
  .label('Route');

export interface RouteChange {
  readonly route: PackedRoute | null;
  readonly version: number;
}
/** Sets the recorded route of a job, or takes it away with null. The version is the job's. */
const routeChangeSchema = Joi.object<RouteChange>({
  route: routeSchema.allow(null).required(),
  version,
});

/** An hour is 7 200 numbers, the longest route twelve times that. */
const ROUTE_SIZE = { bytes: 1_000_000, bounds: { ...USUAL_BOUNDS, values: 100_000 } };

export const routeAddress = {
  change: address({
    method: 'put',
    path: '/jobs/:number/route',
    act: 'route',
    body: routeChangeSchema,
    size: ROUTE_SIZE,
    answer: answers<Versioned>(),
  }),
} as const;
