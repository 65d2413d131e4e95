import { defineConfig } from '@playwright/test'
import { launchOptions } from './browser'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: process.env.TEMBRIX_REPORT
    ? [['list'], ['json', { outputFile: process.env.TEMBRIX_REPORT }]]
    : [['list']],
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions,
    trace: 'retain-on-failure',
  },
})
