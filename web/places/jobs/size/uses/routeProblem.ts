import type { RouteProblem } from '../../../../../core/road/route.ts';

/** Why a file could not become a route. */
export const ROUTE_PROBLEM: Record<RouteProblem | 'notGpx' | 'noPoints' | 'tooBig', string> = {
  notGpx: 'This is not a GPX file. Export the track from the recorder as GPX and drop that.',
  noPoints: 'This GPX file has no track points and no route points.',
  tooFewPoints: 'Fewer than two points of this file can be used.',
  noLength: 'The points of this file all lie at one place: there is no way to drive.',
  tooLong: 'This recording drives for over twelve hours. Cut it to one day of work and drop it again.',
  tooBig: 'This file is over 100 MB. Cut the recording and drop it again.',
};
