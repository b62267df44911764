import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { say } from './say.ts';

const OUT = 'dist/web';
const STAMP = 'dist/web/.built';
const SOURCES = ['web', 'core', 'contract', 'wording', 'vite.config.ts', 'package-lock.json'];

function newest(path: string): number {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

function* filesBelow(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

/** Builds the page when its sources are newer than the last build, and lays compressed copies beside each file. */
export async function buildPage(): Promise<string> {
  const fresh = existsSync(STAMP) && statSync(STAMP).mtimeMs > Math.max(...SOURCES.map(newest));
  if (!fresh) {
    say('Building the page …');
    // Loaded only when there is something to build: it takes longer to load than all the rest of a start.
    const { build } = await import('vite');
    await build({ logLevel: 'warn' });
    for (const file of [...filesBelow(OUT)]) {
      if (!/\.(js|css|html|svg|json)$/.test(file)) continue;
      const content = readFileSync(file);
      writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
      writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }));
    }
    writeFileSync(STAMP, new Date().toISOString());
  }
  return join(process.cwd(), OUT);
}
