import { type Cluster, startCluster } from './cluster.ts';

export interface Which {
  readonly url: string;
  readonly stop: () => void;
}

/** The database a command is about: that of DATABASE_URL, or in our own cluster the own workshop's or the sample's. */
export async function whichDatabase(sample: boolean): Promise<Which> {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, stop: () => {} };
  const cluster: Cluster = await startCluster('database');
  return { url: cluster.url(sample ? 'dajo' : 'dajo_own'), stop: () => cluster.stop() };
}
