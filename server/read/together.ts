/**
 * Lets those who ask for the same thing at the same moment share one answer. Nobody is given one that was begun before
 * they asked, so that what was stored before asking is always in it: while one is on its way, all who ask wait for it
 * to end and share the next. A failure is told to all who share it, and kept for nobody.
 */
export function sharing(): <T>(key: string, work: () => Promise<T>) => Promise<T> {
  const running = new Map<string, Promise<unknown>>();
  const next = new Map<string, Promise<unknown>>();
  const run = <T>(key: string, work: () => Promise<T>): Promise<T> => {
    const answer = work().finally(() => running.delete(key));
    running.set(key, answer);
    return answer;
  };
  return <T>(key: string, work: () => Promise<T>): Promise<T> => {
    const now = running.get(key);
    if (!now) return run(key, work);
    const waiting = next.get(key) as Promise<T> | undefined;
    if (waiting) return waiting;
    const after = () => {
      next.delete(key);
      return run(key, work);
    };
    const later = now.then(after, after);
    next.set(key, later);
    return later;
  };
}

const byDatabase = new WeakMap<object, ReturnType<typeof sharing>>();

/** What is shared by all who ask one database. */
export function sharedBy(db: object): ReturnType<typeof sharing> {
  const known = byDatabase.get(db);
  if (known) return known;
  const made = sharing();
  byDatabase.set(db, made);
  return made;
}
