import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { VitePWA, type VitePWAOptions } from 'vite-plugin-pwa'
import { craft } from './craft.ts'
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

// what makes it a program of its own on a phone, and lets it open where there is no network
const installed: Partial<VitePWAOptions> = {
  strategies: 'injectManifest',
  srcDir: 'src/away',
  filename: 'sw.ts',
  injectRegister: false,
  useCredentials: true,
  includeAssets: [],
  manifest: {
    id: '/',
    name: 'Happy Tray',
    short_name: 'Happy Tray',
    description: 'Plans grazing boards: where everything goes, how much, and when it is done.',
    lang: 'en-GB',
    start_url: '/',
    display: 'standalone',
    background_color: '#fbfaf6',
    theme_color: '#1f4e9e',
    categories: ['food', 'productivity'],
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    shortcuts: [
      { name: 'Shopping', url: '/shopping' },
      { name: 'Practice', url: '/practice' },
    ],
  },
  injectManifest: {
    // scripts and styles are packed by then; of the letters those of western Europe
    globPatterns: ['index.html', 'mark.svg', 'assets/*.{js,css}.gz', 'assets/*-latin-wght-*.woff2'],
    globIgnores: ['assets/door-*', '**/sw.js*'],
    manifestTransforms: [
      list => ({
        manifest: list.map(e => {
          const url = `/${e.url.replace(/\.gz$/, '')}`
          return { ...e, url, revision: url.startsWith('/assets/') ? null : e.revision }
        }),
      }),
    ],
  },
}

export default defineConfig({
  plugins: [
    vue(),
    craft(),
    VitePWA(installed),
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
