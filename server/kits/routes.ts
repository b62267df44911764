import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { kitAddress } from '../../contract/kits.ts';
import type { KitContent } from '../../core/kit/kit.ts';
import { nextLetter } from '../../core/kit/revisionLetter.ts';
import { RELEASE_NEED_NAME } from '../../wording/kits.ts';
import type { Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { client, component, kit, kitLine, kitRevision, kitWish, variant } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { freeId } from '../read/freeId.ts';
import { releaseState } from './release.ts';
import { kitRows, kitSheet } from './rows.ts';
import { contentOf, EMPTY_CONTENT, putLines } from './store.ts';

/** Kits and their revisions are named one at a time. */
const NAMING_LOCK = sql`select pg_advisory_xact_lock(4417032)`;

async function refuseSameName(tx: Tx, name: string, but: string | null): Promise<void> {
  const [same] = await tx.select().from(kit).where(sql`lower(${kit.name}) = lower(${name})`);
  if (same && same.id !== but) throw new BadInput({ name: 'There is a kit of this name.' });
}

/** A revision, locked; with a version, told as stale where it is not as it was seen. */
async function lockRevision(tx: Tx, id: string, version: number | null) {
  const stored = one(await tx.select().from(kitRevision).where(eq(kitRevision.id, id)).for('update'), 'kit revision');
  if (version !== null && stored.version !== version) {
    const { revisions } = await kitSheet(tx, stored.kitId);
    throw new Stale(revisions.find((row) => row.id === id));
  }
  return stored;
}

async function refuseUnknown(tx: Tx, { lines }: KitContent): Promise<void> {
  const ids = [...new Set(lines.map(({ componentId }) => componentId))];
  if (ids.length === 0) return;
  const known = new Set(
    (await tx.select({ id: component.id }).from(component).where(inArray(component.id, ids))).map(({ id }) => id),
  );
  const at = lines.findIndex(({ componentId }) => !known.has(componentId));
  if (at >= 0) throw new BadInput({ [`lines.${at}.componentId`]: 'There is no such component in the catalogue.' });
}

export const kitEndpoints = [
  serve(kitAddress.list, ({ db }) => kitRows(db)),
  serve(kitAddress.whole, ({ db, params }) => kitSheet(db, params.kit)),
  serve(kitAddress.add, ({ change, body, person, now }) =>
    change(async ({ tx, log }) => {
      await tx.execute(NAMING_LOCK);
      await refuseSameName(tx, body.name, null);
      const [of] = await tx.select({ modelId: variant.modelId }).from(variant).where(eq(variant.id, body.variantId));
      if (!of) throw new BadInput({ variantId: 'There is no such model.' });
      const content = body.from === null ? EMPTY_CONTENT : await contentOf(tx, body.from);
      const kitId = await freeId(body.name, async (id) => (await tx.$count(kit, eq(kit.id, id))) > 0);
      const revision = `${kitId}-a`;
      const { lines, ...rest } = content;
      await tx.insert(kit).values({ id: kitId, name: body.name, modelId: of.modelId });
      await tx.insert(kitRevision).values({
        ...{ id: revision, kitId, revision: 'A', state: 'draft', body: rest, basedOnId: body.from },
        ...{ changedById: person.id, changedAt: now() },
      });
      await putLines(tx, revision, lines);
      const what = body.from ? `began the kit ${body.name} as a sister of ${body.from}` : `began the kit ${body.name}`;
      await log({ what, resource: 'kit', id: revision, after: body });
      return { kit: kitId, revision };
    }),
  ),
  serve(kitAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await tx.execute(NAMING_LOCK);
      const before = one(await tx.select().from(kit).where(eq(kit.id, params.kit)).for('update'), 'kit');
      if (before.version !== body.version) throw new Stale(await kitSheet(tx, params.kit));
      await refuseSameName(tx, body.name, params.kit);
      const version = body.version + 1;
      await tx
        .update(kit)
        .set({ ...body, version })
        .where(eq(kit.id, params.kit));
      await log({ what: `changed the kit ${body.name}`, resource: 'kit', id: params.kit, before, after: body });
      return { version };
    }),
  ),
  serve(kitAddress.addRevision, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      // One draft is begun at a time: two people at once get two letters, in turn.
      const own = one(await tx.select().from(kit).where(eq(kit.id, params.kit)).for('update'), 'kit');
      const known = await tx.select().from(kitRevision).where(eq(kitRevision.kitId, params.kit));
      const from = known.find(({ id }) => id === body.from);
      if (!from) throw new BadInput({ from: 'This kit has no such revision.' });
      const newest = known
        .map(({ revision }) => revision)
        .sort((a, b) => a.length - b.length || a.localeCompare(b))
        .at(-1)!;
      const revision = nextLetter(newest);
      const id = `${params.kit}-${revision.toLowerCase()}`;
      const { lines, ...rest } = await contentOf(tx, from.id);
      await tx.insert(kitRevision).values({
        ...{ id, kitId: params.kit, revision, state: 'draft', body: rest, note: body.note, basedOnId: from.id },
        ...{ changedById: person.id, changedAt: now() },
      });
      await putLines(tx, id, lines);
      const what = `began revision ${revision} of ${own.name} from ${from.revision}`;
      await log({ what, resource: 'kit', id, after: { from: from.id, note: body.note } });
      return { id };
    }),
  ),
  serve(kitAddress.changeDraft, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = await lockRevision(tx, params.revision, body.version);
      if (stored.state !== 'draft')
        throw new RuleBroken(
          `Revision ${stored.revision} is ${stored.state} and stays as it is. Begin a new one from it.`,
        );
      const { lines, ...rest } = body.content;
      await refuseUnknown(tx, body.content);
      const before = await contentOf(tx, stored.id);
      const version = body.version + 1;
      await tx
        .update(kitRevision)
        .set({ body: rest, note: body.note, version, changedById: person.id, changedAt: now() })
        .where(eq(kitRevision.id, stored.id));
      await tx.delete(kitLine).where(eq(kitLine.revisionId, stored.id));
      await putLines(tx, stored.id, lines);
      await log({
        what: `changed draft ${stored.revision}`,
        resource: 'kit',
        id: stored.id,
        before: { content: before, note: stored.note },
        after: { content: body.content, note: body.note },
      });
      return { version };
    }),
  ),
  serve(kitAddress.read, ({ change, params, body, person }) =>
    change(async ({ tx, log }) => {
      const stored = await lockRevision(tx, params.revision, body.version);
      if (stored.state !== 'draft') throw new RuleBroken('Only a draft is read before its release.');
      if (stored.changedById === person.id)
        throw new RuleBroken('You changed this draft last. Somebody else reads it before it is released.');
      // Read already, as it is now: nothing to add.
      if (stored.readById === person.id && stored.readVersion === stored.version) return { version: stored.version };
      await tx
        .update(kitRevision)
        .set({ readById: person.id, readVersion: stored.version })
        .where(eq(kitRevision.id, stored.id));
      await log({ what: `read draft ${stored.revision} and agreed`, resource: 'kit', id: stored.id });
      return { version: stored.version };
    }),
  ),
  serve(kitAddress.release, ({ change, params, body, person, now, workshop }) =>
    change(async ({ tx, log }) => {
      const stored = await lockRevision(tx, params.revision, body.version);
      if (stored.state !== 'draft') throw new RuleBroken(`Revision ${stored.revision} is ${stored.state} already.`);
      const unmet = (await releaseState(tx, stored, workshop)).filter(({ met }) => !met);
      if (unmet.length > 0) {
        const said = unmet.map(({ need, missing }) => `${RELEASE_NEED_NAME[need]} (${missing.slice(0, 4).join(', ')})`);
        throw new RuleBroken(`Not released; still wanted: ${said.join('; ')}.`);
      }
      const version = stored.version + 1;
      await tx
        .update(kitRevision)
        .set({ state: 'released', releasedById: person.id, releasedAt: now(), version, readVersion: version })
        .where(eq(kitRevision.id, stored.id));
      await log({ what: `released revision ${stored.revision}`, resource: 'kit', id: stored.id });
      return { version };
    }),
  ),
  serve(kitAddress.withdraw, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = await lockRevision(tx, params.revision, null);
      if (stored.state === 'withdrawn') throw new RuleBroken(`Revision ${stored.revision} is withdrawn already.`);
      const version = stored.version + 1;
      await tx
        .update(kitRevision)
        .set({ state: 'withdrawn', withdrawnById: person.id, withdrawnAt: now(), withdrawnWhy: body.why, version })
        .where(eq(kitRevision.id, stored.id));
      const what = `withdrew revision ${stored.revision}: ${body.why}`;
      await log({ what, resource: 'kit', id: stored.id, before: { state: stored.state }, after: body });
      return { version };
    }),
  ),
  serve(kitAddress.wish, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      // Under the kit's lock, so that a client who is put on the list twice at once is on it once.
      const own = one(await tx.select().from(kit).where(eq(kit.id, params.kit)).for('update'), 'kit');
      if (body.clientId) {
        const [known] = await tx.select().from(client).where(eq(client.id, body.clientId));
        if (!known || known.removedAt) throw new BadInput({ clientId: 'There is no such client.' });
        const [waits] = await tx
          .select()
          .from(kitWish)
          .where(
            and(
              eq(kitWish.kitId, own.id),
              eq(kitWish.kind, 'waiting'),
              eq(kitWish.clientId, body.clientId),
              isNull(kitWish.endedAt),
            ),
          );
        if (body.kind === 'waiting' && waits)
          throw new BadInput({ clientId: 'This client waits for the kit already.' });
      }
      const row = made(
        await tx
          .insert(kitWish)
          .values({ ...body, kitId: own.id, byId: person.id, at: now() })
          .returning(),
      );
      const what =
        body.kind === 'waiting' ? `put a client on the waiting list of ${own.name}` : `promised for ${own.name}`;
      await log({ what, resource: 'kit', id: own.id, after: body });
      return { id: row.id };
    }),
  ),
  serve(kitAddress.endWish, ({ change, params, body, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(await tx.select().from(kitWish).where(eq(kitWish.id, params.id)).for('update'), 'entry');
      if (stored.endedAt) throw new RuleBroken('This was ended already.');
      await tx.update(kitWish).set({ endedAt: now(), endedWhy: body.why }).where(eq(kitWish.id, stored.id));
      const what = stored.kind === 'waiting' ? `ended a wait: ${body.why}` : `ended a promise: ${body.why}`;
      await log({ what, resource: 'kit', id: stored.kitId, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
];
