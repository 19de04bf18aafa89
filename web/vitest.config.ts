import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  resolve: {
    alias: [
      // what a part looks like is not tested here, and its code need not be read again for each test
      { find: /^element-plus\/.*css$/, replacement: fileURLToPath(new URL('./test/noStyle.ts', import.meta.url)) },
      { find: '@', replacement: fileURLToPath(new URL('./src', import.meta.url)) },
    ],
  },
  test: { pool: 'threads', include: ['test/**/*.test.ts'] },
})
