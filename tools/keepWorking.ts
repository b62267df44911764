import pg from 'pg';
import type { Backups } from '../server/backups/backups.ts';
import { doDue } from '../server/backups/runs.ts';
import { connect } from '../server/db/connect.ts';
import { tidy } from '../server/tidy.ts';

/** How often it is looked whether something is due, ms. */
const LOOK_MS = 10 * 60_000;
/** The word of the lock by which one of several servers and workers does what is due. */
const LOCK = 4_417_030;

export interface Working {
  readonly stop: () => Promise<void>;
  /** Looks now; resolves when what was due is done, or somebody else is doing it. */
  readonly look: () => Promise<readonly string[]>;
}

/**
 * Does what a workshop's database needs done by itself: tidying, daily backups, their weekly trial. Any number of servers
 * and workers may run this on one database: one of them does it, the others look again later.
 */
export function keepWorking(url: string, backups: Backups | null): Working {
  const { db, close } = connect(url, 2);
  let going: Promise<readonly string[]> = Promise.resolve([]);
  const once = async (): Promise<readonly string[]> => {
    const holder = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
    holder.on('error', () => {});
    await holder.connect();
    try {
      const { rows } = await holder.query<{ mine: boolean }>('select pg_try_advisory_lock($1) as mine', [LOCK]);
      if (!rows[0]?.mine) return [];
      await tidy(db);
      return backups?.daily ? await doDue(db, backups, new Date()) : [];
    } finally {
      await holder.end().catch(() => {});
    }
  };
  // A database that is away is worked on later.
  const look = () => {
    going = going.then(once, once);
    return going;
  };
  const timer = setInterval(() => void look().catch(() => {}), LOOK_MS);
  timer.unref();
  const first = setTimeout(() => void look().catch(() => {}), LOOK_MS / 10);
  first.unref();
  return {
    look,
    stop: async () => {
      clearInterval(timer);
      clearTimeout(first);
      await going.catch(() => {});
      await close();
    },
  };
}
