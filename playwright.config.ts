import { defineConfig } from '@playwright/test';

/** Minutes each: a house from its first day on, or a mixed-integer programme. */
const LONG = /\/(backups|three-weeks|weeks|whole-day)\.spec\.ts$/;

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/houses.ts',
  // Three files at a time, each with a server of its own; within a file one test goes on from the other. On two processors
  // as well: much of a test is waiting.
  workers: 3,
  // A machine of CI stands still for seconds at times: what fails there is tried once more, and said (scripts/test.mjs).
  retries: process.env.HODMAN_IN_CI ? 1 : 0,
  // By themselves, for CI leaves the long ones out where there is no time for them (scripts/test.mjs).
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'short', testIgnore: LONG },
  ],
  // Long enough for a machine that is busy otherwise: what passes does not wait for them.
  timeout: 1_200_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    actionTimeout: 180_000,
    navigationTimeout: 300_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
