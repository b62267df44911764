import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { migrateUp } from '../server/db/migrate.ts';
import { runDatabaseTool } from './databaseTools.ts';

/** What stands against a backup or a restore, as a sentence for whoever runs it. */
export class BackupFault extends Error {}

const migrations = fileURLToPath(new URL('../server/db/migrations', import.meta.url));
/** How many steps this Dajo knows. */
const KNOWN_STEPS = readdirSync(migrations).filter((name) => name.endsWith('.sql')).length;

/** Photographs are packed already: what is gained by packing harder is small, and the time for it is not. */
const PACKED = 1;

const withDatabase = (url: string, name: string): string => {
  const address = new URL(url);
  address.pathname = `/${encodeURIComponent(name)}`;
  return address.href;
};

async function asked<R extends pg.QueryResultRow>(url: string, text: string, values: unknown[] = []): Promise<R[]> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
  client.on('error', () => {});
  await client.connect();
  try {
    return (await client.query<R>(text, values)).rows;
  } finally {
    await client.end();
  }
}

/**
 * Writes everything in a database into one file, as it is at one moment, while others work on. The file appears under its
 * name only when it is whole. Answers its size, bytes.
 */
export async function backUp(url: string, file: string, signal?: AbortSignal): Promise<number> {
  if (existsSync(file)) throw new BackupFault(`${file} is there already: name another file.`);
  mkdirSync(dirname(file), { recursive: true });
  const growing = `${file}.growing`;
  // It holds everything, hashes of passwords too: for whoever makes it alone.
  writeFileSync(growing, '', { mode: 0o600 });
  const { code, said } = await runDatabaseTool(
    'pg_dump',
    ['-Fc', `-Z${PACKED}`, '--no-owner', '--no-acl', '-f', growing],
    url,
    signal,
  );
  if (code !== 0) {
    rmSync(growing, { force: true });
    throw new BackupFault(`The backup could not be written: ${said.split('\n').at(-1)}`);
  }
  renameSync(growing, file);
  return statSync(file).size;
}

export interface Restored {
  readonly people: number;
  readonly jobs: number;
}

/**
 * Puts a backup into a database that is not there yet or holds no workshop. It is unpacked beside, brought up to date and
 * looked at; only what is whole takes the name. A backup of a newer Dajo is refused.
 *
 * @param url of the database it is to become; its cluster must let this account make databases
 */
export async function restore(file: string, url: string): Promise<Restored> {
  if (!existsSync(file)) throw new BackupFault(`There is no file ${file}.`);
  const name = decodeURIComponent(new URL(url).pathname.slice(1));
  const admin = withDatabase(url, 'postgres');
  const [there] = await asked(admin, 'select 1 from pg_database where datname = $1', [name]);
  if (there && (await hasWorkshop(url)))
    throw new BackupFault(`The database “${name}” holds a workshop: name an empty one, or one that is not there yet.`);
  return unpacked(file, url, undefined, async (scratch, counted, beside) => {
    // A backup holds its own run as one that is under way: it ended with the file.
    await asked(
      beside,
      `update backup_run set ended_at = now(), fault = 'It was under way when the backup was made.' where ended_at is null`,
    );
    if (there) await asked(admin, `alter database "${name}" rename to "${scratch}_empty"`);
    await asked(admin, `alter database "${scratch}" rename to "${name}"`);
    if (there) await asked(admin, `drop database "${scratch}_empty"`);
    return counted;
  });
}

/** Unpacks a backup into a database made beside, brings it up to date and looks at it; then does with it what is wished. */
async function unpacked<T>(
  file: string,
  url: string,
  signal: AbortSignal | undefined,
  then: (scratch: string, counted: Restored, beside: string) => Promise<T>,
): Promise<T> {
  const admin = withDatabase(url, 'postgres');
  const scratch = `restore_${randomBytes(6).toString('hex')}`;
  await asked(admin, `create database "${scratch}"`);
  try {
    const beside = withDatabase(url, scratch);
    const { code, said } = await runDatabaseTool(
      'pg_restore',
      ['--no-owner', '--no-acl', '--exit-on-error', '-d', scratch, file],
      beside,
      signal,
    );
    if (signal?.aborted) throw new BackupFault('The trial was stopped.');
    if (code !== 0) throw new BackupFault(`${file} is no whole backup: ${said.split('\n').at(-1)}`);
    const steps = await stepsIn(beside);
    if (steps === null) throw new BackupFault(`${file} is no backup of a workshop.`);
    if (steps > KNOWN_STEPS)
      throw new BackupFault(`${file} comes from a newer Dajo: bring this one up to date first, then restore.`);
    await migrateUp(beside);
    const [counted] = await asked<{ people: number; jobs: number }>(
      beside,
      'select (select count(*) from person)::int as people, (select count(*) from job)::int as jobs',
    );
    return await then(scratch, counted!, beside);
  } catch (error) {
    await asked(admin, `drop database if exists "${scratch}" with (force)`);
    throw error;
  }
}

/**
 * Restores a backup into a database made for it, holds every photograph and paper against its hash, and throws it away.
 * Nothing said is a backup that can be trusted.
 */
export async function tryBackup(file: string, url: string, signal?: AbortSignal): Promise<void> {
  if (!existsSync(file)) throw new BackupFault(`There is no file ${file}.`);
  await unpacked(file, url, signal, async (scratch, { people }, beside) => {
    if (people === 0) throw new BackupFault(`${file} holds nobody: it is a backup of an empty workshop.`);
    const [spoiled] = await asked<{ n: number }>(
      beside,
      `select count(*)::int as n from file_content where encode(sha256(body), 'hex') <> hash`,
    );
    if (spoiled && spoiled.n > 0)
      throw new BackupFault(`${file}: ${spoiled.n} photographs or papers are not as they were stored.`);
    await asked(withDatabase(url, 'postgres'), `drop database "${scratch}" with (force)`);
  });
}

/** How many steps a database has taken; null where it is none of ours. */
async function stepsIn(url: string): Promise<number | null> {
  const [known] = await asked<{ there: boolean }>(
    url,
    `select to_regclass('drizzle.__drizzle_migrations') is not null and to_regclass('person') is not null as there`,
  );
  if (!known?.there) return null;
  const [steps] = await asked<{ n: number }>(url, 'select count(*)::int as n from drizzle.__drizzle_migrations');
  return steps?.n ?? null;
}

async function hasWorkshop(url: string): Promise<boolean> {
  if ((await stepsIn(url)) === null) {
    const [other] = await asked(url, "select 1 from pg_tables where schemaname = 'public' limit 1");
    return other !== undefined;
  }
  return (await asked(url, 'select 1 from person limit 1')).length > 0;
}
