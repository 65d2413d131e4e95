import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { constants } from 'node:zlib'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin, runnerImport } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'

const api = `http://127.0.0.1:${process.env.TEMBRIX_PORT || 4310}`

const { resolve } = createRequire(import.meta.url)

/** What the reader of pictures knows of letters: it asks for them by this name. */
const LETTERS = 'reader/eng.traineddata.gz'

function letters(): Plugin {
  const path = resolve('@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz')
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

/** What is known of the kinds of records, as the data it is: the schemas it is worked out of stay here. */
function kindInfo(): Plugin {
  return {
    name: 'kind-info',
    load: {
      filter: { id: /core\/src\/things\/records\/kindInfo\.ts$/ },
      handler: async (id) => {
        const { module } = await runnerImport<object>(id)
        return Object.entries(module)
          .map(([name, value]) => `export const ${name} = ${JSON.stringify(value)}`)
          .join('\n')
      },
    },
  }
}

/** The page opens without the server, and shows what it read before. */
const withoutServer = VitePWA({
  registerType: 'autoUpdate',
  injectRegister: null,
  manifest: false,
  workbox: {
    inlineWorkboxRuntime: true,
    globPatterns: ['index.html', 'icon.svg', 'assets/*.{js,css,woff,woff2}'],
    // Files that read photos are fetched when one is read. The probe's page is built afterwards, so its files are not here.
    globIgnores: ['**/reader/**'],
    maximumFileSizeToCacheInBytes: 4_000_000,
    navigateFallback: null,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ request, url }) =>
          request.mode === 'navigate' && !url.pathname.startsWith('/probe'),
        handler: 'NetworkFirst',
        options: { cacheName: 'pages', precacheFallback: { fallbackURL: '/index.html' } },
      },
      {
        // Jobs and what they rest on, as they were read last; what is asked `fresh` is not.
        urlPattern: ({ url }) =>
          /^\/api\/v1\/(jobs|customers|models|modules|shop|learned|validated-lists|price-lists)\b/.test(
            url.pathname,
          ) && !url.searchParams.has('fresh'),
        handler: 'NetworkFirst',
        options: { cacheName: 'read', expiration: { maxEntries: 200 } },
      },
      {
        urlPattern: ({ url }) => /^\/api\/v1\/photos\/[^/]+\/picture$/.test(url.pathname),
        handler: 'CacheFirst',
        options: { cacheName: 'pictures', expiration: { maxEntries: 200 } },
      },
    ],
  },
})

/** Few files: what the application begins with, what many screens need, and what some ask for later; the rest goes by the screens that ask for it. */
const CHUNKS = [
  { name: 'libraries', tags: ['$initial' as const], test: /node_modules/, priority: 3 },
  { name: 'first', tags: ['$initial' as const], priority: 2 },
  { name: 'charts', test: /node_modules\/(chart\.js|@kurkle)/, priority: 2 },
  { name: 'shared', test: /^(?!.*src\/parts\/chart\/)/, minShareCount: 3, priority: 1 },
]

/** Files are compressed once, here, in both ways that browsers ask for. */
const compressed = compression({
  algorithms: [
    defineAlgorithm('gzip', { level: 9 }),
    defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
  ],
  include: /\.(js|css|svg)$/,
  threshold: 1000,
})

/** The package names its build for developing, which warns, also where one for use is made. */
const ROUTER = {
  find: /^react-router$/,
  replacement: resolve('react-router').replace(/development.*/, 'production/index.mjs'),
}

export default defineConfig({
  plugins: [react(), tailwindcss(), letters(), kindInfo(), withoutServer, compressed],
  resolve: { alias: [ROUTER] },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    rolldownOptions: { output: { codeSplitting: { groups: CHUNKS } } },
  },
  server: { host: '127.0.0.1', proxy: { '/api': { target: api, changeOrigin: true } } },
})
