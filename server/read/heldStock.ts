import { type SQL, sql } from 'drizzle-orm';

/**
 * Pieces that are on the shelf and promised: to lines of jobs that hold them in stores, and to kits that are packed and
 * have not left; and what is being refurbished, which nobody may fit before it was proved good. Rows of component and sum, in units of lists: pieces, or metres of what is kept by length.
 */
export const HELD: SQL = sql`
  select component_id, sum(n)::int as n from (
    select component_id, quantity as n from part_line where state = 'inStores'
    union all
    select l.component_id, l.first_pieces from order_line l join kit_order o on o.id = l.order_id
      where o.state = 'ordered' and l.first_pieces > 0
    union all
    select i.component_id, 1 from refurbishing r join serial_item i on i.id = r.serial_id
      where r.state = 'open' and i.part_line_id is null
  ) promised group by component_id`;
