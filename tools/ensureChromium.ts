import { existsSync } from 'node:fs';
import { installSystemPackage } from './systemPackage.ts';

export const CHROMIUM = '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-gpu',
];

/** Debian's Chromium, installed when it is missing and this account may. */
export function ensureChromium(): void {
  if (!existsSync(CHROMIUM)) installSystemPackage('chromium', 'Chromium (for tests and pictures)');
}
