import { chromium } from '@playwright/test';
import pg from 'pg';
import { formStrings } from '../../core/grading/strings.ts';
import { seeded } from '../../core/spread/seeded.ts';
import { type NeedItem, netAll } from '../../core/stores/needs.ts';
import { signInOver } from '../../tests/api/signInOver.ts';
import { buildPage } from '../buildPage.ts';
import type { Cluster } from '../cluster.ts';
import { CHROMIUM_ARGS, chromiumPath, ensureChromium } from '../ensureChromium.ts';
import { serve } from '../serve.ts';
import { median, type Row, timed } from './row.ts';
import { longestWhileScrolling, signInOn } from './workshop.ts';

const JOBS = 500;
const LINES = 150;
const ITEMS = 5000;

/** Netting of all jobs at once. */
export function nettingRow(): Row {
  const random = seeded(11);
  const today = 20_784;
  const demands: NeedItem['demands'][number][][] = Array.from({ length: ITEMS }, () => []);
  for (let job = 0; job < JOBS; job++)
    for (let line = 0; line < LINES; line++)
      demands[Math.floor(random() * ITEMS)]!.push({
        ...{ lineId: `${job} ${line}`, jobNumber: `26-${job}`, quantity: 1 + Math.floor(random() * 6) },
        ...{ neededDay: today + Math.floor(random() * 200), held: random() < 0.2 },
      });
  const items = demands.map(
    (of, i): NeedItem => ({
      ...{ componentId: `part ${i}`, onHand: 40, leadDays: 14, lateDays: 2, reorderAt: 5, reorderTo: 20, unitSize: 1 },
      ...{ demands: of, receipts: [{ ref: 'P', day: today + 20, quantity: 10, forLine: null }] },
    }),
  );
  const ms = timed(12, () => netAll(items, today));
  return {
    what: `Netting ${JOBS} jobs × ${LINES} lines over ${ITEMS} parts`,
    figure: `${ms.toFixed(0)} ms`,
    aim: '≤ 200 ms',
    held: ms <= 200,
  };
}

/** Ninety-six modules into four strings. */
export function stringsRow(): Row {
  const random = seeded(5);
  const modules = Array.from({ length: 120 }, (_, i) => ({
    id: `m${i}`,
    capacityAh: Math.round((92 + 10 * random()) * 10) / 10,
  }));
  let apart = 0;
  let bound = 0;
  const ms = timed(4, () => {
    const found = formStrings({ modules, strings: 4, perString: 24, moduleV: 22 })!;
    [apart, bound] = [found.apartAh, found.boundAh];
  });
  return {
    what: `96 of 120 modules into 4 strings, ${apart.toFixed(1)} Ah apart, within ${bound.toFixed(1)} Ah of the best`,
    figure: `${ms.toFixed(0)} ms`,
    aim: '≤ 2 s, with bound',
    held: ms <= 2000 && bound <= 0.1,
  };
}

const COMPONENTS = 50_000;
const SERIALS = 100_000;
const MOVES = 40;

/** Fills stores: so many parts in bins, so many numbers, and one module that has moved to and fro. */
export async function fill(client: pg.Client): Promise<void> {
  await client.query(`
    insert into component (id, kind, name, supplier_id, mass_kg, length_mm, width_mm, height_mm, price_cents, lead_days, covers, high_voltage, sheet, part_number, bin_id)
      select c.id || '-s' || n, c.kind, c.name || ' no ' || n, c.supplier_id, c.mass_kg, c.length_mm, c.width_mm, c.height_mm,
        c.price_cents + n, c.lead_days, c.covers, c.high_voltage, c.sheet, 'S-' || n, c.bin_id
      from (select * from component where unit_size = 1) c, generate_series(1, 1 + ${COMPONENTS} / (select count(*)::int from component)) n limit ${COMPONENTS};
    insert into stock_move (kind, component_id, from_id, to_id, quantity)
      select 'counted', id, (select id from stock_place where kind = 'count'), bin_id, 2 from component where id like '%-s%' and bin_id is not null;
    insert into serial_item (component_id, serial, batch, origin, place_id)
      select 'module-f4', 'Q-' || lpad(n::text, 6, '0'), 'lot ' || n / 500, 'delivery', (select id from stock_place where kind = 'client' limit 1)
      from generate_series(1, ${SERIALS}) n;`);
  await client.query(`do $$
    declare a uuid; b uuid; item uuid; move bigint;
    begin
      select id, place_id into item, a from serial_item where serial = 'N6-0001';
      select id into b from stock_place where kind = 'bin' and id <> a limit 1;
      for n in 1..${MOVES} loop
        insert into stock_move (kind, component_id, from_id, to_id, quantity) values ('moved', 'module-n6', a, b, 1) returning id into move;
        insert into stock_move_serial (move_id, serial_id) values (move, item);
        select b, a into a, b;
      end loop;
    end $$`);
  // As the database does by itself now and then.
  await client.query('vacuum analyze');
}

