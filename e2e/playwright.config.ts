import { defineConfig } from '@playwright/test'
import { launchOptions } from './browser'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './demonstration.ts',
  // Each has a server and data of its own, and waits as much as it works.
  workers: 4,
  fullyParallel: true,
  // Machines that check are shared: a slow minute is no fault of the program's.
  retries: process.env.CI || process.env.TEMBRIX_REPORT ? 2 : 0,
  timeout: 120_000,
  expect: { timeout: 25_000 },
  reporter: process.env.TEMBRIX_REPORT
    ? [['list'], ['json', { outputFile: process.env.TEMBRIX_REPORT }]]
    : [['list']],
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions,
    // What it keeps would pass the routes by that tests set.
    serviceWorkers: 'block',
    trace: 'on-first-retry',
  },
})
