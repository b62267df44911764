import { eq } from 'drizzle-orm';
import { routeAddress } from '../../contract/route.ts';
import { route } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { changeJob } from './versioned.ts';

export const recordedRouteEndpoints = [
  serve(routeAddress.change, ({ change, params, body }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { before, after } = await changeJob(work, params.number, body.version, () => ({}));
      if (body.route === null) await tx.delete(route).where(eq(route.jobId, before.id));
      else {
        await tx
          .insert(route)
          .values({ jobId: before.id, body: body.route })
          .onConflictDoUpdate({ target: route.jobId, set: { body: body.route } });
      }
      // The samples stay out of the event: they are long, and the newest are in the table.
      await log({
        what: body.route ? `loaded the route ${body.route.name || 'without a name'}` : 'took the route away',
        resource: 'route',
        id: after.id,
        job: after.number,
        after: body.route && { name: body.route.name, distanceM: body.route.distanceM, climbM: body.route.climbM },
      });
      return { version: after.version };
    }),
  ),
];
