import { spawnSync } from 'node:child_process';
import { installSystemPackage } from './systemPackage.ts';

/** Poppler's tools, which read the text of papers in tests; installed when missing and this account may. */
export function ensurePoppler(): void {
  if (spawnSync('which', ['pdftotext'], { stdio: 'ignore' }).status !== 0)
    installSystemPackage('poppler-utils', 'poppler-utils (for tests of papers)');
}
