import { sql } from 'drizzle-orm';
import type { MadeGoodRow } from '../../contract/refurbishing.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { type RefurbishingGround, refurbishingCost } from '../../core/stores/refurbishing.ts';
import type { Db, Tx } from '../db/connect.ts';

/** What an hour costs the workshop, or is sold for where nobody has set it. */
export const hourCostOf = ({ practice, rateCents }: Workshop): number => practice.hourCostCents ?? rateCents;

type Stored = Omit<MadeGoodRow, 'totalCents'> & Omit<RefurbishingGround, 'hourCents'> & Record<string, unknown>;

/**
 * Units that were made good again, or are being, each by its newest order that was not given up: those in bins, or those
 * asked for by id wherever they are now.
 */
export async function madeGood(db: Db | Tx, hourCents: number, ids?: readonly string[]): Promise<MadeGoodRow[]> {
  if (ids?.length === 0) return [];
  const which = ids ? sql`i.id = any(${sql.param(ids)}::uuid[])` : sql`p.kind = 'bin' and i.part_line_id is null`;
  const { rows } = await db.execute<Stored>(sql`
    select distinct on (i.id) i.id as "serialId", i.serial, i.component_id as "componentId", c.name as component,
      r.state = 'open' as open, c.price_cents::float8 as "newCents", r.bought_cents::float8 as "boughtCents",
      (select coalesce(json_agg(json_build_object('quantity', x.quantity, 'unitCents', x.unit_cents)), '[]'::json)
        from refurbishing_part x where x.refurbishing_id = r.id) as parts,
      (select coalesce(sum(h.hours), 0)::float8 from refurbishing_hours h where h.refurbishing_id = r.id) as hours
    from refurbishing r join serial_item i on i.id = r.serial_id join component c on c.id = i.component_id
      join stock_place p on p.id = i.place_id
    where r.state <> 'givenUp' and ${which}
    order by i.id, r.at desc`);
  return rows.map(({ boughtCents, parts, hours, ...row }) => ({
    ...row,
    totalCents: refurbishingCost({ boughtCents, parts, hours, hourCents }).totalCents,
  }));
}
