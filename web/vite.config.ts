import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

const server = process.env.HAPPYTRAY_ADDR ?? '127.0.0.1:8080'

export default defineConfig({
  plugins: [
    vue(),
    // packed once, when built, and sent as they are
    compression({
      include: /\.(js|css|html|svg)$/,
      threshold: 1000,
      algorithms: [defineAlgorithm('gzip', { level: 9 }), 'brotliCompress'],
    }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { target: 'es2022', manifest: 'manifest.json', emptyOutDir: true, chunkSizeWarningLimit: 900, rolldownOptions: { checks: { pluginTimings: false } } },
  server: { proxy: { '/api': `http://${server}`, '/healthz': `http://${server}` } },
})
