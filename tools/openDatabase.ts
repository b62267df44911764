import { emptyAll, isEmpty, loadDemo } from '../demo/load.ts';
import { connect } from '../server/db/connect.ts';
import { migrateUp } from '../server/db/migrate.ts';
import { type Cluster, startCluster } from './cluster.ts';
import { ensureDatabase } from './ensureDatabase.ts';
import { say } from './say.ts';

export interface OpenDatabase {
  readonly url: string;
  readonly stop: () => void;
}

/** The database of DATABASE_URL, or the private cluster's, brought up to date. */
export async function openDatabase(): Promise<OpenDatabase> {
  let cluster: Cluster | null = null;
  let url = process.env.DATABASE_URL;
  if (!url) {
    cluster = await startCluster('database');
    await ensureDatabase(cluster.url('postgres'), 'dajo');
    url = cluster.url('dajo');
  }
  await migrateUp(url);
  return { url, stop: () => cluster?.stop() };
}

/** Loads the sample workshop: into an empty database, or after emptying it when `reset`. */
export async function loadSample(url: string, reset: boolean): Promise<void> {
  const { pool, db } = connect(url, process.env.WORKSHOP_TIME_ZONE ?? 'Europe/Lisbon', 2);
  try {
    if (reset) await emptyAll(db);
    if (await isEmpty(db)) {
      say('Loading the sample workshop …');
      await loadDemo(db, new Date());
    }
  } finally {
    await pool.end();
  }
}
