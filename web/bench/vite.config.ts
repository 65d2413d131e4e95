import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { target: 'es2022', emptyOutDir: true, rolldownOptions: { input: ['bench/table.html'] } },
  preview: { host: '127.0.0.1', strictPort: true },
})
