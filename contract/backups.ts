import { A_FILE, address, answers } from './address.ts';

/** A backup, or a trial of one: a restore into a database made for it and thrown away. */
export interface BackupRow {
  readonly id: string;
  readonly kind: 'daily' | 'asked' | 'trial';
  readonly file: string;
  readonly startedAt: string;
  /** Null while it runs. */
  readonly endedAt: string | null;
  /** Written so far; null for a trial. */
  readonly bytes: number | null;
  /** Why it failed; null where it did not. */
  readonly fault: string | null;
  /** Thrown away since, by the rules of keeping. */
  readonly gone: boolean;
}

export interface BackupsNow {
  /** Newest first. */
  readonly runs: readonly BackupRow[];
  /** Where they lie on the server. */
  readonly folder: string;
  /** Are they made daily by themselves? */
  readonly daily: boolean;
}

/** What runs here, for whoever asks for help or brings it up to date. */
export interface Running {
  readonly dajo: string;
  readonly node: string;
  readonly postgres: string;
  /** Steps the database has taken. */
  readonly steps: number;
  readonly startedAt: string;
}

export const backupAddress = {
  now: address({ method: 'get', path: '/backups', may: 'manager', answer: answers<BackupsNow>() }),
  make: address({ method: 'post', path: '/backups', may: 'manager', answer: answers<{ readonly started: string }>() }),
  file: address({ method: 'get', path: '/backups/:run/file', may: 'manager', answer: A_FILE }),
  running: address({ method: 'get', path: '/version', may: 'viewer', answer: answers<Running>() }),
} as const;
