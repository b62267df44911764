import { eq, like, sql } from 'drizzle-orm';
import { variantAddress } from '../../contract/variants.ts';
import { nextRevision, rootOf } from '../../core/vehicle/revisions.ts';
import type { VariantBody } from '../../core/vehicle/variantProblems.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { bay, maker, model, mountingPoint, passThrough, variant, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound, RuleBroken, Stale } from '../problems.ts';
import { freeId } from '../read/freeId.ts';
import { familyOf, namedVariants, variantOf, variantsOf } from '../read/variants.ts';

/** Makers, models and revisions are made one at a time: of two of one name the first is taken by both. */
const LIBRARY_LOCK = sql`select pg_advisory_xact_lock(4417031)`;

async function makerNamed(tx: Tx, name: string): Promise<string> {
  const [known] = await tx.select({ id: maker.id }).from(maker).where(sql`lower(${maker.name}) = lower(${name})`);
  if (known) return known.id;
  const id = await freeId(name, async (wanted) => (await tx.$count(maker, eq(maker.id, wanted))) > 0);
  await tx.insert(maker).values({ id, name });
  return id;
}

async function modelNamed(tx: Tx, makerName: string, name: string): Promise<string> {
  const makerId = await makerNamed(tx, makerName);
  const [known] = await tx
    .select({ id: model.id })
    .from(model)
    .where(sql`${model.makerId} = ${makerId} and lower(${model.name}) = lower(${name})`);
  if (known) return known.id;
  const id = await freeId(`${makerName} ${name}`, async (wanted) => (await tx.$count(model, eq(model.id, wanted))) > 0);
  await tx.insert(model).values({ id, makerId, name });
  return id;
}

/** Writes what belongs to a variant: its row is there already. */
async function writeParts(tx: Tx, variantId: string, body: VariantBody): Promise<void> {
  for (const table of [mountingPoint, bay, passThrough]) await tx.delete(table).where(eq(table.variantId, variantId));
  if (body.mountingPoints.length > 0)
    await tx.insert(mountingPoint).values(body.mountingPoints.map((row) => ({ ...row, variantId })));
  if (body.bays.length > 0) await tx.insert(bay).values(body.bays.map((row) => ({ ...row, variantId })));
  if (body.passThroughs.length > 0)
    await tx
      .insert(passThrough)
      .values(body.passThroughs.map(({ from, to, ...row }) => ({ ...row, fromPlace: from, toPlace: to, variantId })));
}

/** The row of a variant: what has no table of its own is one sheet. */
async function rowOf(tx: Tx, body: VariantBody) {
  const { makerName, modelName, name, mountingPoints: _, bays: __, passThroughs: ___, ...sheet } = body;
  return { modelId: await modelNamed(tx, makerName, modelName), name, sheet };
}

async function holdFreeName(
  tx: Tx,
  body: VariantBody,
  root: string | null,
  field: 'name' | 'variant.name',
): Promise<void> {
  const same = (await namedVariants(tx)).find(
    (row) =>
      rootOf(row.id) !== root &&
      [row.makerName, row.modelName, row.name].join().toLowerCase() ===
        [body.makerName, body.modelName, body.name].join().toLowerCase(),
  );
  if (same) throw new BadInput({ [field]: 'The library has a variant of this name.' });
}

export const variantEndpoints = [
  serve(variantAddress.list, ({ db }) => variantsOf(db)),
  serve(variantAddress.family, async ({ db, params }) => {
    const family = await familyOf(db, params.variant);
    if (family.length === 0) throw new NotFound('vehicle model');
    return family;
  }),
  serve(variantAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      await tx.execute(LIBRARY_LOCK);
      await holdFreeName(tx, body, null, 'name');
      const taken = async (wanted: string) => (await tx.$count(variant, eq(variant.id, wanted))) > 0;
      const id = await freeId(`${body.modelName} ${body.name}`, taken);
      await tx.insert(variant).values({ ...(await rowOf(tx, body)), id });
      await writeParts(tx, id, body);
      const what = `took ${body.modelName} ${body.name} into the library`;
      await log({ what, resource: 'variant', id, after: body });
      return { id };
    }),
  ),
  serve(variantAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await tx.execute(LIBRARY_LOCK);
      const stored = one(
        await tx.select().from(variant).where(eq(variant.id, params.variant)).for('update'),
        'vehicle model',
      );
      const before = await variantOf(tx, stored.id);
      if (stored.version !== body.version) throw new Stale(before);
      const root = rootOf(stored.id);
      const family = await tx
        .select({ id: variant.id })
        .from(variant)
        .where(like(variant.id, `${root}%`));
      const ids = family.map((row) => row.id).filter((id) => rootOf(id) === root);
      const newest = nextRevision(stored.id, ids);
      if (newest !== nextRevision(stored.id, [stored.id]))
        throw new RuleBroken('There is a newer revision of this variant. Change that one.');
      await holdFreeName(tx, body.variant, root, 'variant.name');
      const used = (await tx.$count(vehicle, eq(vehicle.variantId, stored.id))) > 0;
      const row = await rowOf(tx, body.variant);
      const id = used ? newest : stored.id;
      // What vehicles stand on stays as it is; they are offered the new revision.
      const version = stored.version + 1;
      if (used) {
        await tx.insert(variant).values({ ...row, id, version });
        await tx.update(variant).set({ version }).where(eq(variant.id, stored.id));
      } else
        await tx
          .update(variant)
          .set({ ...row, version })
          .where(eq(variant.id, id));
      await writeParts(tx, id, body.variant);
      const what = used ? `made a new revision of ${row.name}` : `changed ${row.name}`;
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
