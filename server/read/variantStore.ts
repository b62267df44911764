import { eq, like, sql } from 'drizzle-orm';
import { nextRevision, rootOf } from '../../core/vehicle/revisions.ts';
import type { VariantBody } from '../../core/vehicle/variantProblems.ts';
import type { Tx } from '../db/connect.ts';
import { bay, maker, model, mountingPoint, passThrough, variant, vehicle } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { freeId } from './freeId.ts';
import { namedVariants } from './variants.ts';

/** Makers, models and revisions are made one at a time: of two of one name the first is taken by both. */
export const lockModels = (tx: Tx) => tx.execute(sql`select pg_advisory_xact_lock(4417031)`);

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
export async function writeParts(tx: Tx, variantId: string, body: VariantBody): Promise<void> {
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

/** Takes a variant into the library; answers its id. The models are locked. */
export async function addVariant(tx: Tx, body: VariantBody): Promise<string> {
  await holdFreeName(tx, body, null, 'name');
  const taken = async (wanted: string) => (await tx.$count(variant, eq(variant.id, wanted))) > 0;
  const id = await freeId(`${body.modelName} ${body.name}`, taken);
  await tx.insert(variant).values({ ...(await rowOf(tx, body)), id });
  await writeParts(tx, id, body);
  return id;
}

/** Writes a variant over what its row and lists had. */
export async function writeOver(tx: Tx, id: string, body: VariantBody, version: number): Promise<void> {
  await tx
    .update(variant)
    .set({ ...(await rowOf(tx, body)), version })
    .where(eq(variant.id, id));
  await writeParts(tx, id, body);
}

export interface ChangedVariant {
  readonly id: string;
  readonly version: number;
  readonly how: 'over' | 'revision';
}

/** Changes a variant: over the old one, or as a revision of its own where vehicles are of it. The models are locked. */
export async function changeVariant(
  tx: Tx,
  stored: { readonly id: string; readonly version: number },
  body: VariantBody,
): Promise<ChangedVariant> {
  const root = rootOf(stored.id);
  const family = await tx
    .select({ id: variant.id })
    .from(variant)
    .where(like(variant.id, `${root}%`));
  const newest = nextRevision(
    stored.id,
    family.map((row) => row.id),
  );
  if (newest !== nextRevision(stored.id, [stored.id]))
    throw new RuleBroken('There is a newer revision of this variant. Change that one.');
  await holdFreeName(tx, body, root, 'variant.name');
  const used = (await tx.$count(vehicle, eq(vehicle.variantId, stored.id))) > 0;
  const id = used ? newest : stored.id;
  // What vehicles stand on stays as it is; they are offered the new revision.
  const version = stored.version + 1;
  if (!used) await writeOver(tx, id, body, version);
  else {
    await tx.insert(variant).values({ ...(await rowOf(tx, body)), id, version });
    await tx.update(variant).set({ version }).where(eq(variant.id, stored.id));
    await writeParts(tx, id, body);
  }
  return { id, version, how: used ? 'revision' : 'over' };
}
