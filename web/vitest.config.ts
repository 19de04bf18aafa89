import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { craft } from './craft.ts'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// what puts something in the place of a module or of what a browser has is tested by itself; all others share
// what they bring in, as Element Plus takes longer to read than most tests take
const tests = readdirSync(here('./test')).filter(f => f.endsWith('.test.ts'))
const apart = (f: string) => /vi\.(mock|stubGlobal)/.test(readFileSync(here(`./test/${f}`), 'utf8'))
const include = (some: (f: string) => boolean) => tests.filter(some).map(f => `test/${f}`)

export default defineConfig({
  plugins: [vue(), craft()],
  resolve: {
    alias: [
      // what a part looks like is not tested here, and its code need not be read again for each test
      { find: /^element-plus\/.*css$/, replacement: here('./test/noStyle.ts') },
      { find: '@', replacement: here('./src') },
    ],
  },
  test: {
    setupFiles: ['test/setup.ts'],
    projects: [
      { extends: true, test: { name: 'apart', pool: 'threads', include: include(apart) } },
      {
        extends: true,
        test: { name: 'together', pool: 'threads', isolate: false, include: include(f => !apart(f)) },
      },
    ],
  },
})
