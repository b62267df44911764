import { sql } from 'drizzle-orm';
import type pg from 'pg';
import type { FloorData } from '../../contract/floor.ts';
import { floorAddress } from '../../contract/floor.ts';
import { serve } from '../endpoint.ts';
import { floorSql } from './query.ts';

/** The building's outline, metres. Places lie inside it; what is away lies below. */
const BUILDING = { widthM: 23, lengthM: 12.8 };
const PLANNED_HOURS = 7.5;

export const floorEndpoints = [
  serve(floorAddress.now, async ({ db, now, today, config, res }) => {
    const { rows: zone } = await db.execute<{ start: Date }>(
      sql`select (${today}::date)::timestamp at time zone ${config.timeZone} as start`,
    );
    const pool = (db as unknown as { $client: pg.Pool }).$client;
    const { rows } = await pool.query<{ floor: string }>(floorSql(new Date(zone[0]!.start), PLANNED_HOURS));
    const head = JSON.stringify({ now: now().toISOString(), building: BUILDING } satisfies Partial<FloorData>).slice(
      0,
      -1,
    );
    // The database has written the JSON already; reading and writing it again would double the work.
    res.type('application/json').send(`${head},${(rows[0]?.floor ?? '{}').slice(1)}`);
    return undefined;
  }),
];
