import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { buildPage } from './buildPage.ts';
import { startCluster } from './cluster.ts';
import { ensureChromium } from './ensureChromium.ts';
import { ensurePoppler } from './ensurePoppler.ts';
import { say } from './say.ts';
import { makeTemplate } from './testTemplate.ts';

// npm test: everything. npm test -- unit, npm test -- browser [Playwright's arguments]: one half.
const [only, ...rest] = process.argv.slice(2);

interface Count {
  passed: number;
  failed: number;
}

const run = (command: string, args: string[], env: NodeJS.ProcessEnv = {}) =>
  spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1;

/** Unit tests, checks against published values, and the server against a real PostgreSQL. */
function unitTests(): Count {
  ensurePoppler();
  say('Unit, published and server tests …');
  const report = 'test-results/unit.json';
  rmSync(report, { force: true });
  const status = run('npx', [
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
    ...(only === 'unit' ? rest : []),
  ]);
  if (!existsSync(report)) return { passed: 0, failed: 1 };
  const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8')) as {
    numPassedTests: number;
    numFailedTests: number;
  };
  return { passed: numPassedTests, failed: numFailedTests + (status !== 0 && numFailedTests === 0 ? 1 : 0) };
}

/** The real interface in Debian's headless Chromium, each test on its own copy of the sample. */
async function browserTests(): Promise<Count> {
  ensureChromium();
  await buildPage();
  say('Browser tests …');
  const cluster = await startCluster('test');
  const report = 'test-results/browser.json';
  rmSync(report, { force: true });
  try {
    await makeTemplate(cluster);
    const status = run('npx', ['playwright', 'test', ...(only === 'browser' ? rest : [])], {
      TEST_DATABASE_URL: cluster.url('DB'),
      // Nothing is done by itself while tests look.
      WORK: 'off',
    });
    if (!existsSync(report)) return { passed: 0, failed: 1 };
    const { stats } = JSON.parse(readFileSync(report, 'utf8')) as {
      stats: { expected: number; unexpected: number; flaky: number };
    };
    return {
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected + (status !== 0 && stats.unexpected === 0 ? 1 : 0),
    };
  } finally {
    cluster.stop();
  }
}

mkdirSync('test-results', { recursive: true });
await buildPage();
const counts: Count[] = [];
if (only !== 'browser') counts.push(unitTests());
if (only !== 'unit') counts.push(await browserTests());
const passed = counts.reduce((sum, count) => sum + count.passed, 0);
const failed = counts.reduce((sum, count) => sum + count.failed, 0);
say(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
