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
self.onmessage = ({ data }: MessageEvent<RouteRequest>) => {
  const points = readGpx(data.text);
  const route = typeof points === 'string' ? points : routeFrom(points, { limits: data.limits });
  const answer: RouteAnswer =
    typeof route === 'string'
      ? { problem: route }
      : { route: packRoute({ ...route, name: route.name || data.fileName.replace(/\.gpx$/i, '').slice(0, 60) }) };
  self.postMessage(answer);
};
