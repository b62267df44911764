import { asc, eq } from 'drizzle-orm';
import type { KitRevision } from '../../core/kit/kit.ts';
import type { Db, Tx } from '../db/connect.ts';
import { kit, kitLine, kitRevision, model } from '../db/schema/index.ts';

/** Kit revisions with their lines: all, or the one of an id. */
async function kitRevisions(db: Db | Tx, id: string | null): Promise<KitRevision[]> {
  const rows = await db
    .select({ revision: kitRevision, kitName: kit.name, modelName: model.name })
    .from(kitRevision)
    .innerJoin(kit, eq(kit.id, kitRevision.kitId))
    .innerJoin(model, eq(model.id, kit.modelId))
    .where(id === null ? undefined : eq(kitRevision.id, id))
    .orderBy(asc(kit.name), asc(kitRevision.revision));
  const lines = await db
    .select()
    .from(kitLine)
    .where(id === null ? undefined : eq(kitLine.revisionId, id))
    .orderBy(asc(kitLine.position));
  const of = new Map<string, KitRevision['lines'][number][]>(rows.map(({ revision }) => [revision.id, []]));
  for (const { revisionId, componentId, quantity, packedIn, appliesWhen } of lines)
    of.get(revisionId)?.push({ componentId, quantity, packedIn, appliesWhen });
  return rows.map(({ revision: { body, ...own }, kitName, modelName }) => ({
    ...own,
    ...body,
    kitName,
    modelName,
    lines: of.get(own.id) ?? [],
  }));
}

export const allKitRevisions = (db: Db | Tx): Promise<KitRevision[]> => kitRevisions(db, null);

/** One revision of a kit; none where there is no such one, or no id. */
export const kitRevisionOf = async (db: Db | Tx, id: string | null): Promise<KitRevision | undefined> =>
  id === null ? undefined : (await kitRevisions(db, id))[0];
