import { expose } from 'comlink';
import { type PackedRoute, packRoute } from '../../core/road/packedRoute.ts';
import { type GpxProblem, readGpx } from '../../core/road/readGpx.ts';
import { type RouteProblem, routeFrom } from '../../core/road/route.ts';
import type { SpeedLimit } from '../../core/road/speedsUnderLimits.ts';

export interface RouteRequest {
  readonly text: string;
  readonly fileName: string;
  readonly limits: readonly SpeedLimit[];
}

export type RouteAnswer = { readonly route: PackedRoute } | { readonly problem: GpxProblem | RouteProblem };

/** Reads a GPX file away from the page, so that a big one does not hold it up. */
export function read({ text, fileName, limits }: RouteRequest): RouteAnswer {
  const points = readGpx(text);
  const route = typeof points === 'string' ? points : routeFrom(points, { limits });
  return typeof route === 'string'
    ? { problem: route }
    : { route: packRoute({ ...route, name: route.name || fileName.replace(/\.gpx$/i, '').slice(0, 60) }) };
}

expose({ read });
