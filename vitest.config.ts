import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: [
      'core/**/*.test.ts',
      'server/**/*.test.ts',
      'web/**/*.test.ts',
      'scripts/**/*.test.mjs',
    ],
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
})
