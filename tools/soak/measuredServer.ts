import { type ChildProcess, fork } from 'node:child_process';
import type { Health } from './serverProcess.ts';

export interface MeasuredServer {
  readonly url: string;
  readonly report: () => Promise<Health>;
  readonly close: () => Promise<void>;
}

const answerOf = <T>(child: ChildProcess, name: string): Promise<T> =>
  new Promise((done, fail) => {
    const take = (message: unknown) => {
      if (typeof message !== 'object' || message === null || !(name in message)) return;
      child.off('message', take);
      child.off('exit', ended);
      done((message as Record<string, T>)[name]!);
    };
    child.on('message', take);
    const ended = (code: number | null) => fail(new Error(`the server ended with ${code}`));
    child.once('exit', ended);
  });

/** Starts a server in a process of its own that tells its memory and the delay of its event loop. */
export async function measuredServer(databaseUrl: string): Promise<MeasuredServer> {
  const child = fork('tools/soak/serverProcess.ts', [databaseUrl], { execArgv: ['--import', 'tsx'] });
  const url = await answerOf<string>(child, 'url');
  return {
    url,
    report: () => {
      const health = answerOf<Health>(child, 'health');
      child.send('report');
      return health;
    },
    close: async () => {
      const ended = new Promise((done) => child.once('exit', done));
      child.send('end');
      await ended;
    },
  };
}
