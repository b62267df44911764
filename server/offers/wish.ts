import { eq } from 'drizzle-orm';
import type { KitTaken } from '../../contract/offers.ts';
import type { ResolveInput } from '../../core/design/resolve.ts';
import { kitDesign, kitParts } from '../../core/kit/kit.ts';
import type { Wish } from '../../core/offer/effect.ts';
import type { OfferBody } from '../../core/offer/offer.ts';
import type { Db, Tx } from '../db/connect.ts';
import { design } from '../db/schema/index.ts';
import { libraryOf } from '../read/components.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';

interface Stored {
  readonly body: OfferBody;
  readonly designId: string | null;
  readonly kit: KitTaken | null;
  readonly massKg: number;
  readonly xMm: number | null;
}

/** A stored wish as its effect is worked out: a kit taken otherwise makes another design, parts alone are put into the agreed one. */
export async function wishOf(db: Db | Tx, stored: Stored, agreed: ResolveInput): Promise<Wish> {
  const { body, designId, kit, massKg, xMm } = stored;
  const parts = { lines: body.lines, massKg, xMm };
  if (designId) {
    const [row] = await db.select().from(design).where(eq(design.id, designId));
    return { ...parts, design: row?.inputs ?? null };
  }
  const revision = kit && (await kitRevisionOf(db, kit.revisionId));
  if (!revision) return { ...parts, design: null };
  const variantId = agreed.vehicle.variant.id;
  const library = await libraryOf(
    db,
    revision.lines.map(({ componentId }) => componentId),
  );
  const brought = kitParts(revision, library, variantId, kit.options);
  const made = kitDesign(revision, brought, variantId, kit.options);
  // Where things stand and how they are used stays as agreed; what the kit brings is the kit's.
  const { moduleId, driveId, inverterId, chargerId, inletId, others, boxes, strings } = made;
  return {
    ...parts,
    design: { ...agreed.design, moduleId, driveId, inverterId, chargerId, inletId, others, boxes, strings },
  };
}
