import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { floorSql } from '../server/floor/query.ts';
import { dropDatabase } from '../tests/api/dropDatabase.ts';
import { signInOver } from '../tests/api/signInOver.ts';
import { clockingRows } from './bench/clocking.ts';
import { dragging } from './bench/drag.ts';
import { layingOut, matchAgain, ranking } from './bench/matching.ts';
import { offerOf200 } from './bench/offer.ts';
import { planning } from './bench/plan.ts';
import { planPage } from './bench/planPage.ts';
import { afterOneInput, spreadOfRange, turned } from './bench/questions.ts';
import { rendering } from './bench/render.ts';
import { median, type Row } from './bench/row.ts';
import { serverRows } from './bench/server.ts';
import { bigRoute, cycleAgainstLoop, searching, wholeDesign } from './bench/size.ts';
import { ledgerRows, nettingRow, stringsRow } from './bench/stores.ts';
import { backupRows, libraryRows } from './bench/workshop.ts';
import { buildPage } from './buildPage.ts';
import { startCluster } from './cluster.ts';
import { copyTemplate } from './copyTemplate.ts';
import { say } from './say.ts';
import { serve } from './serve.ts';
import { makeTemplate, TEMPLATE } from './testTemplate.ts';

/** Compressed JavaScript that the Floor fetches at first: the entry, what it imports, and the Floor's own part. */
async function firstLoad(): Promise<Row> {
  const folder = await buildPage();
  const html = readFileSync(join(folder, 'index.html'), 'utf8');
  const wanted = new Set([...html.matchAll(/assets\/[\w.-]+\.js/g)].map((match) => match[0]));
  const entry = [...wanted].find((file) => /assets\/index-/.test(file));
  const text = entry ? readFileSync(join(folder, entry), 'utf8') : '';
  const floor = /assets\/Floor-[\w-]+\.js/.exec(text)?.[0] ?? /Floor-[\w-]+\.js/.exec(text)?.[0];
  const queue = [...wanted, ...(floor ? [floor.startsWith('assets/') ? floor : `assets/${floor}`] : [])];
  const seen = new Set<string>();
  let bytes = 0;
  while (queue.length > 0) {
    const file = queue.pop()!;
    if (seen.has(file) || !existsSync(join(folder, file))) continue;
    seen.add(file);
    bytes += readFileSync(join(folder, `${file}.br`)).length;
    for (const match of readFileSync(join(folder, file), 'utf8').matchAll(
      /(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g,
    ))
      queue.push(`assets/${match[1]}`);
  }
  const kb = bytes / 1000;
  return {
    what: `First load of the Floor, ${seen.size} files`,
    figure: `${kb.toFixed(0)} kB compressed`,
    aim: '≤ 450 kB',
    held: kb <= 450 && floor !== undefined,
  };
}

/** Fills a database up to 500 jobs and 100 000 time entries by copying finished ones. */
async function fill(client: pg.Client): Promise<void> {
  await client.query(`
    insert into job (number, vehicle_id, state, use, kit_revision_id, created_at)
      select '90-' || lpad(n::text, 3, '0'), j.vehicle_id, 'handedOver', j.use, j.kit_revision_id, now()
      from generate_series(1, 484) n, (select * from job where state = 'handedOver' limit 1) j;
    insert into stage (job_id, position, key, name, hours, people, live_hv, state, finished_at, finished_by_id)
      select j.id, p, 'stage-' || p, 'Stage ' || p, 4, 1, false, 'done', now(), (select id from person limit 1)
      from job j, generate_series(1, 10) p where j.number like '90-%';
    insert into time_entry (person_id, stage_id, kind, "from", "to")
      select (select id from person order by name limit 1), x.id, 'work', now() - interval '90 days' - x.k * interval '45 minutes', now() - interval '90 days' - x.k * interval '45 minutes' + interval '40 minutes'
      from (select s.id, row_number() over () as k from stage s, generate_series(1, 21) n where s.key like 'stage-%') x;
    analyze;`);
}

/** The page alone. */
async function pageRows(): Promise<Row[]> {
  const cluster = await startCluster('test');
  try {
    await makeTemplate(cluster);
    return [await firstLoad(), await rendering(cluster, TEMPLATE), ...(await dragging(cluster, TEMPLATE))];
  } finally {
    cluster.stop();
  }
}

/** The plan of a whole season on the page. */
async function planRows(): Promise<Row[]> {
  const cluster = await startCluster('test');
  try {
    await makeTemplate(cluster);
    const running = await serve(cluster.url(TEMPLATE), await buildPage(), 0, { log: 'silent' });
    try {
      return await planPage(running.url);
    } finally {
      await running.close();
    }
  } finally {
    cluster.stop();
  }
}

/** The Floor's data over HTTP against the same statement through pg alone. */
async function floorAnswer(): Promise<Row[]> {
  const cluster = await startCluster('test');
  const name = 'bench';
  try {
    await makeTemplate(cluster);
    await dropDatabase(cluster.url('postgres'), name);
    await copyTemplate(cluster.url('postgres'), name);
    const client = new pg.Client({ connectionString: cluster.url(name) });
    await client.connect();
    await fill(client);
    const { rows: counts } = await client.query(
      'select (select count(*) from job)::int as jobs, (select count(*) from time_entry)::int as entries',
    );
    const running = await serve(cluster.url(name), null, 0, { log: 'silent' });
    const { cookie } = await signInOver(running.url, 'ilse');
    const headers = { cookie, 'Accept-Encoding': 'identity' };
    const today = new Date(new Date().toISOString().slice(0, 10));
    const bare: number[] = [];
    const http: number[] = [];
    for (let i = 0; i < 60; i++) {
      let start = performance.now();
      await client.query(floorSql(today, 7.5));
      bare.push(performance.now() - start);
      start = performance.now();
      await (await fetch(`${running.url}/api/floor`, { headers })).text();
      http.push(performance.now() - start);
    }
    await running.close();
    await client.end();
    const served = [...(await serverRows(cluster.url(name))), ...(await clockingRows(cluster.url(name)))];
    await dropDatabase(cluster.url('postgres'), name);
    const ratio = median(http.slice(10)) / median(bare.slice(10));
    const size = `${counts[0].jobs} jobs, ${counts[0].entries} time entries`;
    return [
      ...served,
      {
        what: `Floor's data over HTTP against the bare query, ${size}`,
        figure: `${ratio.toFixed(2)} × (${median(http.slice(10)).toFixed(1)} ms against ${median(bare.slice(10)).toFixed(1)} ms)`,
        aim: '≤ 3 ×',
        held: ratio <= 3,
      },
    ];
  } finally {
    cluster.stop();
  }
}

/** A library and a store of files as large as any workshop's. */
async function workshopRows(): Promise<Row[]> {
  const cluster = await startCluster('test');
  const name = 'bench_workshop';
  try {
    await makeTemplate(cluster);
    await dropDatabase(cluster.url('postgres'), name);
    await copyTemplate(cluster.url('postgres'), name);
    const library = await libraryRows(cluster, name);
    await dropDatabase(cluster.url('postgres'), name);
    await copyTemplate(cluster.url('postgres'), name);
    const client = new pg.Client({ connectionString: cluster.url(name) });
    await client.connect();
    await fill(client);
    await client.end();
    const backup = await backupRows(cluster, name);
    await dropDatabase(cluster.url('postgres'), name);
    return [...library, ...backup];
  } finally {
    cluster.stop();
  }
}

/** Stores as large as any workshop's. */
async function storesRows(): Promise<Row[]> {
  const cluster = await startCluster('test');
  const name = 'bench_stores';
  try {
    await makeTemplate(cluster);
    await dropDatabase(cluster.url('postgres'), name);
    await copyTemplate(cluster.url('postgres'), name);
    const rows = await ledgerRows(cluster, name);
    await dropDatabase(cluster.url('postgres'), name);
    return [nettingRow(), stringsRow(), ...rows];
  } finally {
    cluster.stop();
  }
}

/** `npm run bench -- page` (or core, matching, plan, stores, server, workshop) measures that alone. */
const PARTS: Record<string, () => Promise<Row[]> | Row[]> = {
  core: () => [
    wholeDesign(),
    cycleAgainstLoop(),
    bigRoute(),
    searching(),
    afterOneInput(),
    spreadOfRange(),
    turned(),
    offerOf200(),
    ...planning(),
  ],
  matching: async () => [ranking(), matchAgain(), await layingOut()],
  page: pageRows,
  plan: planRows,
  stores: storesRows,
  server: floorAnswer,
  workshop: workshopRows,
};
const wanted = process.argv[2];
const rows: Row[] = [];
for (const [part, measure] of Object.entries(PARTS)) if (!wanted || wanted === part) rows.push(...(await measure()));
say('');
for (const row of rows)
  say(`${row.held ? 'held  ' : 'MISSED'}  ${row.what.padEnd(92)}  ${row.figure.padEnd(40)}  aim ${row.aim}`);
process.exit(rows.every((row) => row.held) ? 0 : 1);
