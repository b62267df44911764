import connectPgSimple from 'connect-pg-simple';
import session, { type SessionData, type Store } from 'express-session';
import type pg from 'pg';
import type { Logger } from 'pino';
import { sharing } from '../read/together.ts';

/** A session in use is written as such this often, not with every request. */
const TOUCH_MINUTES = 5;
/** Sessions remembered as touched; forgetting them costs one statement each. */
const MOST_REMEMBERED = 5000;
const PRUNE_S = 15 * 60;

/** Sessions in the database, pruned when they have run out. Only signed-in people have one. */
export function sessionStore(pool: pg.Pool, logger: Logger): Store & { close: () => Promise<void> } {
  const PgStore = connectPgSimple(session);
  class SeldomTouched extends PgStore {
    /** When this server last wrote that a session is in use, epoch ms. */
    readonly #touched = new Map<string, number>();

    readonly #shared = sharing();

    /** Requests of one session that come at the same moment ask for it once. */
    override get(sid: string, done: (error: unknown, data?: SessionData | null) => void): void {
      this.#shared(
        sid,
        () =>
          new Promise<SessionData | null>((answer, fail) =>
            super.get(sid, (error: unknown, data?: SessionData | null) => (error ? fail(error) : answer(data ?? null))),
          ),
      ).then(
        // A copy each: whoever asks may change it.
        (data) => done(null, data && structuredClone(data)),
        (error: unknown) => done(error),
      );
    }

    override touch(sid: string, data: SessionData, done: (error?: unknown) => void): void {
      const now = Date.now();
      if (now - (this.#touched.get(sid) ?? 0) < TOUCH_MINUTES * 60_000) {
        done();
        return;
      }
      if (this.#touched.size >= MOST_REMEMBERED) this.#touched.clear();
      this.#touched.set(sid, now);
      const until = new Date(data.cookie.expires ?? Date.now());
      // Changes only what is there: a session that was ended meanwhile must not come back with an answer under way. The
      // answer is made already, so a session that could not be touched must not break it either.
      pool
        .query(
          'update session set expire = $1 where sid = $2 and expire < $1::timestamptz - make_interval(mins => $3)',
          [until, sid, TOUCH_MINUTES],
        )
        .catch((error: unknown) => logger.debug({ err: error }, 'a session was not touched'))
        .finally(() => done());
    }
  }
  return new SeldomTouched({
    pool,
    tableName: 'session',
    pruneSessionInterval: PRUNE_S,
    errorLog: (...text) => logger.debug(text),
  }) as unknown as Store & { close: () => Promise<void> };
}
