import { emptyAll, isEmpty, isSample, loadDemo } from '../demo/load.ts';
import { connect } from '../server/db/connect.ts';
import { migrateUp } from '../server/db/migrate.ts';
import { type Cluster, startCluster } from './cluster.ts';
import { ensureDatabase } from './ensureDatabase.ts';
import { say } from './say.ts';

/** The database of a workshop of one's own in our cluster; nothing of the sample is ever in it. */
const OWN = 'dajo_own';

export interface OpenDatabase {
  readonly url: string;
  readonly name: string;
  /** Our own cluster on loopback, in which nothing but the sample lives. */
  readonly privateCluster: boolean;
  /** Is the sample workshop in it? */
  readonly sample: boolean;
  /** In our own cluster: the database of a workshop of one's own, brought up to date. */
  readonly own: string | null;
  readonly stop: () => void;
}

/** What to do about the sample workshop. */
export type SampleWish =
  /** Load it into an empty database. */
  | 'load'
  /** Empty the database, then load it. */
  | 'reset'
  /** Leave the database as it is. */
  | 'none';

/**
 * The database of DATABASE_URL, or the private cluster's, brought up to date and with the sample where it is wished.
 * Whoever starts at the same moment waits until this is done.
 *
 * @param wish told whether it is our own cluster and what the database is called
 */
export async function openDatabase(
  wish: (privateCluster: boolean, name: string) => SampleWish | Promise<SampleWish>,
): Promise<OpenDatabase> {
  const given = process.env.DATABASE_URL;
  let cluster: Cluster | null = null;
  let url = given ?? '';
  if (given && !/^postgres(ql)?:$/.test(new URL(given).protocol))
    throw Object.assign(new TypeError('no PostgreSQL address'), { code: 'ERR_INVALID_URL' });
  if (!given) {
    cluster = await startCluster('database');
    await ensureDatabase(cluster.url('postgres'), 'dajo');
    url = cluster.url('dajo');
  }
  const stop = () => cluster?.stop();
  const name = databaseName(url);
  try {
    const wanted = await wish(cluster !== null, name);
    let sample = false;
    await migrateUp(url, async () => {
      sample = await prepareSample(url, wanted);
    });
    let own: string | null = null;
    if (cluster) {
      await ensureDatabase(cluster.url('postgres'), OWN);
      own = cluster.url(OWN);
      await migrateUp(own);
    }
    return { url, name, privateCluster: cluster !== null, sample, own, stop };
  } catch (error) {
    stop();
    throw error;
  }
}

/** The name of the database in its address; the address itself where it cannot be read. */
export function databaseName(url: string): string {
  try {
    return decodeURIComponent(new URL(url).pathname.slice(1)) || url;
  } catch {
    return url;
  }
}

/** Does what is wished with the sample; answers whether it is in the database afterwards. */
export async function prepareSample(url: string, wish: SampleWish): Promise<boolean> {
  const { db, close } = connect(url, 2);
  try {
    if (wish === 'reset') await emptyAll(db);
    if (wish !== 'none' && (await isEmpty(db))) {
      say('Loading the sample workshop …');
      await loadDemo(db, new Date());
    }
    return await isSample(db);
  } finally {
    await close();
  }
}

/** Prepares a database with the sample as a start does; for tests, which have databases of their own. */
export const openDatabaseForTest = (url: string): Promise<void> =>
  migrateUp(url, async () => {
    await prepareSample(url, 'load');
  });
