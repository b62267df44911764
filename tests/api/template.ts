import type { TestProject } from 'vitest/node';
import { startCluster } from '../../tools/cluster.ts';
import { makeTemplate } from '../../tools/testTemplate.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Where databases for tests are made, with DB as the name to put in. */
    databaseUrl: string;
  }
}

/** One cluster of its own for all tests, and one loaded sample that every test file copies. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await startCluster('test');
  await makeTemplate(cluster);
  project.provide('databaseUrl', cluster.url('DB'));
  return async () => cluster.stop();
}
