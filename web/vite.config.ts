import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

const server = process.env.HAPPYTRAY_ADDR ?? '127.0.0.1:8080'

// what many views need comes in a few files: a browser asks for no more than six at a time
const groups = [
  { name: 'vue', test: /node_modules\/(@?vue|pinia|openapi-fetch)/, priority: 3 },
  { name: 'parts', test: /node_modules/, minShareCount: 3, priority: 2 },
  { name: 'shared', test: /\/src\//, minShareCount: 3, priority: 1 },
]

const file = (name: string) => fileURLToPath(new URL(name, import.meta.url))

const packed = {
  threshold: 1000,
  algorithms: [defineAlgorithm('gzip', { level: 9 })],
}

export default defineConfig({
  plugins: [
    vue(),
    // packed once, when built, and sent as they are; who takes nothing packed gets what the server unpacks
    compression({ ...packed, include: /assets\/.*\.(js|css)$/, deleteOriginalAssets: true }),
    compression({ ...packed, include: /\.(html|svg)$/ }),
  ],
  resolve: { alias: { '@': file('./src') } },
  build: {
    target: 'es2022',
    manifest: 'manifest.json',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      input: { index: file('index.html'), door: file('door.html') }, // the door's page stands alone
      checks: { pluginTimings: false },
      output: { codeSplitting: { groups } },
    },
  },
  server: { proxy: { '/api': `http://${server}`, '/healthz': `http://${server}` } },
})
