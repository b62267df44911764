import { randomUUID } from 'node:crypto';
import { asc, eq, sql } from 'drizzle-orm';
import { type SupplierPart, supplierAddress } from '../../contract/suppliers.ts';
import type { TakenIn } from '../../contract/tableIn.ts';
import { judgePrices } from '../../core/buying/priceList.ts';
import type { ForeignPrice } from '../../core/offer/offer.ts';
import { toCsv } from '../../wording/csv.ts';
import { readPriceList } from '../../wording/priceList.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, supplier } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { stepsTakenIn, TOOK_IN, UNDID } from '../read/takenIn.ts';

interface Priced {
  readonly priceCents: number;
  readonly leadDays: number;
  readonly foreign: ForeignPrice | null;
  readonly pricedOn: string | null;
}
interface Step {
  readonly id: string;
  readonly version: number;
  readonly before: Priced;
}

const partsOf = (db: Db | Tx, supplierId: string): Promise<SupplierPart[]> =>
  db
    .select({
      ...{ id: component.id, name: component.name, partNumber: component.partNumber, leadDays: component.leadDays },
      ...{ priceCents: component.priceCents, foreign: component.foreign, pricedOn: component.pricedOn },
    })
    .from(component)
    .where(eq(component.supplierId, supplierId))
    .orderBy(asc(component.name));

export const priceListEndpoints = [
  serve(supplierAddress.parts, ({ db, params }) => partsOf(db, params.supplier)),
  serve(supplierAddress.partTable, async ({ db, params, res, workshop }) => {
    const rows = await partsOf(db, params.supplier);
    const head = ['Part number', 'Name', `Price (${workshop.currency})`, 'Lead days', 'Price of'];
    const cells = rows.map(({ foreign, ...row }) => [
      ...[row.partNumber, row.name, row.priceCents / 100, row.leadDays, row.pricedOn],
      ...[foreign && foreign.cents / 100, foreign?.currency],
      ...[foreign && foreign.rateMillionths / 1_000_000, foreign?.rateDay],
    ]);
    const name = `${params.supplier}-prices.csv`;
    return sendCsv(res, name, toCsv([...head, 'Asked', 'Asked in', 'Rate', 'Rate of'], cells));
  }),
  serve(supplierAddress.takePrices, ({ change, params, body, workshop }) =>
    change(async ({ tx, log }) => {
      const own = one(await tx.select().from(supplier).where(eq(supplier.id, params.supplier)), 'supplier');
      const { currency, pricedOn, rateDay } = body;
      const isForeign = currency !== workshop.currency;
      if (isForeign && rateDay === null)
        throw new BadInput({ rateDay: 'Say of which day the rate is: a price remembers it.' });
      const rateMillionths = isForeign ? body.rateMillionths : 1_000_000;
      const read = readPriceList(body.text);
      if (read.fault) throw new BadInput({ text: read.fault });
      // Locked in one order, so that two lists never wait for each other.
      await tx.execute(sql`select 1 from component where supplier_id = ${own.id} order by id for no key update`);
      const judged = judgePrices(read.rows, await partsOf(tx, own.id), { currency, rateMillionths });
      const steps: Step[] = [];
      for (const { row, verdict, part, priceCents } of judged) {
        if (verdict !== 'changed' || !part || priceCents === null) continue;
        const before = one(await tx.select().from(component).where(eq(component.id, part.id)), 'component');
        const foreign: ForeignPrice | null =
          isForeign && rateDay ? { currency, cents: row.cents!, rateMillionths, rateDay } : null;
        const version = before.version + 1;
        await tx
          .update(component)
          .set({ priceCents, foreign, pricedOn, leadDays: row.leadDays ?? before.leadDays, version })
          .where(eq(component.id, part.id));
        const { priceCents: was, leadDays, foreign: asked, pricedOn: day } = before;
        steps.push({ id: part.id, version, before: { priceCents: was, leadDays, foreign: asked, pricedOn: day } });
      }
      const id = randomUUID();
      const alike = judged.filter(({ verdict }) => verdict === 'alike').length;
      const taken: TakenIn = { id, added: 0, changed: steps.length, alike, left: judged.length - steps.length - alike };
      if (steps.length === 0) return taken;
      await log({
        ...{ what: `${TOOK_IN} ${steps.length} prices of ${own.name} from ${body.name}`, resource: 'component', id },
        after: { ...taken, currency, rateMillionths, rateDay, steps },
      });
      return taken;
    }),
  ),
  serve(supplierAddress.undoPrices, ({ change, params }) =>
    change(async ({ tx, log }) => {
      // One undoing at a time: the second finds the first in the history.
      await tx.execute(sql`select pg_advisory_xact_lock(4417041)`);
      const steps = await stepsTakenIn<Step>(tx, 'component', params.id);
      for (const { id, version, before } of [...steps].sort((a, b) => (a.id < b.id ? -1 : 1))) {
        const now = one(
          await tx.select().from(component).where(eq(component.id, id)).for('no key update'),
          'component',
        );
        if (now.version !== version)
          throw new RuleBroken(`${now.name} has been changed since: undo is not possible any more.`);
        await tx
          .update(component)
          .set({ ...before, version: version + 1 })
          .where(eq(component.id, id));
      }
      const what = `${UNDID} a price list: ${steps.length} prices`;
      await log({ what, resource: 'component', id: params.id, after: { undone: steps.length } });
      return { undone: steps.length };
    }),
  ),
];
