import { and, desc, eq, isNotNull, isNull, ne, type SQL, sql } from 'drizzle-orm';
import type { BackupRow } from '../../contract/backups.ts';
import { toThrowAway } from '../../core/practice/keeping.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { backupRun } from '../db/schema/index.ts';
import { workshopNow } from '../read/workshop.ts';
import type { Backups } from './backups.ts';

const DAY_MS = 86_400_000;
/** A run that has not ended after this long was cut off with its server. */
const CUT_AFTER_MS = 6 * 3_600_000;
const TRIAL_EVERY_MS = 7 * DAY_MS;
/** One that failed is tried again after this long: a disk that was full may have room again. */
const AGAIN_MS = 3_600_000;

export const rowOf = (row: typeof backupRun.$inferSelect): BackupRow => ({
  id: String(row.id),
  kind: row.kind,
  file: row.file,
  startedAt: row.startedAt.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
  bytes: row.bytes,
  fault: row.fault,
  gone: row.goneAt !== null,
});

const stamp = (now: Date) => now.toISOString().slice(0, 19).replace('T', '-').replaceAll(':', '');

/** Notes a run as begun; what is then done is told in its row, whoever waits for it. */
async function begin(db: Db | Tx, kind: BackupRow['kind'], file: string): Promise<number> {
  const row = made(await db.insert(backupRun).values({ kind, file }).returning({ id: backupRun.id }));
  return row.id;
}

/** A backup that is noted and not written yet. */
export interface Noted {
  readonly id: number;
  readonly file: string;
}
export async function noteBackup(db: Db | Tx, kind: 'daily' | 'asked', now: Date): Promise<Noted> {
  const file = `dajo-${kind}-${stamp(now)}.backup`;
  return { id: await begin(db, kind, file), file };
}

/** Writes what was noted; answers whether it came to a whole file. Its row says why not. */
export function writeBackup(db: Db, backups: Backups, { id, file }: Noted): Promise<boolean> {
  const told = (bytes: number) =>
    void db
      .update(backupRun)
      .set({ bytes })
      .where(and(eq(backupRun.id, id), isNull(backupRun.endedAt)))
      .catch(() => {});
  return end(db, id, () => backups.write(file, told));
}

/** Does the work of a run and tells in its row how it ended. Never throws: nobody waits for it who could be told. */
async function end(db: Db, id: number, work: () => Promise<number | null>): Promise<boolean> {
  const tell = (how: { bytes: number | null } | { fault: string }) =>
    db
      .update(backupRun)
      .set({ endedAt: sql`now()`, ...how })
      .where(eq(backupRun.id, id))
      // A database that is away meanwhile: the run counts as cut off later.
      .catch(() => {});
  try {
    await tell({ bytes: await work() });
    return true;
  } catch (error) {
    await tell({ fault: error instanceof Error ? error.message : String(error) });
    return false;
  }
}

/** Tries the newest whole backup; nothing where there is none. */
export async function tryNewest(db: Db, backups: Backups): Promise<boolean | null> {
  const [newest] = await wholeOnes(db, 1);
  if (!newest) return null;
  const id = await begin(db, 'trial', newest.file);
  return end(db, id, async () => {
    await backups.tryOut(newest.file);
    return null;
  });
}

const wholeOnes = (db: Db, most: number) =>
  db
    .select()
    .from(backupRun)
    .where(
      and(ne(backupRun.kind, 'trial'), isNotNull(backupRun.endedAt), isNull(backupRun.fault), isNull(backupRun.goneAt)),
    )
    .orderBy(desc(backupRun.id))
    .limit(most);

/** Throws away daily backups that the rules of keeping let go; those that were asked for stay until somebody drops them. */
async function throwAway(db: Db, backups: Backups, now: Date): Promise<void> {
  const daily = (await wholeOnes(db, 1000))
    .filter(({ kind }) => kind === 'daily')
    .map((row) => ({ ...row, id: String(row.id), at: row.startedAt.getTime() }));
  for (const one of toThrowAway(daily, now.getTime())) {
    backups.remove(one.file);
    await db
      .update(backupRun)
      .set({ goneAt: now })
      .where(eq(backupRun.id, Number(one.id)));
  }
}

const lastOf = async (db: Db, kind: BackupRow['kind'], how?: SQL) =>
  (
    await db
      .select()
      .from(backupRun)
      .where(and(eq(backupRun.kind, kind), how))
      .orderBy(desc(backupRun.id))
      .limit(1)
  )[0];

/** Is one of a kind due: the last good one too old, and the last try not just now? */
async function isDue(db: Db, kind: BackupRow['kind'], everyMs: number, now: Date): Promise<boolean> {
  const age = (row: { startedAt: Date } | undefined) =>
    row ? Math.abs(now.getTime() - row.startedAt.getTime()) : Number.POSITIVE_INFINITY;
  if (age(await lastOf(db, kind, isNull(backupRun.fault))) < everyMs) return false;
  return age(await lastOf(db, kind)) >= AGAIN_MS;
}

/**
 * What is due now: a daily backup when the last good one is a day old, what may go thrown away, a trial when the last good
 * one is a week old; what failed is tried again an hour later. Nothing is due before there is a workshop.
 * A clock that stands before the last run counts as due: it is the clock that is wrong.
 *
 * @returns what was done
 */
export async function doDue(db: Db, backups: Backups, now: Date): Promise<('daily' | 'trial')[]> {
  const done: ('daily' | 'trial')[] = [];
  if (!(await workshopNow(db))) return done;
  const cut = new Date(now.getTime() - CUT_AFTER_MS);
  await db
    .update(backupRun)
    .set({ endedAt: now, fault: 'It was cut off: the server ended meanwhile.' })
    .where(and(isNull(backupRun.endedAt), sql`${backupRun.startedAt} < ${cut.toISOString()}::timestamptz`));
  if (await isDue(db, 'daily', DAY_MS, now)) {
    await writeBackup(db, backups, await noteBackup(db, 'daily', now));
    await throwAway(db, backups, now);
    done.push('daily');
  }
  if ((await isDue(db, 'trial', TRIAL_EVERY_MS, now)) && (await tryNewest(db, backups)) !== null) done.push('trial');
  return done;
}
