import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { serverBinaries } from './cluster.ts';

/** How a program of PostgreSQL ended, and what it said. */
export interface Ended {
  readonly code: number | null;
  readonly said: string;
}

/** Runs a program that comes with the server (pg_dump, pg_restore); the password goes by the address, never by its arguments. */
export function runDatabaseTool(
  name: 'pg_dump' | 'pg_restore',
  args: readonly string[],
  url: string,
  signal?: AbortSignal,
): Promise<Ended> {
  const folder = serverBinaries();
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
  return new Promise((done) => {
    const child = spawn(folder ? join(folder, name) : name, args, {
      env,
      stdio: ['ignore', 'ignore', 'pipe'],
      ...(signal ? { signal } : {}),
    });
    let said = '';
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString();
    });
    child.once('error', (error) => done({ code: 1, said: signal?.aborted ? 'it was stopped.' : error.message }));
    child.once('exit', (code) => done({ code, said: said.trim() }));
  });
}
