import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

/** The probe is a page of its own, served where nothing else is: nothing else is in its files. */
export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    emptyOutDir: false,
    copyPublicDir: false,
    rolldownOptions: {
      input: 'probe.html',
      output: {
        entryFileNames: 'assets/probe-[hash].js',
        chunkFileNames: 'assets/probe-[hash].js',
        assetFileNames: 'assets/probe-[hash][extname]',
      },
    },
  },
  worker: { rolldownOptions: { output: { entryFileNames: 'assets/probe-[hash].js' } } },
})
