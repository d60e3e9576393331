import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react()],
  build: { outDir: 'dist', sourcemap: false, chunkSizeWarningLimit: 1400 },
  worker: { format: 'es' },
  server: {
    port: Number(process.env.WEB_PORT ?? 5180),
    proxy: { '/api': { target: `http://127.0.0.1:${process.env.PORT ?? 4180}` } },
  },
})
