// The real binary, twice, each with a database of its own: one bench that is
// empty and one with the demo world.
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

// workers read this file again; the folder is made once
export const home = (process.env.HT_E2E_HOME ??= mkdtempSync(join(tmpdir(), 'ht-e2e-')))

export const empty = 'http://127.0.0.1:8471'
export const demo = 'http://127.0.0.1:8472'

function server(url: string, name: string, flags: string) {
  return {
    command: `../bin/happytray serve ${flags} --dir ${join(home, name)}`,
    url: `${url}/healthz`,
    env: { HAPPYTRAY_ADDR: new URL(url).host, HAPPYTRAY_DB: '', HAPPYTRAY_LOG: 'warn' },
    timeout: 90_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 30_000 },
  }
}
export const servers = { empty: server(empty, 'empty', ''), demo: server(demo, 'demo', '--demo') }

export const browser = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run',
    '--disable-background-networking', '--disable-component-update', '--disable-sync',
  ],
}
