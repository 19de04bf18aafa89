import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

const server = process.env.HAPPYTRAY_ADDR ?? '127.0.0.1:8080'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { target: 'es2022', emptyOutDir: true, chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': `http://${server}`, '/healthz': `http://${server}` } },
})
