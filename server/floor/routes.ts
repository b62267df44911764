import { sql } from 'drizzle-orm';
import type pg from 'pg';
import type { FloorData } from '../../contract/floor.ts';
import { floorAddress } from '../../contract/floor.ts';
import { dayHours } from '../../contract/workshop.ts';
import { serve } from '../endpoint.ts';
import { floorSql } from './query.ts';

export const floorEndpoints = [
  serve(floorAddress.now, async ({ db, now, today, workshop, res }) => {
    const { rows: zone } = await db.execute<{ start: Date }>(
      sql`select (${today}::date)::timestamp at time zone ${workshop.timeZone} as start`,
    );
    const pool = (db as unknown as { $client: pg.Pool }).$client;
    const { rows } = await pool.query<{ floor: string }>(floorSql(new Date(zone[0]!.start), dayHours(workshop)));
    const head = JSON.stringify({ now: now().toISOString() } satisfies Partial<FloorData>).slice(0, -1);
    // The database has written the JSON already; reading and writing it again would double the work.
    res.type('application/json').send(`${head},${(rows[0]?.floor ?? '{}').slice(1)}`);
    return undefined;
  }),
];
