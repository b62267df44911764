import { and, eq } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { BriefLine } from '../../core/brief/lines.ts';
import type { ResolveInput } from '../../core/design/resolve.ts';
import { type CoverLine, jobCover } from '../../core/fit/cover.ts';
import { jobFigureInput } from '../../core/job/jobFigures.ts';
import { unpackRoute } from '../../core/road/packedRoute.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { design } from '../db/schema/index.ts';
import { kitRevisionOf } from './kitRevisions.ts';
import { componentsAtHand } from './library.ts';
import { headOf, partOf } from './sheet.ts';
import { variantsOf } from './variants.ts';

export interface JobInput {
  readonly input: ResolveInput;
  readonly brief: readonly BriefLine[];
  readonly design: typeof design.$inferSelect | null;
  /** How the job's kit and its own choices cover the functions; null while it has no kit. */
  readonly cover: readonly CoverLine[] | null;
}

/** What the figures of a job's chosen design, or of another one of it, are computed from. */
export async function figureInputOfJob(
  db: Db | Tx,
  stored: StoredJob,
  workshop: Pick<Workshop, 'rateCents' | 'hoursPerDay' | 'workingDays' | 'practice' | 'taxShare'>,
  today: string,
  designId: string | null = stored.chosenDesignId,
): Promise<JobInput> {
  const which = { id: stored.id };
  const info = await partOf(db, which, 'vehicle');
  const variant = one(await variantsOf(db, [info.variantId]), 'vehicle model');
  // What the page has at hand: whatever is chosen by itself comes out the same.
  const { components } = await componentsAtHand(db);
  const revision = await kitRevisionOf(db, stored.kitRevisionId);
  const packed = await partOf(db, which, 'route');
  const wanted = designId
    ? one(
        await db
          .select()
          .from(design)
          .where(and(eq(design.id, designId), eq(design.jobId, stored.id))),
        'design',
      )
    : null;
  const head = await headOf(db, which);
  const brief = await partOf(db, which, 'brief');
  const input = jobFigureInput(
    {
      library: new Map(components.map((part) => [part.id, part])),
      free: new Map(components.map((part) => [part.id, part.free])),
      vehicle: vehicleState(variant, info.measured, info.weighings[0] ?? null),
      use: stored.use,
      brief,
      route: packed && unpackRoute(packed),
      facts: {
        kit: revision ? { revision, options: stored.kitOptions, variantId: variant.id } : null,
        stages: await partOf(db, which, 'stages'),
        parts: await partOf(db, which, 'parts'),
        rates: workshop,
        matchHours: head.matchHours,
        planned: head.planned,
        today,
      },
      register: await partOf(db, which, 'register'),
    },
    wanted?.inputs ?? null,
  );
  const kit = revision ? { revision, options: stored.kitOptions } : null;
  return { input, brief, design: wanted, cover: jobCover(input.library, variant.id, kit, stored.cover) };
}
