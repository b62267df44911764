import type pg from 'pg';

/** The id of a place of the ledger that stands for one thing only: what counts found, or what was scrapped. */
async function outside(pool: pg.Pool): Promise<string> {
  await pool.query("insert into stock_place (kind) values ('count') on conflict do nothing");
  return (await pool.query("select id from stock_place where kind = 'count'")).rows[0].id as string;
}

/** How many lie in bins. */
export const onHand = async (pool: pg.Pool, id: string): Promise<number> =>
  (await pool.query('select on_hand from component where id = $1', [id])).rows[0].on_hand as number;

/** Makes the bins hold so many of a component, without numbers: everything there is counted out and so many counted in. */
export async function putOnHand(pool: pg.Pool, id: string, quantity: number): Promise<void> {
  const count = await outside(pool);
  const client = await pool.connect();
  try {
    await client.query('begin');
    const { rows: bins } = await client.query(
      "select place_id, quantity from stock_balance where component_id = $1 and kind = 'bin' and quantity > 0",
      [id],
    );
    const move = (from: string, to: string, n: number) =>
      client.query(
        "insert into stock_move (kind, component_id, from_id, to_id, quantity) values ('counted', $1, $2, $3, $4) returning id",
        [id, from, to, n],
      );
    for (const { place_id: bin, quantity: n } of bins) {
      const { rows } = await move(bin, count, n);
      await client.query(
        'insert into stock_move_serial (move_id, serial_id) select $1, id from serial_item where place_id = $2 and component_id = $3',
        [rows[0].id, bin, id],
      );
    }
    if (quantity > 0) {
      const { rows: own } = await client.query(
        "select coalesce((select bin_id from component where id = $1), (select id from stock_place where kind = 'bin' limit 1)) as id",
        [id],
      );
      await move(count, own[0].id, quantity);
    }
    await client.query('commit');
  } finally {
    client.release();
  }
}

/** The same of every component. */
export async function putAllOnHand(pool: pg.Pool, quantity: number): Promise<void> {
  for (const { id } of (await pool.query('select id from component where unit_size = 1')).rows)
    await putOnHand(pool, id as string, quantity);
}

/** Drops lines of parts lists as if they had never been: nobody does so, but a test begins somewhere. */
export async function dropLines(pool: pg.Pool, where: string, values: readonly unknown[] = []): Promise<void> {
  const client = await pool.connect();
  const lines = `(select id from part_line where ${where})`;
  try {
    await client.query("begin; set local dajo.removal = 'on'");
    await client.query(`update stock_move set part_line_id = null where part_line_id in ${lines}`, [...values]);
    await client.query(`update serial_item set part_line_id = null where part_line_id in ${lines}`, [...values]);
    await client.query(`delete from part_line where ${where}`, [...values]);
    await client.query('commit');
  } finally {
    client.release();
  }
}
