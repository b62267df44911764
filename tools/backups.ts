import { existsSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Backups } from '../server/backups/backups.ts';
import { backUp, tryBackup } from './backupFile.ts';

const TELL_MS = 1000;

/** Backups of one database in one folder, by PostgreSQL's own programs. */
export function backupsOf(url: string, folder: string, daily: boolean): Backups {
  const at = resolve(folder);
  const way = (file: string) => join(at, file);
  return {
    folder: at,
    daily,
    write: async (file, told) => {
      const growing = `${way(file)}.growing`;
      const timer = setInterval(() => existsSync(growing) && told(statSync(growing).size), TELL_MS);
      try {
        return await backUp(url, way(file));
      } finally {
        clearInterval(timer);
      }
    },
    tryOut: (file) => tryBackup(way(file), url),
    remove: (file) => rmSync(way(file), { force: true }),
    find: (file) => (existsSync(way(file)) ? way(file) : null),
  };
}
