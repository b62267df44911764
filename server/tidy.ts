import { lt, sql } from 'drizzle-orm';
import type { Db } from './db/connect.ts';
import { idempotencyKey, signInTry } from './db/schema/index.ts';
import { tidyFiles } from './read/tidyFiles.ts';

/** Keys of requests are kept this long: nobody sends the same request again later than that. */
const KEY_DAYS = 7;

/** Throws away keys of requests older than a week and counts of sign-in tries that have run out. */
export async function tidy(db: Db): Promise<void> {
  await db.delete(idempotencyKey).where(lt(idempotencyKey.at, sql`now() - make_interval(days => ${KEY_DAYS})`));
  await tidyFiles(db);
  await db.delete(signInTry).where(lt(signInTry.expire, Date.now()));
}
