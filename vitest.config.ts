import { defineConfig } from 'vitest/config';

/** Pure reckoning and wording: many small files that read the same core, which is read once for all of them. */
const PURE = [
  'core/**/*.test.ts',
  'contract/**/*.test.ts',
  'wording/**/*.test.ts',
  'demo/**/*.test.ts',
  'tests/published/**/*.test.ts',
];

// Unit and published checks need nothing; tests/api needs TEST_ADMIN_URL, which the test command sets.
const shared = {
  // Building the page has set it to production, in which React keeps nothing for tests.
  env: { NODE_ENV: 'test', WORK: 'off' },
  testTimeout: 60_000,
  hookTimeout: 60_000,
};

export default defineConfig({
  test: {
    // Both of the two cores of the landing machine: much of a test's time is the database's.
    maxWorkers: 2,
    projects: [
      { test: { ...shared, name: 'pure', include: PURE, isolate: false } },
      {
        test: {
          ...shared,
          name: 'house',
          include: [
            'server/**/*.test.ts',
            'web/**/*.test.{ts,tsx}',
            'tests/api/**/*.test.ts',
            'tests/together/**/*.test.ts',
            'tests/web/**/*.test.ts',
            'tests/building/**/*.test.ts',
          ],
          globalSetup: ['tests/api/template.ts'],
        },
      },
    ],
  },
});
