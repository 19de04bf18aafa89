// The real binary, twice for each worker, each with a database of its own: one list of jobs that
// is empty and one with the demo world. So no journey sees what another one changes.
import type { BrowserContext } from '@playwright/test'
import { mkdtempSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

// workers read this file again; the folder is made once
/** In memory where there is room: on a disk that is busy every change waits, which is no fault of what is tested. */
function roomy() {
  try {
    const { bavail, bsize } = statfsSync('/dev/shm')
    if (bavail * bsize > 4e9) return '/dev/shm'
  } catch {
    // there is none here
  }
  return tmpdir()
}
export const home = (process.env.HT_E2E_HOME ??= mkdtempSync(join(roomy(), 'ht-e2e-')))

// as many as there are cores: while one journey waits for its browser, the other's server works
export const workers = Number(process.env.WORKERS ?? 2)

// The day on which journeys and pictures are made is the same whenever they are, unless HT_TEST_NOW names
// another; servers and browsers are as far off the computer's own clock.
const usual = '2026-10-14T10:30:00Z'
export const clockOff = Number(
  (process.env.HT_E2E_CLOCK_OFF ??= String(
    Date.parse(process.env.HT_TEST_NOW || usual) - Date.now(),
  )),
)
/** What time it is for the product, ms. */
export const now = () => Date.now() + clockOff
/** Shows the pages of a context the time that the servers go by. */
export const setClock = (context: BrowserContext) =>
  context.addInitScript((off: number) => {
    const Plain = Date
    globalThis.Date = new Proxy(Plain, {
      construct: (_, args) =>
        args.length ? Reflect.construct(Plain, args) : new Plain(Plain.now() + off),
      apply: () => new Plain(Plain.now() + off).toString(),
      get: (of, name) => (name === 'now' ? () => Plain.now() + off : Reflect.get(of, name)),
    })
  }, clockOff)

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
      HAPPYTRAY_CLOCK: new Date(now()).toISOString(),
    },
    timeout: 90_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 30_000 },
  }
}
/** What a browser keeps of somebody who has been in every room, so that none says again what it is for. */
export const knowsTheRooms = (context: BrowserContext) =>
  context.addInitScript(() => {
    const rooms =
      'Jobs,Brief,Pick,Amounts,Quote,Lay,Prep,Serve,Look back,At the counter,Weigh out,The day,Shopping,Larder,A food,Boards & bowls,Logbook,Shelf,Practice,Devices,Settings'
    try {
      if (!localStorage.getItem('happy-tray-rooms'))
        localStorage.setItem('happy-tray-rooms', JSON.stringify(rooms.split(',')))
    } catch {
      // a page that may keep nothing
    }
  })

/** What is started for so many workers; the demo world only, where the empty one is not asked for. */
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
