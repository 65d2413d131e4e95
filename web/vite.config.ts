import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'

const api = `http://127.0.0.1:${process.env.TEMBRIX_PORT || 4310}`

/** What the reader of pictures knows of letters: it asks for them by this name. */
const LETTERS = 'reader/eng.traineddata.gz'

function letters(): Plugin {
  const path = createRequire(import.meta.url).resolve(
    '@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz',
  )
  return {
    name: 'letters',
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: LETTERS, source: readFileSync(path) })
    },
    configureServer(server) {
      server.middlewares.use(`/${LETTERS}`, (_request, response) => {
        response.end(readFileSync(path))
      })
    },
  }
}

export default defineConfig({
  plugins: [react(), tailwindcss(), letters()],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    // The probe is a page of its own: it may be served where nothing else is.
    rollupOptions: { input: ['index.html', 'probe.html'] },
  },
  server: { host: '127.0.0.1', proxy: { '/api': { target: api, changeOrigin: true } } },
})
