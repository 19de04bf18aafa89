// How soon a phone shows something: the first paint of the jobs, the counter, shopping and practice on a processor four times
// slower than this one, from nothing, and again from what the phone keeps: node phone.mjs. It fails over 1.5 s.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, devices } from '@playwright/test'

const most = 1500
const base = 'http://127.0.0.1:8479'
const home = mkdtempSync(join(tmpdir(), 'ht-audit-'))
const server = spawn(new URL('../../bin/happytray', import.meta.url).pathname, ['serve', '--demo', '--dir', home], {
  env: { ...process.env, HAPPYTRAY_ADDR: new URL(base).host, HAPPYTRAY_DB: '', HAPPYTRAY_LOG: 'warn' },
  stdio: 'inherit',
})
const ended = new Promise(done => server.once('exit', done))
const up = async () => {
  for (let i = 0; i < 600; i++) {
    if (await fetch(`${base}/healthz`).then(r => r.ok, () => false)) return
    await new Promise(go => setTimeout(go, 200))
  }
  throw new Error('the server did not start within two minutes')
}

let held = true
let browser
try {
  await up()
  const { jobs } = await (await fetch(`${base}/api/v1/jobs`)).json()
  const laid = jobs.find(j => j.state === 'laid')
  browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  for (const [name, path] of [['jobs', '/'], ['counter', `/jobs/${laid.id}/counter`], ['shopping', '/shopping'], ['practice', '/practice']]) {
    const context = await browser.newContext({ ...devices['Pixel 7'], serviceWorkers: 'allow' })
    const page = await context.newPage()
    const slow = await context.newCDPSession(page)
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 })
    const seen = []
    for (const again of [false, true]) {
      await page.goto(base + path, { waitUntil: 'networkidle' })
      const paint = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN)
      seen.push(Math.round(paint))
      if (!again) await page.evaluate(async () => void (await navigator.serviceWorker.ready))
    }
    console.log(`${name}: first paint ${seen[0]} ms from nothing, ${seen[1]} ms again`)
    if (!(seen[0] <= most)) held = false
    await context.close()
  }
} finally {
  await browser?.close()
  server.kill('SIGTERM')
  await ended
  rmSync(home, { recursive: true, force: true })
}
if (!held) {
  console.log(`A first view takes longer than ${most} ms.`)
  process.exitCode = 1
}
