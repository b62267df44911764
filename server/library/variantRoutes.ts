import { eq } from 'drizzle-orm';
import { variantAddress } from '../../contract/variants.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import { one } from '../db/one.ts';
import { variant, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound, Stale } from '../problems.ts';
import { addVariant, changeVariant, lockModels } from '../read/variantStore.ts';
import { familyOf, variantOf, variantsOf } from '../read/variants.ts';

export const variantEndpoints = [
  serve(variantAddress.list, ({ db }) => variantsOf(db)),
  serve(variantAddress.family, async ({ db, params }) => {
    const family = await familyOf(db, params.variant);
    if (family.length === 0) throw new NotFound('vehicle model');
    return family;
  }),
  serve(variantAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      await lockModels(tx);
      const id = await addVariant(tx, body);
      const what = `took ${body.modelName} ${body.name} into the library`;
      await log({ what, resource: 'variant', id, after: body });
      return { id };
    }),
  ),
  serve(variantAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await lockModels(tx);
      const stored = one(
        await tx.select().from(variant).where(eq(variant.id, params.variant)).for('update'),
        'vehicle model',
      );
      const before = await variantOf(tx, stored.id);
      if (stored.version !== body.version) throw new Stale(before);
      const { id, version, how } = await changeVariant(tx, stored, body.variant);
      const { name } = body.variant;
      const what = how === 'revision' ? `made a new revision of ${name}` : `changed ${name}`;
      await log({ what, resource: 'variant', id, before, after: body.variant });
      return { id, version };
    }),
  ),
  serve(variantAddress.take, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      const stored = one(
        await tx.select().from(vehicle).where(eq(vehicle.id, job.vehicleId)).for('no key update'),
        'vehicle',
      );
      if (stored.variantId !== body.was) throw new Stale({ variantId: stored.variantId });
      one(await tx.select({ id: variant.id }).from(variant).where(eq(variant.id, body.variantId)), 'vehicle model');
      if (rootOf(body.variantId) !== rootOf(stored.variantId))
        throw new BadInput({ variantId: 'This is another model. A vehicle takes a newer revision of its own.' });
      await tx.update(vehicle).set({ variantId: body.variantId }).where(eq(vehicle.id, stored.id));
      await log({
        what: 'took the newer revision of the model',
        resource: 'vehicle',
        id: stored.id,
        job: job.number,
        before: { variantId: body.was },
        after: { variantId: body.variantId },
      });
      return { id: body.variantId };
    }),
  ),
];
