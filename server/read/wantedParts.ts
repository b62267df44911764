import { eq } from 'drizzle-orm';
import { type DesignInputs, designComponents } from '../../core/design/inputs.ts';
import { kitParts } from '../../core/kit/kit.ts';
import type { WantedPart } from '../../core/stores/partMove.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { design, vehicle } from '../db/schema/index.ts';
import { libraryOf } from './components.ts';
import { kitRevisionOf } from './kitRevisions.ts';

/** The job's list: the kit's lines first, then whatever the chosen design names beyond them. */
export async function wantedParts(tx: Db | Tx, stored: StoredJob): Promise<WantedPart[]> {
  const [own] = await tx.select({ variantId: vehicle.variantId }).from(vehicle).where(eq(vehicle.id, stored.vehicleId));
  const revision = await kitRevisionOf(tx, stored.kitRevisionId);
  const [chosen] = stored.chosenDesignId
    ? await tx.select().from(design).where(eq(design.id, stored.chosenDesignId))
    : [];
  const inputs: DesignInputs | null = chosen?.inputs ?? null;
  const named = [...(revision?.lines ?? []), ...(inputs ? designComponents(inputs) : [])];
  const library = await libraryOf(
    tx,
    named.map(({ componentId }) => componentId),
  );
  const fromKit: WantedPart[] = revision
    ? kitParts(revision, library, own?.variantId ?? '', stored.kitOptions).map(
        ({ component: part, quantity, packedIn }) => ({
          componentId: part.id,
          quantity,
          from: 'kit',
          packedIn,
        }),
      )
    : [];
  const inKit = (id: string) =>
    fromKit.filter((line) => line.componentId === id).reduce((sum, line) => sum + line.quantity, 0);
  const beyond = (inputs ? designComponents(inputs) : [])
    .map(({ componentId, quantity }) => ({
      componentId,
      quantity: quantity - inKit(componentId),
      from: 'design' as const,
      packedIn: '',
    }))
    .filter((line) => line.quantity > 0 && library.has(line.componentId));
  return [...fromKit, ...beyond];
}
