import { and, eq, like } from 'drizzle-orm';
import type { EventResource } from '../../contract/changes.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { event } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/** How the history begins to tell of a table that was taken in, and of one that was undone. */
export const TOOK_IN = 'took in';
export const UNDID = 'undid';

/** What a table did, as the history tells it: refused where it was undone already. */
export async function stepsTakenIn<Step>(tx: Tx, resource: EventResource, id: string): Promise<Step[]> {
  const about = and(eq(event.resource, resource), eq(event.resourceId, id));
  const told = one(
    await tx
      .select()
      .from(event)
      .where(and(about, like(event.what, `${TOOK_IN}%`))),
    'table',
  );
  const [undone] = await tx
    .select({ id: event.id })
    .from(event)
    .where(and(about, like(event.what, `${UNDID}%`)));
  if (undone) throw new RuleBroken('This was undone already.');
  return (told.after as { steps: Step[] }).steps;
}
