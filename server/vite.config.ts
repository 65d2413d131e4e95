import { defineConfig } from 'vite'

export default defineConfig({
  ssr: {
    target: 'node',
    noExternal: true,
    external: ['@electric-sql/pglite', 'fs-native-extensions', 'piscina', 'sharp'],
  },
  build: {
    ssr: true,
    outDir: 'dist',
    target: 'node20',
    minify: true,
    rolldownOptions: {
      input: {
        main: 'src/main.ts',
        backup: 'src/backup.ts',
        restore: 'src/restore.ts',
        prepare: 'src/prepare.ts',
        worker: 'src/base/pool/worker.ts',
      },
    },
  },
})
