import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { installSystemPackage } from './systemPackage.ts';

/** Debian's Chromium without its window, which starts and draws in two thirds of the time, or the whole one. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

export const chromiumPath = (): string => (existsSync(SHELL) ? SHELL : WHOLE);
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-gpu',
];

/** Debian's Chromium, installed when it is missing and this account may. */
export function ensureChromium(): void {
  if (existsSync(SHELL) || existsSync(WHOLE)) return;
  const offered = spawnSync('apt-cache', ['show', 'chromium-headless-shell'], { stdio: 'ignore' }).status === 0;
  installSystemPackage(offered ? 'chromium-headless-shell' : 'chromium', 'Chromium (for tests and pictures)');
}
