// Holds the jobs, Lay and Larder of the demo world against the bars of docs/speed.md with
// Lighthouse, as a desktop machine sees them: node audit.mjs [runs]. It prints the median
// of the runs and what is in the way, and fails where a bar is not held.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { launch } from 'chrome-launcher'
import lighthouse, { desktopConfig } from 'lighthouse'

const runs = Number(process.argv[2] ?? 3)
const bars = { performance: 0.98, accessibility: 1, shift: 0.03 }
const base = 'http://127.0.0.1:8479'
const home = mkdtempSync(join(tmpdir(), 'ht-audit-'))
const server = spawn(new URL('../../bin/happytray', import.meta.url).pathname, ['serve', '--demo', '--dir', home], {
  env: { ...process.env, HAPPYTRAY_ADDR: new URL(base).host, HAPPYTRAY_DB: '', HAPPYTRAY_LOG: 'warn' },
  stdio: 'inherit',
})
const ended = new Promise(done => server.once('exit', done))

async function up() {
  for (let i = 0; i < 600; i++) {
    const ok = await fetch(`${base}/healthz`).then(r => r.ok, () => false)
    if (ok) return
    await new Promise(go => setTimeout(go, 200))
  }
  throw new Error('the server did not start within two minutes')
}

const median = list => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]

let held = true
let chrome
try {
  await up()
  const { jobs } = await (await fetch(`${base}/api/v1/jobs`)).json()
  const laid = jobs.find(j => j.state === 'laid')
  chrome = await launch({
    chromePath: '/usr/bin/chromium',
    chromeFlags: ['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update'],
  })
  for (const [name, path] of [['jobs', '/'], ['Lay', `/jobs/${laid.id}/lay`], ['Larder', '/larder']]) {
    const seen = []
    for (let i = 0; i < runs; i++) {
      const result = await lighthouse(base + path, { port: chrome.port, output: 'json', onlyCategories: ['performance', 'accessibility'] }, desktopConfig)
      if (result.lhr.runtimeError) throw new Error(`${name}: ${result.lhr.runtimeError.message}`)
      seen.push(result.lhr)
    }
    const of = pick => median(seen.map(pick))
    const performance = of(r => r.categories.performance.score)
    const accessibility = of(r => r.categories.accessibility.score)
    const shift = of(r => r.audits['cumulative-layout-shift'].numericValue)
    const ms = id => `${Math.round(of(r => r.audits[id].numericValue))} ms`
    console.log(
      `${name}: performance ${Math.round(performance * 100)}, accessibility ${Math.round(accessibility * 100)}, shift ${shift.toFixed(3)}, ` +
        `first paint ${ms('first-contentful-paint')}, largest ${ms('largest-contentful-paint')}, blocked ${ms('total-blocking-time')}, ${Math.round(of(r => r.audits['total-byte-weight'].numericValue) / 1000)} kB in all`,
    )
    const last = seen.at(-1)
    for (const ref of last.categories.accessibility.auditRefs) {
      const audit = last.audits[ref.id]
      if (ref.weight > 0 && audit.score !== null && audit.score < 1)
        console.log(`  ${audit.title}: ${(audit.details?.items ?? []).slice(0, 4).map(i => i.node?.selector ?? '').join(' | ')}`)
    }
    for (const item of last.audits['layout-shifts']?.details?.items ?? [])
      if (shift >= bars.shift) console.log(`  shifts by ${item.score?.toFixed(3)}: ${item.node?.selector ?? ''}`)
    if (performance < bars.performance || accessibility < bars.accessibility || shift >= bars.shift) held = false
  }
} finally {
  await chrome?.kill()
  server.kill('SIGTERM')
  await ended
  rmSync(home, { recursive: true, force: true })
}
if (!held) {
  console.log('A bar is not held: performance 98, accessibility 100, shift under 0.03.')
  process.exitCode = 1
}
