import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 1500, assetsInlineLimit: 0, license: { fileName: 'third-parties.md' } },
  server: { proxy: { '/api': { target: 'http://localhost:8181', changeOrigin: true } } },
})
