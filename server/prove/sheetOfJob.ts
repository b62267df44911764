import { eq } from 'drizzle-orm';
import { EMPTY_DESIGN } from '../../core/design/inputs.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet, type FigureSheet } from '../../core/figures/evaluate.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { unpackRoute } from '../../core/road/packedRoute.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import type { Config } from '../config.ts';
import type { Db, Tx } from '../db/connect.ts';
import { design } from '../db/schema/index.ts';
import { type jobByNumber, routeOf } from '../jobs/queries.ts';
import { allComponents, allVariants } from '../library/queries.ts';
import { notFound } from '../problems.ts';
import { vehicleById } from '../vehicles/queries.ts';

export interface JobFigures {
  readonly sheet: FigureSheet;
  readonly design: typeof design.$inferSelect | null;
}

/** The figures of a job's chosen design, or of another one of it, computed by the same catalogue as in the page. */
export async function sheetOfJob(
  db: Db | Tx,
  stored: Awaited<ReturnType<typeof jobByNumber>>,
  config: Config,
  today: string,
  designId: string | null = stored.chosenDesignId,
): Promise<JobFigures> {
  const info = await vehicleById(db, stored.vehicleId);
  const variant = (await allVariants(db)).find((candidate) => candidate.id === info?.variantId);
  if (!info || !variant) throw notFound('vehicle');
  const [chosen] = designId ? await db.select().from(design).where(eq(design.id, designId)) : [];
  const library = new Map((await allComponents(db)).map((part) => [part.id, part]));
  const packed = await routeOf(db, stored.id);
  const slots = resolveDesign({
    design: chosen?.inputs ?? EMPTY_DESIGN,
    library,
    vehicle: vehicleState(variant, info.measured, info.weighings[0] ?? null),
    use: stored.use,
    route: packed && unpackRoute(packed),
    newHoles: null,
    work: {
      labourHours: null,
      rateCents: config.rateCents,
      todayDay: dayNumber(today),
      latestPartDay: null,
      remainingHours: null,
      hoursPerDay: config.hoursPerDay,
    },
  });
  return { sheet: createSheet(slots), design: chosen ?? null };
}
