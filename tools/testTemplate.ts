import { loadDemo } from '../demo/load.ts';
import { connect } from '../server/db/connect.ts';
import { migrateUp } from '../server/db/migrate.ts';
import { dropDatabase } from '../tests/api/dropDatabase.ts';
import type { Cluster } from './cluster.ts';
import { ensureDatabase } from './ensureDatabase.ts';

export const TEMPLATE = 'dajo_template';

/** A database with the sample loaded, made anew, that tests copy. */
export async function makeTemplate(cluster: Cluster): Promise<void> {
  await dropDatabase(cluster.url('postgres'), TEMPLATE);
  await ensureDatabase(cluster.url('postgres'), TEMPLATE);
  await migrateUp(cluster.url(TEMPLATE));
  const { db, close } = connect(cluster.url(TEMPLATE), 2);
  await loadDemo(db, new Date());
  await close();
}
