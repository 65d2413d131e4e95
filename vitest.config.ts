import { defineConfig } from 'vitest/config'

const limits = { testTimeout: 120_000, hookTimeout: 120_000 }

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts'], ...limits } },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          globalSetup: 'server/test/prepare.ts',
          ...limits,
        },
      },
      { test: { name: 'web', include: ['web/**/*.test.ts'], ...limits } },
      { test: { name: 'scripts', include: ['scripts/**/*.test.mjs'], ...limits } },
    ],
  },
})
