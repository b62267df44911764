import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { BackupsNow } from '../../contract/backups.ts';
import type { Backups } from '../../server/backups/backups.ts';
import { doDue, tryNewest, writeBackup } from '../../server/backups/runs.ts';
import { BackupFault } from '../../tools/backupFile.ts';
import { backupsOf } from '../../tools/backups.ts';
import { keepWorking } from '../../tools/keepWorking.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const folder = mkdtempSync(join(tmpdir(), 'dajo-backups-'));
let backups: Backups;
const shop = openWorkshop({
  backups: (url) => {
    backups = backupsOf(url, folder, true);
    return backups;
  },
});
let ilse: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
});
afterAll(() => rmSync(folder, { recursive: true }));

const now = async () => (await ilse.get('/backups')).body as BackupsNow;
const settled = () =>
  expect.poll(async () => (await now()).runs[0]?.endedAt ?? null, { timeout: 20_000 }).not.toBeNull();
const DAY = 86_400_000;

describe('a backup that a manager asks for', () => {
  test('is made while others work, shows in the list, and is fetched whole', async () => {
    const picture = Buffer.from('a paper that must come back');
    const { vehicle } = await ilse.job('Bakery van');
    await ilse.send('post', `/files/about/vehicle/${vehicle.id}/named/paper`, picture, {
      'Content-Type': 'application/octet-stream',
    });
    const { body } = await ilse.send('post', '/backups');
    expect(body.started).toMatch(/^dajo-asked-\d{4}-\d\d-\d\d-\d{6}\.backup$/);
    await settled();
    const [run] = (await now()).runs;
    expect(run).toMatchObject({ kind: 'asked', file: body.started, fault: null, gone: false });
    expect(run!.bytes).toBeGreaterThan(50_000);
    const file = await ilse.get(`/backups/${run!.id}/file`).buffer(true);
    expect(file.headers['content-disposition']).toContain(body.started);
    expect(file.body.subarray(0, 5).toString()).toBe('PGDMP');
    expect(file.body.length).toBe(run!.bytes);
    expect((await (await shop.visitor('mabel')).get('/backups')).status).toBe(403);
  }, 30_000);
  test('that cannot be written says why, and leaves nothing half done', async () => {
    const full: Backups = {
      ...backups,
      write: () => Promise.reject(new BackupFault('The backup could not be written: No space left on device')),
    };
    shop.setNow(new Date(Date.now() + 10_000));
    const row = (await shop.pool().query("insert into backup_run (kind, file) values ('asked', 'x') returning id"))
      .rows[0];
    const busy = await ilse.send('post', '/backups');
    expect([busy.status, busy.body.detail]).toEqual([422, 'A backup is being made or tried at this moment.']);
    await shop.pool().query('delete from backup_run where id = $1', [row.id]);
    shop.setNow(null);
    expect(await doDue(shop.db(), { ...full, tryOut: async () => {} }, new Date())).toEqual(['daily', 'trial']);
    const daily = (await now()).runs.find(({ kind }) => kind === 'daily')!;
    expect(daily.fault).toBe('The backup could not be written: No space left on device');
    expect(readdirSync(folder).filter((name) => name.includes('growing'))).toEqual([]);
    // Tried again an hour later, not at once and not a day later.
    const again = async (minutes: number) => doDue(shop.db(), full, new Date(Date.now() + minutes * 60_000));
    expect(await again(30)).toEqual([]);
    expect(await again(61)).toEqual(['daily']);
    // What is stopped with its server says so, and leaves no half file.
    const stopped = backupsOf(shop.url(), folder, true);
    const writing = stopped.write('never.backup', () => {});
    const told = expect(writing).rejects.toThrow('The backup could not be written: it was stopped.');
    await stopped.stop();
    await told;
    expect(readdirSync(folder).filter((name) => name.startsWith('never'))).toEqual([]);
    await shop.pool().query("delete from backup_run where kind <> 'asked'");
  });
});

test('a database that goes away while a backup is written ends nothing but the backup', async () => {
  const away = { ...shop.db(), update: () => ({ set: () => ({ where: () => Promise.reject(new Error('gone')) }) }) };
  const failing: Backups = { ...backups, write: () => Promise.reject(new BackupFault('cut')) };
  expect(await writeBackup(away as never, failing, { id: 0, file: 'x' })).toBe(false);
});

describe('by itself', () => {
  test('daily, tried each week, and by one of several workers', async () => {
    const workers = Array.from({ length: 4 }, () => keepWorking(shop.url(), backups));
    const done = await Promise.all(workers.map((one) => one.look()));
    expect(done.flat().sort()).toEqual(['daily', 'trial']);
    for (const one of workers) expect(await one.look()).toEqual([]);
    await Promise.all(workers.map((one) => one.stop()));
    const { runs } = await now();
    expect(runs.map(({ kind, fault }) => [kind, fault])).toEqual([
      ['trial', null],
      ['daily', null],
      ['asked', null],
    ]);
    const { rows } = await shop
      .pool()
      .query("select count(*)::int as n from pg_database where datname like 'restore\\_%'");
    expect(rows[0].n).toBe(0);
  }, 60_000);
  test('a clock that is wrong by a day makes a backup and no harm', async () => {
    const still: Backups = { ...backups, write: async () => 1, tryOut: async () => {} };
    expect(await doDue(shop.db(), still, new Date(Date.now() - 2 * DAY))).toEqual(['daily']);
    expect(await doDue(shop.db(), still, new Date())).toEqual([]);
  });
  test('old ones go by the rules of keeping, and their files with them', async () => {
    await shop.pool().query("delete from backup_run where kind = 'daily'");
    for (const days of [1, 20, 21, 22, 500]) {
      const file = `dajo-daily-old-${days}.backup`;
      writeFileSync(join(folder, file), 'x');
      await shop
        .pool()
        .query(
          `insert into backup_run (kind, file, started_at, ended_at, bytes) values ('daily', $1, now() - make_interval(days => $2), now(), 1)`,
          [file, days],
        );
    }
    await doDue(shop.db(), { ...backups, write: async () => 1 }, new Date());
    const left = [1, 20, 21, 22, 500].filter((days) => existsSync(join(folder, `dajo-daily-old-${days}.backup`)));
    expect(left).toEqual([1, 20, 21]);
    const gone = (await now()).runs.find(({ file }) => file === 'dajo-daily-old-22.backup')!;
    expect(gone.gone).toBe(true);
    expect((await ilse.get(`/backups/${gone.id}/file`)).status).toBe(404);
  });
  test('a trial finds what is spoiled', async () => {
    await shop.pool().query("delete from backup_run where kind <> 'asked'");
    const [newest] = readdirSync(folder).filter((name) => name.startsWith('dajo-asked'));
    writeFileSync(join(folder, newest!), 'PGDMP and nothing more');
    expect(await tryNewest(shop.db(), backups)).toBe(false);
    expect((await now()).runs[0]).toMatchObject({ kind: 'trial', fault: expect.stringMatching(/is no whole backup/) });
    await shop.pool().query("update file_content set body = 'other', size = 5 where type = 'text/plain'");
    await ilse.send('post', '/backups');
    await settled();
    expect(await tryNewest(shop.db(), backups)).toBe(false);
    expect((await now()).runs[0]!.fault).toMatch(/1 photographs or papers are not as they were stored/);
  }, 60_000);
});

test('what runs here is told', async () => {
  const { body } = await ilse.get('/version');
  expect(body).toMatchObject({ dajo: 'test', node: process.versions.node, steps: expect.any(Number) });
  expect(body.postgres).toMatch(/^\d+/);
});
