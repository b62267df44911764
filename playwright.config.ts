import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './tools/ensureChromium.ts';

export default defineConfig({
  testDir: 'tests/browser',
  testMatch: '*.spec.ts',
  fullyParallel: true,
  workers: 2,
  timeout: 120_000,
  // A second try on the landing machine, which is small and shared; the list still names what needed it.
  retries: process.env.CI ? 1 : 0,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    actionTimeout: 15_000,
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
    trace: 'off',
    // Where it is not what is tested, keeping the whole page for offline would cost each test its seconds.
    serviceWorkers: 'block',
  },
});
