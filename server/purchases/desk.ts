import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { check } from '../../contract/fields.ts';
import { type DeskMessage, type DeskOrder, deskAnswerSchema } from '../../contract/supplierDesk.ts';
import type { Db, Transact, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, event, purchase, purchaseLine, supplier, workshop } from '../db/schema/index.ts';
import { takeMessage } from './messages.ts';

/** Stands for the address of the desk that ships with Dajo. */
export const SIMULATED = 'simulated';

/** A desk that cannot be reached, or does not keep to the contract; asked again later. */
export class DeskFault extends Error {}

const LONGEST_MS = 8000;
const LARGEST = 2_000_000;

/** Orders about which a desk may still have something to say. */
export async function ordersToAsk(db: Db): Promise<string[]> {
  const { rows } = await db.execute<{ number: string }>(sql`
    select p.number from purchase p join supplier s on s.id = p.supplier_id
    where s.desk_url <> '' and (p.state in ('sent', 'confirmed')
      or p.state = 'closed' and p.sent_at > now() - interval '60 days'
        and not exists (select 1 from purchase_invoice i where i.purchase_id = p.id))
    order by p.number`);
  return rows.map(({ number }) => number);
}

interface Asking {
  readonly db: Db;
  readonly transact: Transact;
  /** Where the simulated desk is; null where none runs. */
  readonly simulatedUrl: string | null;
  readonly now: () => Date;
}

/**
 * Brings an order to its supplier's desk where that has not taken it yet, and takes everything the desk has said since. Each
 * word has its effect once, however often it is said or this is run.
 *
 * @returns how many words were new
 * @throws DeskFault where the desk cannot be reached or says what the contract does not know
 */
export async function askDesk({ db, transact, simulatedUrl, now }: Asking, number: string): Promise<number> {
  const [stored] = await db
    .select({ purchase, deskUrl: supplier.deskUrl })
    .from(purchase)
    .innerJoin(supplier, eq(supplier.id, purchase.supplierId))
    .where(eq(purchase.number, number));
  if (!stored || stored.deskUrl === '') return 0;
  const url = stored.deskUrl === SIMULATED ? simulatedUrl : stored.deskUrl;
  if (url === null) throw new DeskFault('no simulated desk runs here');
  const at = `${url.replace(/\/$/, '')}/orders/${encodeURIComponent(number)}`;
  if (stored.purchase.takenAt === null) {
    await ask(at, 'PUT', await deskOrder(db, number));
    await db
      .update(purchase)
      .set({ takenAt: now() })
      .where(and(eq(purchase.number, number), isNull(purchase.takenAt)));
  }
  const { value, problems } = check(deskAnswerSchema, await ask(`${at}/messages`, 'GET'));
  const [fault] = Object.values(problems);
  if (fault) throw new DeskFault(`the desk said something the contract does not know: ${fault}`);
  let fresh = 0;
  for (const message of value.messages) if (await transact((tx) => take(tx, number, message, now()))) fresh++;
  return fresh;
}

/** One word of the desk, in one transaction with the events it makes. Answers whether it was new. */
async function take(tx: Tx, number: string, message: DeskMessage, at: Date): Promise<boolean> {
  const stored = one(await tx.select().from(purchase).where(eq(purchase.number, number)).for('update'), 'order');
  if (stored.state === 'cancelled') return false;
  const { what, jobs } = await takeMessage(tx, stored, message, at);
  if (what === null) return false;
  const log = { personId: null, before: null, after: message };
  await tx.insert(event).values({ ...log, what, resource: 'purchase', resourceId: number, jobNumber: null });
  for (const job of jobs)
    await tx
      .insert(event)
      .values({ ...log, what: `${number}: ${what}`, resource: 'parts', resourceId: number, jobNumber: job });
  return true;
}

async function deskOrder(db: Db, number: string): Promise<DeskOrder> {
  const stored = one(await db.select().from(purchase).where(eq(purchase.number, number)), 'order');
  const [shop] = await db.select({ name: workshop.name }).from(workshop);
  const lines = await db
    .select({
      line: purchaseLine,
      name: component.name,
      partNumber: component.partNumber,
      unitSize: component.unitSize,
    })
    .from(purchaseLine)
    .innerJoin(component, eq(component.id, purchaseLine.componentId))
    .where(eq(purchaseLine.purchaseId, stored.id))
    .orderBy(asc(purchaseLine.position));
  return {
    ...{ number, buyer: shop?.name ?? '', currency: stored.currency, wantedOn: stored.wantedOn },
    lines: lines.map(({ line, name, partNumber, unitSize }) => ({
      ...{ line: line.position, partNumber, name, quantity: line.quantity, priceCents: line.priceCents },
      unit: unitSize > 1 ? 'mm' : 'piece',
    })),
  };
}

async function ask(url: string, method: 'PUT' | 'GET', body?: unknown): Promise<unknown> {
  try {
    const answer = await fetch(url, {
      method,
      ...(body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(LONGEST_MS),
      redirect: 'error',
    });
    const text = await answer.text();
    if (!answer.ok) throw new DeskFault(`the desk answered ${answer.status}`);
    if (text.length > LARGEST) throw new DeskFault('the desk said more than is taken');
    return JSON.parse(text) as unknown;
  } catch (error) {
    if (error instanceof DeskFault) throw error;
    throw new DeskFault(`the desk cannot be reached: ${error instanceof Error ? error.message : ''}`);
  }
}
