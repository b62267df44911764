import { spawnSync } from 'node:child_process';
import { say, stop } from './say.ts';

const isRoot = process.getuid?.() === 0;
const hasSudo = () => spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;

/** Installs a package of the system's own distribution, or stops with the line that would install it. */
export function installSystemPackage(name: string, purpose: string): void {
  const advice = `${purpose} is missing: run "sudo apt-get install ${name}", then run this again.`;
  if (spawnSync('which', ['apt-get'], { stdio: 'ignore' }).status !== 0)
    stop(`${purpose} is missing: install ${name} with your system's package tool, then run this again.`);
  const prefix = isRoot ? [] : hasSudo() ? ['sudo', '-n'] : stop(advice);
  say(`Installing ${name} …`);
  const apt = (...args: string[]) => {
    const [command, ...rest] = [...prefix, 'apt-get', ...args];
    return (
      spawnSync(command!, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  if (!apt('install', '-y', '-qq', '--no-install-recommends', name)) {
    apt('update', '-qq');
    if (!apt('install', '-y', '-qq', '--no-install-recommends', name)) stop(advice);
  }
}
