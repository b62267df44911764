import { createReadStream, statSync } from 'node:fs';
import { desc, eq, sql } from 'drizzle-orm';
import { backupAddress } from '../../contract/backups.ts';
import { one } from '../db/one.ts';
import { backupRun } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { NotFound, RuleBroken } from '../problems.ts';
import { type Noted, noteBackup, rowOf, writeBackup } from './runs.ts';

/** More than this nobody reads down. */
const MOST = 60;
/** Two at one time would take the disk twice for the same. */
const RUNNING_MS = 3_600_000;

export const backupEndpoints = [
  serve(backupAddress.now, async ({ db, backups }) => ({
    runs: (await db.select().from(backupRun).orderBy(desc(backupRun.id)).limit(MOST)).map(rowOf),
    folder: backups?.folder ?? '',
    daily: backups?.daily ?? false,
  })),
  serve(backupAddress.make, async ({ db, backups, now, change, person }) => {
    if (!backups) throw new RuleBroken('This server makes no backups: use npm run backup where it runs.');
    let noted: Noted | null = null;
    const answer = await change(async ({ tx, log }) => {
      await tx.execute(sql`select pg_advisory_xact_lock(4417031)`);
      const [last] = await tx.select().from(backupRun).orderBy(desc(backupRun.id)).limit(1);
      if (last && !last.endedAt && now().getTime() - last.startedAt.getTime() < RUNNING_MS)
        throw new RuleBroken('A backup is being made or tried at this moment.');
      noted = await noteBackup(tx, 'asked', now());
      const { file } = noted;
      await log({
        what: `asked for a backup, ${file}`,
        resource: 'workshop',
        id: '1',
        after: { by: person.name, file },
      });
      return { started: file };
    });
    // Written when it is noted for good; the page follows its row.
    if (noted) void writeBackup(db, backups, noted);
    return answer;
  }),
  serve(backupAddress.file, async ({ db, backups, params, res }) => {
    if (!/^\d{1,15}$/.test(params.run)) throw new NotFound('backup');
    const row = one(
      await db
        .select()
        .from(backupRun)
        .where(eq(backupRun.id, Number(params.run))),
      'backup',
    );
    const path = row.endedAt && !row.fault && row.kind !== 'trial' ? (backups?.find(row.file) ?? null) : null;
    if (path === null) throw new NotFound('backup on this server');
    res
      .type('application/octet-stream')
      .set('Content-Length', String(statSync(path).size))
      .attachment(row.file);
    createReadStream(path)
      .on('error', () => res.destroy())
      .pipe(res);
    return undefined;
  }),
  serve(backupAddress.running, async ({ db, version, startedAt }) => {
    const { rows } = await db.execute<{ postgres: string; steps: number }>(
      `select current_setting('server_version') as postgres, (select count(*)::int from drizzle.__drizzle_migrations) as steps`,
    );
    return {
      dajo: version,
      node: process.versions.node,
      postgres: rows[0]!.postgres,
      steps: rows[0]!.steps,
      startedAt: startedAt.toISOString(),
    };
  }),
];
