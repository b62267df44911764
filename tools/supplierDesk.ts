import { fork } from 'node:child_process';
import { createRequire } from 'node:module';
import { fileURLToPath, pathToFileURL } from 'node:url';

export interface RunningDesk {
  readonly url: string;
  readonly stop: () => void;
}

/** Starts the simulated supplier desk as a process of its own, which ends with this one. */
export function startSupplierDesk(): Promise<RunningDesk> {
  const loader = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
  const file = fileURLToPath(new URL('../server/standins/supplierDesk/main.ts', import.meta.url));
  const child = fork(file, { execArgv: ['--import', loader], stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
  return new Promise((done, fail) => {
    child.once('message', ({ port }: { port: number }) =>
      done({ url: `http://127.0.0.1:${port}`, stop: () => void child.kill() }),
    );
    child.once('error', fail);
    child.once('exit', (code) => fail(new Error(`the simulated supplier desk ended with ${code}`)));
  });
}
