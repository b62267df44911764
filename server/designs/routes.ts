import { and, eq, sql } from 'drizzle-orm';
import { designChangeSchema, newDesignSchema } from '../../contract/design.ts';
import type { DesignInputs } from '../../core/design/inputs.ts';
import { arrangeModules } from '../../core/pack/arrange.ts';
import type { Tx } from '../db/connect.ts';
import { bay, component, design, job, vehicle } from '../db/schema/index.ts';
import { endpoint } from '../endpoint.ts';
import { jobByNumber } from '../jobs/queries.ts';
import { badInput, notFound, stale } from '../problems.ts';

/** Refuses boxes in bays this variant does not have, and more modules than a bay takes. */
async function refuseImpossible(tx: Tx, vehicleId: string, inputs: DesignInputs): Promise<void> {
  const bays = await tx
    .select({ bay })
    .from(vehicle)
    .innerJoin(bay, eq(bay.variantId, vehicle.variantId))
    .where(eq(vehicle.id, vehicleId));
  const [module] = inputs.moduleId ? await tx.select().from(component).where(eq(component.id, inputs.moduleId)) : [];
  const faults: Record<string, string> = {};
  inputs.boxes.forEach((box, i) => {
    const place = bays.find((row) => row.bay.name === box.bay)?.bay;
    if (!place) faults[`inputs.boxes.${i}.bay`] = `This variant has no bay “${box.bay}”.`;
    else if (module) {
      const { most } = arrangeModules(module, box.modules, place);
      if (box.modules > most)
        faults[`inputs.boxes.${i}.modules`] =
          `${box.modules} modules do not go into the ${box.bay} bay: it takes ${most}.`;
    }
  });
  const modules = inputs.boxes.reduce((sum, box) => sum + box.modules, 0);
  if (modules > 0 && modules % inputs.strings !== 0) {
    faults['inputs.strings'] = `${modules} modules do not make ${inputs.strings} equal strings.`;
  }
  if (Object.keys(faults).length > 0) throw badInput(faults);
}

async function designById(tx: Tx, id: string) {
  const [row] = await tx
    .select({ design, number: job.number, vehicleId: job.vehicleId })
    .from(design)
    .innerJoin(job, eq(job.id, design.jobId))
    .where(eq(design.id, id));
  if (!row) throw notFound('design');
  return row;
}

export const designEndpoints = [
  endpoint({
    method: 'post',
    path: '/jobs/:number/designs',
    may: 'technician',
    body: newDesignSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        await refuseImpossible(tx, stored.vehicleId, body.inputs);
        const [row] = await tx
          .insert(design)
          .values({ ...body, jobId: stored.id })
          .returning();
        await log({
          what: `made design ${body.name}`,
          resource: 'design',
          id: row!.id,
          job: stored.number,
          after: row,
        });
        return { id: row!.id };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/designs/:id',
    may: 'technician',
    body: designChangeSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const before = await designById(tx, params.id!);
        await refuseImpossible(tx, before.vehicleId, body.inputs);
        const [after] = await tx
          .update(design)
          .set({ name: body.name, inputs: body.inputs, version: sql`${design.version} + 1` })
          .where(and(eq(design.id, params.id!), eq(design.version, body.version)))
          .returning();
        if (!after) throw stale((await designById(tx, params.id!)).design);
        await log({
          what: `changed design ${after.name}`,
          resource: 'design',
          id: after.id,
          job: before.number,
          before: before.design,
          after,
        });
        return { version: after.version };
      }),
  }),
];
