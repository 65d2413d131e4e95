import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const api = `http://127.0.0.1:${process.env.TEMBRIX_PORT || 4310}`

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { target: 'es2022', assetsInlineLimit: 0 },
  server: { host: '127.0.0.1', proxy: { '/api': { target: api, changeOrigin: true } } },
})
