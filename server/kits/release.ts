import { eq } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import { judgeRelease } from '../../core/kit/judgeRelease.ts';
import type { NeedState } from '../../core/kit/releaseNeeds.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { kit, type kitRevision, model } from '../db/schema/index.ts';
import { componentsAtHand } from '../read/library.ts';
import { variantsOf } from '../read/variants.ts';
import { contentOf } from './store.ts';

/** Everything that must be so before this draft is released, judged on what is stored now. */
export async function releaseState(
  tx: Tx,
  stored: typeof kitRevision.$inferSelect,
  workshop: Workshop,
): Promise<NeedState[]> {
  const { name, modelName } = one(
    await tx
      .select({ name: kit.name, modelName: model.name })
      .from(kit)
      .innerJoin(model, eq(model.id, kit.modelId))
      .where(eq(kit.id, stored.kitId)),
    'kit',
  );
  const { components } = await componentsAtHand(tx);
  return judgeRelease({
    revision: {
      ...{ id: stored.id, kitId: stored.kitId, kitName: name, modelName, revision: stored.revision, state: 'draft' },
      ...(await contentOf(tx, stored.id)),
    },
    library: new Map(components.map((part) => [part.id, part])),
    variants: await variantsOf(tx),
    rates: workshop,
    readBy: stored.readVersion === stored.version ? stored.readById : null,
    changedBy: stored.changedById,
  });
}
