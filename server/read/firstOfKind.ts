import { sql } from 'drizzle-orm';

/** How far the first of its kind is (`f`, a job), as fields of a JSON object: what `sisterHold` asks, but for its lessons. */
export const FIRST_OF_KIND = sql`'over', f.state in ('handedOver', 'cancelled'),
  'stages', (select count(*)::int from stage fs where fs.job_id = f.id),
  'open', (select count(*)::int from stage fs where fs.job_id = f.id and fs.state <> 'done')`;

/** How many of its lessons are neither taken in nor set aside. */
export const LESSONS_WAITING = sql`(select count(*)::int from lesson fl where fl.job_id = f.id and fl.state = 'waiting')`;
