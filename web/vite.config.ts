import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 1500, assetsInlineLimit: 0, license: { fileName: 'third-parties.md' } },
  // each file in a window of its own, all in two processes: a process for each took three times as much of the machine
  test: { pool: 'vmForks', maxWorkers: '100%', testTimeout: 60_000, setupFiles: 'vitest.setup.ts', css: { include: /style\.css/ } },
  server: { proxy: { '/api': { target: 'http://localhost:8181', changeOrigin: true } } },
})
