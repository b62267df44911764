import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildPage } from './buildPage.ts';
import { endCluster } from './cluster.ts';
import { ensurePoppler } from './ensurePoppler.ts';
import { type HardDay, hardDays } from './hardDays.ts';
import { say, stop } from './say.ts';
import { installSystemPackage } from './systemPackage.ts';

// npm run long -- days [--one SEED] [--quick]: the suite on days that are unlike most, its database server included.
// --one: the one day that belongs to this seed. --quick: what is pure, and those of the server's tests that speak of days.

/** Debian keeps it under the machine's architecture. */
const PRELOAD = () =>
  readdirSync('/usr/lib')
    .map((folder) => join('/usr/lib', folder, 'faketime/libfaketimeMT.so.1'))
    .find((file) => existsSync(file));

/** Debian's libfaketime; installed when missing and this account may. */
function fakeTime(): string {
  if (!PRELOAD()) installSystemPackage('libfaketime', 'libfaketime (for tests on other days)');
  return PRELOAD() ?? stop('libfaketime was installed and is not where it is looked for.');
}

/** What makes every process under it believe that it is then: clocks run on from there, waiting is as long as ever. */
const clockOf = ({ at }: HardDay) => ({
  LD_PRELOAD: fakeTime(),
  FAKETIME: `${Date.parse(at) > Date.now() ? '+' : '-'}${Math.abs(Math.round((Date.parse(at) - Date.now()) / 1000))}`,
  FAKETIME_DONT_FAKE_MONOTONIC: '1',
  // Compiled modules and the browser's cache are judged by their own times.
  NO_FAKE_STAT: '1',
});

/** Tests of the server that set its clock or count days. */
const DAYS = /setNow|inDays/;
/**
 * The database's own limits of time are told by its clock and set by the machine's: they do not fire under a made-up one,
 * neither how long a lock is waited for nor when two that wait for each other are looked for. Whoever races on purpose stays
 * out: what takes a second on a true clock would wait for ever.
 */
const NOT_THEN = ['tests/together/patience.test.ts', 'tests/api/people.test.ts'];
const ofDays = () =>
  ['api', 'together']
    .flatMap((folder) => readdirSync(`tests/${folder}`).map((file) => `tests/${folder}/${file}`))
    .filter(
      (file) =>
        file.endsWith('.test.ts') &&
        !/backup|cuts|offlineActs|start|tenAtOnce|supplierDesk/.test(file) &&
        DAYS.test(readFileSync(file, 'utf8')),
    );

function onDay(day: HardDay, quick: boolean): { passed: number; failed: number } {
  say(`== ${day.name}: ${day.at}`);
  endCluster('test');
  const report = 'test-results/day.json';
  const { status } = spawnSync(
    'npx',
    [
      ...['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
      ...NOT_THEN.flatMap((file) => ['--exclude', file]),
      ...(quick ? ['core/hours/', 'contract/', 'wording/', 'demo/', ...ofDays()] : []),
    ],
    { stdio: 'inherit', env: { ...process.env, ...clockOf(day) } },
  );
  if (!existsSync(report)) return { passed: 0, failed: 1 };
  const { numPassedTests: passed, numFailedTests: failed } = JSON.parse(readFileSync(report, 'utf8'));
  return { passed, failed: failed + (status !== 0 && failed === 0 ? 1 : 0) };
}

const [what, ...flags] = process.argv.slice(2);
if (what !== 'days') stop('Say what: npm run long -- days [--one SEED] [--quick].');
const days = hardDays(new Date());
const seed = flags.includes('--one') ? (flags[flags.indexOf('--one') + 1] ?? '') : null;
const chosen = seed === null ? days : [days[createHash('sha256').update(seed).digest()[0]! % days.length]!];
ensurePoppler();
await buildPage();
const counts = chosen.map((day) => ({ day, ...onDay(day, flags.includes('--quick')) }));
for (const { day, passed, failed } of counts) say(`${day.name}: ${passed} passed, ${failed} failed`);
const total = (which: 'passed' | 'failed') => counts.reduce((sum, count) => sum + count[which], 0);
say(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') > 0 || total('passed') === 0 ? 1 : 0);
