import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { playwright } from '@vitest/browser-playwright'
import { defineConfig } from 'vitest/config'
import { launchOptions } from './e2e/browser.ts'

const limits = { testTimeout: 120_000, hookTimeout: 120_000 }
const served = { globalSetup: 'server/test/prepare.ts', ...limits }

/** Loading the program takes longer than most tests: the files of a project share it. */
const shared = { isolate: false }

/** What changes the program's own modules has them for itself. */
const APART = ['server/src/things/records/added.test.ts']

export default defineConfig({
  test: {
    // By itself it leaves one core idle, of which there may be two.
    maxWorkers: '100%',
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts'], ...shared, ...limits } },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          exclude: APART,
          ...shared,
          ...served,
        },
      },
      { test: { name: 'server apart', include: APART, ...served } },
      { test: { name: 'web', include: ['web/**/*.test.ts'], ...shared, ...limits } },
      {
        root: 'web',
        plugins: [react(), tailwindcss()],
        // Loaded by a worker: found in the middle of a test it would have the test loaded again.
        optimizeDeps: { include: ['read-excel-file/universal'] },
        test: {
          name: 'parts in a browser',
          include: ['src/**/*.browser.test.tsx'],
          browser: {
            enabled: true,
            headless: true,
            screenshotFailures: false,
            provider: playwright({ launchOptions }),
            instances: [{ browser: 'chromium', viewport: { width: 1280, height: 800 } }],
          },
        },
      },
      { test: { name: 'scripts', include: ['scripts/**/*.test.mjs'], ...limits } },
    ],
  },
})
