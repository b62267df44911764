#!/usr/bin/env node
// Front door of every command: needs nothing but Node, brings the packages in, then hands over to the TypeScript tool.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.chdir(root);
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Node ${process.versions.node} is too old: install Node 20.19 or newer, then run this again.`);
  process.exit(1);
}

const lock = readFileSync('package-lock.json', 'utf8');
const stamp = join('node_modules', '.dajo-lock');
if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== lock) {
  console.log('Installing packages (npm ci) …');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: 'inherit' });
  if (status !== 0) {
    console.error(
      'Packages could not be installed: connect this machine to the npm registry once, then run this again.',
    );
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}

const [tool, ...rest] = process.argv.slice(2);
const child = spawn(
  process.execPath,
  [
    '--import',
    pathToFileURL(join(root, 'node_modules/tsx/dist/loader.mjs')).href,
    join('tools', `${tool}.ts`),
    ...rest,
  ],
  { stdio: 'inherit' },
);
// The terminal sends Ctrl-C to both; the tool ends in its own time and this waits for it.
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => signal === 'SIGTERM' && child.kill(signal));
child.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
