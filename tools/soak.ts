import type { JobRow, JobSheet } from '../contract/job.ts';
import { dropDatabase } from '../tests/api/dropDatabase.ts';
import { type Passport, signInOver } from '../tests/api/signInOver.ts';
import { median } from './bench/row.ts';
import { startCluster } from './cluster.ts';
import { ensureDatabase } from './ensureDatabase.ts';
import { openDatabaseForTest } from './openDatabase.ts';
import { say } from './say.ts';
import { measuredServer } from './soak/measuredServer.ts';
import { worstBodies } from './soak/worstBodies.ts';

// npm run soak [-- minutes]: 50 connections and 300 streams, some of which never read, against one server. Held when
// its resident memory at the end is at most 1.2 times what it was after the first minute.
const minutes = Number(process.argv[2] ?? 15);
const CONNECTIONS = 50;
const STREAMS = 300;
const STALLED_EVERY = 10;
const MOST_GROWTH = 1.2;
const SAMPLE_MS = 5000;

const cluster = await startCluster('soak');
const database = 'soak';
await dropDatabase(cluster.url('postgres'), database);
await ensureDatabase(cluster.url('postgres'), database);
await openDatabaseForTest(cluster.url(database));
const server = await measuredServer(cluster.url(database));
const people: Passport[] = [];
for (const name of ['ilse', 'soren', 'tove', 'jory', 'mabel', 'ravi', 'petra', 'odo'])
  people.push(await signInOver(server.url, name));
const ilse = people[0]!;
const get = async (path: string) => (await fetch(`${server.url}/api${path}`, { headers: ilse.headers })).json();
const jobs = (await get('/jobs')) as JobRow[];
const sheet = (await get(`/jobs/${jobs.find((job) => job.title === 'Bakery van')!.number}`)) as JobSheet;
const worst = worstBodies(sheet.number, sheet.version, sheet.designs[0]!.inputs);

let stopped = false;
let requests = 0;
const statuses = new Map<number, number>();

async function follow(who: Passport, stalled: boolean): Promise<void> {
  while (!stopped) {
    const answer = await fetch(`${server.url}/api/events`, { headers: { cookie: who.cookie } }).catch(() => null);
    const reader = answer?.body?.getReader();
    if (!reader) {
      await new Promise((done) => setTimeout(done, 500));
      continue;
    }
    while (!stopped) {
      if (stalled) await new Promise((done) => setTimeout(done, 1000));
      else if ((await reader.read().catch(() => ({ done: true }))).done) break;
    }
    await reader.cancel().catch(() => {});
  }
}

const pick = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;
async function work(): Promise<void> {
  while (!stopped) {
    const who = pick(people);
    const chance = Math.random();
    const [method, path, body] =
      chance < 0.35
        ? ['GET', '/api/floor', undefined]
        : chance < 0.6
          ? ['GET', `/api/jobs/${pick(jobs).number}`, undefined]
          : chance < 0.7
            ? ['GET', '/api/jobs', undefined]
            : chance < 0.85
              ? ['POST', `/api/jobs/${sheet.number}/snags`, JSON.stringify({ text: `noise ${Math.random()}` })]
              : chance < 0.86
                ? ['GET', `/api/jobs/${sheet.number}/sign-off.pdf`, undefined]
                : (({ method, path, body }) => [method, path, body] as const)(pick(worst));
    const answer = await fetch(`${server.url}${path}`, {
      method: method!,
      headers: who.headers,
      ...(body ? { body } : {}),
    }).catch(() => null);
    await answer?.arrayBuffer().catch(() => null);
    requests++;
    statuses.set(answer?.status ?? 0, (statuses.get(answer?.status ?? 0) ?? 0) + 1);
    // A person looks at what came before asking again.
    await new Promise((done) => setTimeout(done, 50 + Math.random() * 200));
  }
}

const busy = [
  ...Array.from({ length: STREAMS }, (_, i) => follow(people[i % people.length]!, i % STALLED_EVERY === 0)),
  ...Array.from({ length: CONNECTIONS }, work),
];
const began = Date.now();
const samples: { atS: number; mb: number }[] = [];
while (Date.now() - began < minutes * 60_000) {
  await new Promise((done) => setTimeout(done, SAMPLE_MS));
  const health = await server.report();
  const atS = (Date.now() - began) / 1000;
  samples.push({ atS, mb: health.residentMb });
  if (samples.length % 12 === 0)
    say(
      `${(atS / 60).toFixed(0)} min: ${health.residentMb.toFixed(0)} MB, heap ${health.heapMb.toFixed(0)} MB, ${requests} requests`,
    );
}
stopped = true;
await server.close();
cluster.stop();
void busy;
// Memory goes up and down by a fifth between two collections: one minute's median against another's shows what stays.
const usual = (from: number) =>
  median(samples.filter(({ atS }) => atS > from && atS <= from + 60).map((sample) => sample.mb));
const first = usual(60);
const last = usual(minutes * 60 - 60);
const growth = last / first;
say(`Answers by status: ${JSON.stringify(Object.fromEntries(statuses))}`);
say(
  `${growth <= MOST_GROWTH ? 'held' : 'MISSED'}: ${first.toFixed(0)} MB after the first minute, ${last.toFixed(0)} MB at the end: ${growth.toFixed(2)} ×, aim ≤ ${MOST_GROWTH} ×`,
);
process.exit(growth <= MOST_GROWTH && !statuses.has(500) ? 0 : 1);