/** Stores with so much in them, over HTTP and in the page. */
export async function ledgerRows(cluster: Cluster, database: string): Promise<Row[]> {
  ensureChromium();
  const client = new pg.Client({ connectionString: cluster.url(database) });
  await client.connect();
  await fill(client);
  const { rows } = await client.query("select id from serial_item where serial = 'N6-0001'");
  const running = await serve(cluster.url(database), await buildPage(), 0, { log: 'silent', queue: false });
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  try {
    const { headers } = await signInOver(running.url, 'jory');
    const asked = async (path: string) => {
      const start = performance.now();
      const answer = await fetch(`${running.url}/api${path}`, { headers });
      await answer.text();
      return performance.now() - start;
    };
    const finding: number[] = [];
    for (let i = 0; i < 60; i++) {
      const word = encodeURIComponent(['no 17', 'Q-0457', 'lot 33', 'fuse', 'nothing like it', 'A1'][i % 6]!);
      finding.push(
        await asked(i % 2 ? `/stores/items/all/find/${word}/page/0` : `/stores/numbers/find/${word}/page/0`),
      );
    }
    const life: number[] = [];
    for (let i = 0; i < 30; i++) life.push(await asked(`/stores/numbers/${rows[0].id}`));
    const { rows: parts } = await client.query("select id from component where kind = 'fuse' order by id limit 200");
    const coming: number[] = [];
    for (let i = 0; i < 9; i++) {
      const body = JSON.stringify({
        ...{ note: `note ${i}`, origin: 'delivery' },
        lines: parts.map(({ id }) => ({ componentId: id, quantity: 3, serials: [], batch: '', binId: null })),
      });
      const start = performance.now();
      const answer = await fetch(`${running.url}/api/stores/goods-in`, {
        ...{ method: 'POST', body },
        headers: { ...headers, 'Content-Type': 'application/json' },
      });
      if (answer.status !== 200) throw new Error(await answer.text());
      coming.push(performance.now() - start);
    }
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await signInOn(page, running.url);
    await page.goto(`${running.url}/stores/counted`);
    await page.locator('[data-item]').first().waitFor();
    const longest = await longestWhileScrolling(page, '.stores-columns .ant-table');
    // The slowest word counts too: a median would hide one that nobody can wait for.
    const worst = Math.max(...finding.slice(12));
    const [found, lived, came] = [median(finding.slice(12)), median(life.slice(5)), median(coming.slice(2))];
    const row = (what: string, ms: number, aim: number): Row => ({
      ...{ what, figure: `${ms.toFixed(0)} ms median`, aim: `≤ ${aim} ms`, held: ms <= aim },
    });
    return [
      row(`A word among ${COMPONENTS} parts and ${SERIALS} numbers, the slowest ${worst.toFixed(0)} ms`, found, 50),
      row(`The life of a module through ${MOVES} moves`, lived, 20),
      row(`Goods in of ${parts.length} lines in one transaction`, came, 300),
      {
        what: `Longest task while scrolling ${COMPONENTS} parts in Stores`,
        figure: longest === 0 ? 'under 50 ms' : `${longest.toFixed(0)} ms`,
        aim: 'none over 50 ms',
        held: longest <= 50,
      },
    ];
  } finally {
    await browser.close();
    await running.close();
    await client.end();
  }
}
