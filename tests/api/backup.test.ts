import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { BackupFault, backUp, restore } from '../../tools/backupFile.ts';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { ensureDatabase } from '../../tools/ensureDatabase.ts';
import { dropDatabase } from './dropDatabase.ts';

const urlOf = (name: string) => inject('databaseUrl').replace(/DB$/, name);
const mark = randomUUID().slice(0, 8);
const made: string[] = [];
const name = (what: string) => {
  made.push(`${what}_${mark}`);
  return `${what}_${mark}`;
};
const folder = mkdtempSync(join(tmpdir(), 'backup-'));
const ask = async <R extends pg.QueryResultRow>(database: string, text: string): Promise<R[]> => {
  const client = new pg.Client({ connectionString: urlOf(database) });
  await client.connect();
  try {
    return (await client.query<R>(text)).rows;
  } finally {
    await client.end();
  }
};
/** Every table of a database with a hash of all its rows, whatever their order. */
async function hashes(database: string): Promise<Record<string, string>> {
  const tables = await ask<{ t: string }>(
    database,
    "select format('%I.%I', schemaname, tablename) as t from pg_tables where schemaname in ('public', 'drizzle') order by 1",
  );
  const found: Record<string, string> = {};
  for (const { t } of tables) {
    const [row] = await ask<{ h: string }>(
      database,
      `select count(*) || ' ' || md5(coalesce(string_agg(x::text, E'\\n' order by x::text), '')) as h from ${t} x`,
    );
    found[t] = row!.h;
  }
  return found;
}

const source = name('source');
const file = join(folder, 'one.backup');
beforeAll(async () => {
  await copyTemplate(urlOf('postgres'), source);
  // Something of each awkward kind: signs of other scripts, a quote, a line break, numbers at their ends.
  await ask(
    source,
    `update client set contact = E'Łódź "quay"\\nΩ'; update weighing set front_left_kg = 1e-7 where ctid = (select min(ctid) from weighing);
     insert into log_finding (vehicle_id, figure, measured, log, by_id) select v.id, 'efficiency', 0.1 + 0.2, 'x', p.id from vehicle v, person p`,
  );
  await backUp(urlOf(source), file);
}, 60_000);
afterAll(async () => {
  for (const one of made) await dropDatabase(urlOf('postgres'), one);
  rmSync(folder, { recursive: true });
});

const leftOvers = () =>
  ask<{ n: number }>('postgres', "select count(*)::int as n from pg_database where datname like 'restore\\_%'");
const refused = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.then(
    () => null,
    (fault: unknown) => fault,
  );
  expect(error).toBeInstanceOf(BackupFault);
  return (error as BackupFault).message;
};

describe('a backup', () => {
  test('and its restore into another database are the same, table by table', async () => {
    expect(statSync(file).mode & 0o077).toBe(0);
    const target = name('target');
    const { jobs, people } = await restore(file, urlOf(target));
    expect([jobs, people]).toEqual([16, 8]);
    const before = await hashes(source);
    expect(Object.keys(before).length).toBeGreaterThan(30);
    expect(await hashes(target)).toEqual(before);
    // What guards the rows came along.
    const guard = ask(target, "update check_result set note = 'x'");
    await expect(guard).rejects.toThrow();
  }, 60_000);
  test('goes into an empty database that is there, and never over a workshop or over what is not ours', async () => {
    const empty = name('empty');
    await ensureDatabase(urlOf('postgres'), empty);
    expect((await restore(file, urlOf(empty))).jobs).toBe(16);
    expect(await refused(restore(file, urlOf(empty)))).toMatch(/holds a workshop: name an empty one/);
    const others = name('others');
    await ensureDatabase(urlOf('postgres'), others);
    await ask(others, 'create table theirs (a integer)');
    expect(await refused(restore(file, urlOf(others)))).toMatch(/holds a workshop/);
    expect(await ask(others, 'select * from theirs')).toEqual([]);
  }, 60_000);
  test('that is cut, of something else, or of a newer Dajo is refused, and leaves nothing behind', async () => {
    const target = name('never');
    const whole = readFileSync(file);
    const cut = join(folder, 'cut.backup');
    for (const share of [0.02, 0.5, 0.98]) {
      writeFileSync(cut, whole.subarray(0, Math.floor(whole.length * share)));
      expect(await refused(restore(cut, urlOf(target))), String(share)).toMatch(/is no whole backup/);
    }
    writeFileSync(cut, 'hello');
    expect(await refused(restore(cut, urlOf(target)))).toMatch(/is no whole backup/);
    expect(await refused(restore(join(folder, 'nothing'), urlOf(target)))).toMatch(/There is no file/);
    const newer = name('newer');
    await restore(file, urlOf(newer));
    await ask(newer, "insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9999999999999)");
    const later = join(folder, 'later.backup');
    await backUp(urlOf(newer), later);
    expect(await refused(restore(later, urlOf(target)))).toMatch(/comes from a newer Dajo/);
    expect(await ask('postgres', `select 1 from pg_database where datname = '${target}'`)).toEqual([]);
    expect((await leftOvers())[0]!.n).toBe(0);
  }, 120_000);
  test('does not write over a file that is there, and says what it could not reach', async () => {
    expect(await refused(backUp(urlOf(source), file))).toMatch(/is there already/);
    expect(await refused(backUp(urlOf('nowhere_at_all'), join(folder, 'x.backup')))).toMatch(/could not be written/);
  });
});
