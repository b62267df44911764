import type { TestProject } from 'vitest/node';
import { loadDemo } from '../../demo/load.ts';
import { connect } from '../../server/db/connect.ts';
import { migrateUp } from '../../server/db/migrate.ts';
import { startCluster } from '../../tools/cluster.ts';
import { ensureDatabase } from '../../tools/ensureDatabase.ts';
import { dropDatabase } from './dropDatabase.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Where databases for tests are made, with DB as the name to put in. */
    databaseUrl: string;
  }
}

export const TEMPLATE = 'dajo_template';

/** One cluster of its own for all tests, and one loaded sample that every test file copies. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await startCluster('test');
  const admin = cluster.url('postgres');
  await dropDatabase(admin, TEMPLATE);
  await ensureDatabase(admin, TEMPLATE);
  await migrateUp(cluster.url(TEMPLATE));
  const { pool, db } = connect(cluster.url(TEMPLATE), 'Europe/Lisbon', 2);
  await loadDemo(db, new Date());
  await pool.end();
  project.provide('databaseUrl', cluster.url('DB'));
  return async () => cluster.stop();
}
