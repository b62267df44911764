import { sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { file } from '../db/schema/index.ts';

/** Days in which a dropped file can be taken back. */
export const KEPT_DROPPED_DAYS = 30;

/** A content that was just written may be about to be referred to. */
const GRACE_HOURS = 1;

/** Throws away files dropped a month ago, and contents nothing refers to any more. */
export async function tidyFiles(db: Db | Tx, graceHours = GRACE_HOURS): Promise<void> {
  await db.delete(file).where(sql`${file.droppedAt} < now() - make_interval(days => ${KEPT_DROPPED_DAYS})`);
  await db.execute(sql`
    delete from file_content c where c.at <= now() - make_interval(hours => ${graceHours})
      and not exists (select 1 from file f where f.hash = c.hash) and not exists (select 1 from file f where f.small_hash = c.hash)`);
}
