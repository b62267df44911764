import { and, eq } from 'drizzle-orm';
import type { ResolveInput } from '../../core/design/resolve.ts';
import { jobFigureInput } from '../../core/job/jobFigures.ts';
import { unpackRoute } from '../../core/road/packedRoute.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import type { StoredJob } from '../change.ts';
import type { Config } from '../config.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { design, partLine, stage } from '../db/schema/index.ts';
import { allComponents, allKitRevisions, allVariants } from '../library/queries.ts';
import { vehicleById } from '../vehicles/queries.ts';
import { routeOf } from './queries.ts';

export interface JobInput {
  readonly input: ResolveInput;
  readonly design: typeof design.$inferSelect | null;
}

/** What the figures of a job's chosen design, or of another one of it, are computed from. */
export async function figureInputOfJob(
  db: Db | Tx,
  stored: StoredJob,
  config: Pick<Config, 'rateCents' | 'hoursPerDay'>,
  today: string,
  designId: string | null = stored.chosenDesignId,
): Promise<JobInput> {
  const info = one(
    [await vehicleById(db, stored.vehicleId)].filter((found) => found !== null),
    'vehicle',
  );
  const variant = one(
    (await allVariants(db)).filter((candidate) => candidate.id === info.variantId),
    'vehicle model',
  );
  const components = await allComponents(db);
  const revision = stored.kitRevisionId
    ? (await allKitRevisions(db)).find((candidate) => candidate.id === stored.kitRevisionId)
    : undefined;
  const packed = await routeOf(db, stored.id);
  const wanted = designId
    ? one(
        await db
          .select()
          .from(design)
          .where(and(eq(design.id, designId), eq(design.jobId, stored.id))),
        'design',
      )
    : null;
  const input = jobFigureInput(
    {
      library: new Map(components.map((part) => [part.id, part])),
      free: new Map(components.map((part) => [part.id, part.free])),
      vehicle: vehicleState(variant, info.measured, info.weighings[0] ?? null),
      use: stored.use,
      route: packed && unpackRoute(packed),
      facts: {
        kit: revision ? { revision, options: stored.kitOptions } : null,
        stages: await db
          .select({ state: stage.state, hours: stage.hours })
          .from(stage)
          .where(eq(stage.jobId, stored.id)),
        parts: await db
          .select({ state: partLine.state, due: partLine.due })
          .from(partLine)
          .where(eq(partLine.jobId, stored.id)),
        rates: config,
        today,
      },
    },
    wanted?.inputs ?? null,
  );
  return { input, design: wanted };
}
