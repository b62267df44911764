import { defineConfig } from 'vitest/config';

// Unit and published checks need nothing; tests/api needs TEST_ADMIN_URL, which the test command sets.
export default defineConfig({
  test: {
    include: [
      'core/**/*.test.ts',
      'contract/**/*.test.ts',
      'wording/**/*.test.ts',
      'server/**/*.test.ts',
      'web/**/*.test.{ts,tsx}',
      'demo/**/*.test.ts',
      'tests/published/**/*.test.ts',
      'tests/api/**/*.test.ts',
      'tests/together/**/*.test.ts',
      'tests/web/**/*.test.ts',
      'tests/building/**/*.test.ts',
    ],
    globalSetup: ['tests/api/template.ts'],
    // Building the page has set it to production, in which React keeps nothing for tests.
    env: { NODE_ENV: 'test', WORK: 'off' },
    // Both of the two cores of the landing machine: much of a test's time is the database's.
    maxWorkers: 2,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
