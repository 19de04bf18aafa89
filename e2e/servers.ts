// The real binary, twice for each worker, each with a database of its own: one bench that
// is empty and one with the demo world. So no journey sees what another one changes.
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

// workers read this file again; the folder is made once
export const home = (process.env.HT_E2E_HOME ??= mkdtempSync(join(tmpdir(), 'ht-e2e-')))

// as many as there are cores: while one journey waits for its browser, the other's server works
export const workers = Number(process.env.WORKERS ?? 2)

const at = (worker: number, which: number) => `http://127.0.0.1:${8471 + 10 * worker + which}`
const mine = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
/** Where devices come in, once it is open. */
export const door = (url: string) => url.replace(/\d+$/, port => String(Number(port) + 5))
export const empty = at(mine, 0)
export const demo = at(mine, 1)

function server(url: string, name: string, flags: string) {
  return {
    command: `../bin/happytray serve ${flags} --dir ${join(home, name)}`,
    url: `${url}/healthz`,
    env: {
      HAPPYTRAY_ADDR: new URL(url).host,
      HAPPYTRAY_DOOR: new URL(door(url)).host,
      HAPPYTRAY_DB: '',
      HAPPYTRAY_LOG: 'warn',
    },
    timeout: 90_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 30_000 },
  }
}
/** What is started for so many workers; the demo world only, where the empty bench is not asked for. */
export const servers = (workers: number, withEmpty = true) =>
  Array.from({ length: workers }, (_, n) => [
    ...(withEmpty ? [server(at(n, 0), `empty-${n}`, '')] : []),
    server(at(n, 1), `demo-${n}`, '--demo --scale --probe'),
  ]).flat()

export const browser = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
