import { hash } from '@node-rs/argon2';
import { eq, sql } from 'drizzle-orm';
import { DEMO_PASSWORD } from '../server/config.ts';
import type { Db, Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { COMPONENTS } from './components.ts';
import { dayFrom } from './dayFrom.ts';
import { KITS } from './kits.ts';
import { loadBuying } from './loadBuying.ts';
import { loadCondition } from './loadCondition.ts';
import { loadJobs } from './loadJobs.ts';
import { loadLearning } from './loadLearning.ts';
import { loadOffers } from './loadOffers.ts';
import { loadOrders } from './loadOrders.ts';
import { loadPlan } from './loadPlan.ts';
import { loadSelling } from './loadSelling.ts';
import { loadStores } from './loadStores.ts';
import { loadTools } from './loadTools.ts';
import { MODELS } from './models.ts';
import { loadBins, type OpenStock, openStock } from './stock.ts';
import { MAKERS, PEOPLE, PLACES, SUPPLIERS, WORKSHOP } from './workshop.ts';

/** The ledger of the sample begins so many days ago. */
const STOCK_SINCE_DAYS = 200;

const slug = (name: string) => name.toLowerCase().replace(/ /g, '-');

/** Is this database still without a workshop? */
export async function isEmpty(db: Db): Promise<boolean> {
  const { rows } = await db.execute<{ some: boolean }>(sql`select exists (select 1 from person) as some`);
  return !rows[0]?.some;
}

/** Is the workshop in this database the sample? */
export async function isSample(db: Db): Promise<boolean> {
  const [row] = await db.select({ sample: t.installation.sample }).from(t.installation);
  return row?.sample ?? false;
}

/** Throws away everything in the workshop's tables, sessions too. Only ever called for the sample. */
export async function emptyAll(db: Db): Promise<void> {
  const { rows } = await db.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public'`,
  );
  await db.execute(sql.raw(`truncate ${rows.map((row) => `"${row.name}"`).join(', ')} restart identity cascade`));
}

/** Loads the sample workshop as of `now`, in one transaction. */
export async function loadDemo(db: Db, now: Date): Promise<void> {
  // One hash for all: everybody in the sample has the same password, and hashing is slow on purpose.
  const passwordHash = await hash(DEMO_PASSWORD);
  await db.transaction(async (own) => {
    // What is read in large statements asks the connection itself.
    const { client } = (own as unknown as { readonly session: { readonly client: unknown } }).session;
    const tx = Object.assign(own, { $client: client }) as unknown as Tx;
    await tx.insert(t.installation).values({ sample: true });
    await tx.insert(t.workshop).values(WORKSHOP);
    await loadPeople(tx, now, passwordHash);
    await tx
      .insert(t.place)
      .values(PLACES.map(({ slotDays, ...place }) => ({ ...place, slotDays: [...(slotDays ?? [])] })));
    const open = openStock(tx);
    await loadLibrary(tx, now, open);
    await loadKits(tx, now);
    await loadJobs(tx, now, open);
    await loadLearning(tx, now);
    await loadOrders(tx, now, open);
    await loadStores(tx, now);
    await loadBuying(tx, now);
    await loadOffers(tx, now);
    await loadSelling(tx, now);
    await loadTools(tx, now);
    await loadCondition(tx, now);
    await loadPlan(tx, now);
  });
}

async function loadPeople(tx: Tx, now: Date, passwordHash: string): Promise<void> {
  for (const { hvDays, note, skills, ...person } of PEOPLE) {
    const [row] = await tx
      .insert(t.person)
      .values({ ...person, skills: [...skills], passwordHash, demoNote: note })
      .returning();
    if (hvDays !== null)
      await tx.insert(t.authorisation).values({ personId: row!.id, validUntil: dayFrom(now, hvDays) });
  }
}

async function loadLibrary(tx: Tx, now: Date, open: OpenStock): Promise<void> {
  await tx.insert(t.maker).values(MAKERS.map((name) => ({ id: slug(name), name })));
  for (const { id, maker, name, variants } of MODELS) {
    await tx.insert(t.model).values({ id, makerId: slug(maker), name });
    for (const {
      id: variantId,
      makerName: _,
      modelName: __,
      name: variantName,
      mountingPoints,
      bays,
      passThroughs,
      ...sheet
    } of variants) {
      await tx.insert(t.variant).values({ id: variantId, modelId: id, name: variantName, sheet });
      await tx.insert(t.mountingPoint).values(mountingPoints.map((p) => ({ ...p, variantId })));
      await tx.insert(t.bay).values(bays.map((b) => ({ ...b, variantId })));
      await tx
        .insert(t.passThrough)
        .values(passThroughs.map(({ from, to, ...p }) => ({ ...p, fromPlace: from, toPlace: to, variantId })));
    }
  }
  await tx.insert(t.supplier).values(SUPPLIERS.map((name) => ({ id: slug(name), name })));
  const bins = await loadBins(tx);
  await tx.insert(t.component).values(
    COMPONENTS.map(({ supplier, covers, alternatives = [], onHand: _, ...rest }) => ({
      ...rest,
      binId: bins.get(rest.kind)!,
      covers: [...covers],
      alternatives: [...alternatives],
      supplierId: slug(supplier),
    })),
  );
  const at = new Date(now.getTime() - STOCK_SINCE_DAYS * 86_400_000);
  for (const { id, kind, onHand } of COMPONENTS) await open({ componentId: id, kind, quantity: onHand, to: 'bin', at });
}

/** Kits with their history: written as drafts, then released and withdrawn as people would. */
async function loadKits(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [ilse, jory] = [people.get('ilse')!, people.get('jory')!];
  const ago = (days: number) => new Date(now.getTime() - days * 86_400_000);
  for (const { id, name, modelId, developmentCents = 0, revisions } of KITS) {
    await tx.insert(t.kit).values({ id, name, modelId, developmentCents });
    for (const one of revisions) {
      const {
        id: revisionId,
        revision,
        state,
        lines,
        note = '',
        basedOnId = null,
        releasedDays = 0,
        withdrawnWhy,
        ...body
      } = one;
      const by = { changedById: ilse, changedAt: ago(state === 'draft' ? 3 : releasedDays + 1) };
      await tx
        .insert(t.kitRevision)
        .values({ ...{ id: revisionId, kitId: id, revision, state: 'draft', body, note, basedOnId }, ...by });
      await tx.insert(t.kitLine).values(lines.map((line, position) => ({ ...line, position, revisionId })));
      if (state === 'draft') continue;
      const released = { releasedById: ilse, releasedAt: ago(releasedDays), readById: jory, readVersion: 1 };
      await tx
        .update(t.kitRevision)
        .set({ state: 'released', ...released })
        .where(eq(t.kitRevision.id, revisionId));
      if (withdrawnWhy)
        await tx
          .update(t.kitRevision)
          .set({ state: 'withdrawn', withdrawnById: ilse, withdrawnAt: ago(releasedDays - 60), withdrawnWhy })
          .where(eq(t.kitRevision.id, revisionId));
    }
  }
}
