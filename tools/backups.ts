import { existsSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Backups } from '../server/backups/backups.ts';
import { backUp, tryBackup } from './backupFile.ts';

const TELL_MS = 1000;

/** Backups of one database in one folder, by PostgreSQL's own programs. */
export function backupsOf(url: string, folder: string, daily: boolean): Backups {
  const at = resolve(folder);
  const way = (file: string) => join(at, file);
  const stopping = new AbortController();
  const going = new Set<Promise<unknown>>();
  const follow = <T>(work: Promise<T>): Promise<T> => {
    going.add(work);
    return work.finally(() => going.delete(work));
  };
  return {
    folder: at,
    daily,
    write: (file, told) => {
      const growing = `${way(file)}.growing`;
      const timer = setInterval(() => existsSync(growing) && told(statSync(growing).size), TELL_MS);
      return follow(backUp(url, way(file), stopping.signal)).finally(() => clearInterval(timer));
    },
    tryOut: (file) => follow(tryBackup(way(file), url, stopping.signal)),
    stop: async () => {
      stopping.abort();
      await Promise.allSettled(going);
    },
    remove: (file) => rmSync(way(file), { force: true }),
    find: (file) => (existsSync(way(file)) ? way(file) : null),
  };
}
