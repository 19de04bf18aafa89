// What a hand on the Lay stage costs the browser, on a tray of about 60 elements: frames while something is
// carried and everything makes room, the time from a move to its score, and the heap after minutes of it.
// frames.mjs [minutes]; make audit-frames.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const { chromium } = createRequire(new URL('../package.json', import.meta.url))('@playwright/test')
const minutes = Number(process.argv[2] ?? 1)
const home = mkdtempSync(join(tmpdir(), 'ht-frames-'))
const base = 'http://127.0.0.1:8466'
const server = spawn('../../bin/happytray', ['serve', '--dir', home], {
  env: { ...process.env, HAPPYTRAY_ADDR: '127.0.0.1:8466', HAPPYTRAY_DB: '', HAPPYTRAY_LOG: 'warn' },
  stdio: 'inherit',
})
const json = async (path, method = 'GET', body, headers = {}) => {
  const r = await fetch(base + path, {
    method,
    headers: { 'Content-Type': 'application/json', ...headers },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  })
  if (!r.ok) throw new Error(`${path}: ${r.status} ${await r.text()}`)
  return r
}

try {
  for (let i = 0; ; i++) {
    const up = await fetch(base + '/healthz').catch(() => null)
    if (up?.ok) break
    if (i > 240) throw new Error('the server does not answer')
    await new Promise(go => setTimeout(go, 250))
  }
  const brief = { guests: { adults: 19 }, occasion: 'grazing', month: 6 }
  const job = await (await json('/api/v1/jobs', 'POST', { title: 'Sixty things', brief })).json()
  const planned = await (await json('/api/v1/plan', 'POST', brief)).json()
  const lines = (await (await json('/api/v1/arrange?effort=2', 'POST', planned)).text()).trim().split('\n')
  const laid = lines.map(l => JSON.parse(l)).filter(l => l.tray).at(-1).tray
  await json(`/api/v1/jobs/${job.id}`, 'PUT', laid, { 'If-Match': '"1"' })
  const pieces = laid.elements.reduce((n, e) => n + e.pieces.length, 0)

  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--js-flags=--expose-gc'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const client = await page.context().newCDPSession(page)
  const heap = async () => {
    await client.send('HeapProfiler.collectGarbage')
    return (await client.send('Runtime.getHeapUsage')).usedSize / 1e6
  }
  const took = { carried: [], rests: [], 'put down': [] }
  let largest = 0
  await page.exposeFunction('told', (ms, kind, size) => {
    took[kind].push(ms)
    if (kind === 'put down') largest = Math.max(largest, size)
  })
  await page.addInitScript(() => {
    const plain = window.fetch
    window.fetch = async (...a) => {
      const url = String(a[0]?.url ?? a[0])
      if (url.endsWith('/edits') && a[0]?.clone) a[0].bodyText = await a[0].clone().text()
      const began = performance.now()
      const r = await plain(...a)
      if (url.endsWith('/edits')) {
        const asked = String(a[0]?.bodyText ?? a[1]?.body ?? '')
        const kind = asked.includes('"rests":true') ? 'rests' : asked.includes('"preview":true') ? 'carried' : 'put down'
        window.told(performance.now() - began, kind, asked.length)
      }
      return r
    }
    window.frames_ = []
    let last = performance.now()
    const f = t => {
      window.frames_.push(t - last)
      last = t
      requestAnimationFrame(f)
    }
    requestAnimationFrame(f)
  })
  await page.goto(`${base}/jobs/${job.id}/lay`)
  await page.waitForSelector('[data-hold]')
  await page.waitForTimeout(2500)
  const holds = await page.$$eval('[data-hold]', l =>
    l.map(e => {
      const r = e.getBoundingClientRect()
      return { id: e.dataset.hold, x: r.x + r.width / 2, y: r.y + r.height / 2 }
    }),
  )
  // processor time: of the server all it does, of the page its main thread
  await client.send('Performance.enable')
  const busy = async () => {
    const stat = readFileSync(`/proc/${server.pid}/stat`, 'utf8').split(') ')[1].split(' ')
    const { metrics } = await client.send('Performance.getMetrics')
    return { server: (Number(stat[11]) + Number(stat[12])) * 10, page: metrics.find(m => m.name === 'TaskDuration').value * 1000 }
  }
  const spent = { server: 0, page: 0, previews: 0 }
  const before = await heap()
  const all = []
  const firsts = []
  const until = Date.now() + minutes * 60_000
  for (let n = 0; n === 0 || Date.now() < until; n++) {
    const h = holds[(n * 7) % holds.length]
    if ((await page.evaluate(p => document.elementFromPoint(p.x, p.y)?.getAttribute('data-hold'), h)) !== h.id) continue
    await page.mouse.move(h.x, h.y)
    await page.waitForTimeout(200)
    await page.evaluate(() => (window.frames_.length = 0))
    const [idle, asked] = [await busy(), took.carried.length]
    await page.mouse.down()
    for (let i = 1; i <= 50; i++) {
      await page.mouse.move(h.x + 90 * Math.sin(i / 12), h.y + 40 * Math.sin(i / 7))
      await page.waitForTimeout(12)
    }
    const f = await page.evaluate(() => [...window.frames_])
    const now = await busy()
    spent.server += now.server - idle.server
    spent.page += now.page - idle.page
    spent.previews += took.carried.length - asked
    firsts.push(Math.max(...f.slice(0, 8)))
    all.push(...f)
    await page.mouse.move(h.x, h.y)
    await page.mouse.up()
    await page.waitForTimeout(900)
  }
  const after = await heap()
  const at = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]
  const ms = v => v.toFixed(1)
  console.log(`| ${laid.elements.length} elements, ${pieces} pieces, ${firsts.length} carried in ${minutes} min | figure |\n|---|---|`)
  console.log(`| frames while carrying: median, p95, p99, longest | ${ms(at(all, 0.5))}, ${ms(at(all, 0.95))}, ${ms(at(all, 0.99))}, ${ms(at(all, 1))} ms |`)
  console.log(`| the longest of the first eight frames after a grip: median, worst | ${ms(at(firsts, 0.5))}, ${ms(at(firsts, 1))} ms |`)
  for (const [kind, list] of Object.entries(took).filter(([, list]) => list.length))
    console.log(`| from asking to the answer, ${kind}: median, p95 | ${ms(at(list, 0.5))}, ${ms(at(list, 0.95))} ms, ${list.length} answers |`)
  console.log(`| processor time for each preview: server, main thread of the page, in the mean of ${spent.previews} | ${ms(spent.server / spent.previews)}, ${ms(spent.page / spent.previews)} ms |`)
  console.log(`| the largest request of putting down | ${largest} bytes |`)
  console.log(`| heap before, after | ${ms(before)}, ${ms(after)} MB |`)
  await browser.close()
} finally {
  server.kill('SIGTERM')
  await new Promise(go => server.once('exit', go))
  rmSync(home, { recursive: true, force: true })
}
